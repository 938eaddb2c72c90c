// Makes a backup: of the Hodman that runs on the data folder, or of the folder itself.
import { register } from 'node:module';
import { join, resolve } from 'node:path';
import { install, root } from './prepare.mjs';

const folder = resolve(process.env.HODMAN_DATA ?? join(root, '.hodman'));
install();
register('./typescript.mjs', import.meta.url);
const { askOwner, ownFolder } = await import('../src/data/folder/owner.ts');
const { backupFolder, makeBackup } = await import('../src/data/folder/backup.ts');
const { sayInside } = await import('../src/core/household/backups.ts');
const { insideOf } = await import('../src/data/folder/inside.ts');
const { lookAt } = await import('../src/data/folder/look.ts');
const { openFolder } = await import('../src/data/folder/open.ts');

try {
  const said = await askOwner(folder, 'backup');
  if (said !== undefined) {
    if (said === '' || said.startsWith('! '))
      throw new Error(said.slice(2) || 'The Hodman that runs did not make one.');
    console.log(said);
  } else {
    await ownFolder(folder);
    if (lookAt(folder) === 'new') throw new Error(`There is nothing in ${folder} yet.`);
    const how = { timeZone: 'UTC', check: insideOf, now: () => new Date() };
    const open = await openFolder(folder, how);
    const { backup, inside } = await makeBackup(open, backupFolder(folder), new Date(), insideOf);
    await open.durable.checkpointed(() => open.client.close());
    console.log(`${join(backupFolder(folder), backup.name)}: ${sayInside(inside)}`);
  }
  process.exit(0);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
