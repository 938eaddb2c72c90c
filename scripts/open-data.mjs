// Writes what is in a backup as open data: `npm run open-data BACKUP FILE.zip`; with DATABASE_URL what is on that server now:
// `npm run open-data FILE.zip`. In a process of its own, for a whole database is
// opened in memory; the house goes on meanwhile.
import { existsSync, writeFileSync } from 'node:fs';
import { register } from 'node:module';
import { join, resolve } from 'node:path';
import { install, root } from './prepare.mjs';

const here = process.env.INIT_CWD ?? process.cwd();
install();
register('./typescript.mjs', import.meta.url);
const { backupFolder } = await import('../src/data/folder/backup.ts');
const { openCopy } = await import('../src/data/folder/inside.ts');
const { docsOfSchema } = await import('../src/data/open-data/docs.ts');
const { atOneMoment, serverUrl } = await import('../src/data/server/server.ts');
const { writeOpenData } = await import('../src/data/open-data/write.ts');

try {
  const url = serverUrl();
  if (url !== undefined) {
    const [to] = process.argv.slice(2);
    if (to === undefined) throw new Error('npm run open-data FILE.zip');
    const zip = await atOneMoment(url, (asks) => writeOpenData(asks, docsOfSchema(), new Date()));
    writeFileSync(resolve(here, to), zip);
    process.exit(0);
  }
  const [backup, file] = process.argv.slice(2);
  if (backup === undefined || file === undefined)
    throw new Error('npm run open-data BACKUP FILE.zip. The backups are listed by: npm run restore');
  const folder = backupFolder(resolve(process.env.HODMAN_DATA ?? join(root, '.hodman')));
  const path = [resolve(here, backup), join(folder, backup)].find((each) => existsSync(each));
  if (path === undefined) throw new Error(`There is no ${backup}, neither here nor in ${folder}.`);
  const client = await openCopy(path);
  writeFileSync(resolve(here, file), await writeOpenData(client, docsOfSchema(), new Date()));
  process.exit(0);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
