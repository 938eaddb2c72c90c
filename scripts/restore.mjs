// Puts a backup, or a zip of open data, in the place of a data folder's database: `npm run restore` lists them, `npm run restore FILE` says what is in
// one and asks, `npm run restore FILE -- --yes` asks nobody.
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { register } from 'node:module';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { install, root } from './prepare.mjs';

const here = process.env.INIT_CWD ?? process.cwd();
const folder = resolve(process.env.HODMAN_DATA ?? join(root, '.hodman'));
install();
register('./typescript.mjs', import.meta.url);
const { ownFolder } = await import('../src/data/folder/owner.ts');
const { backupFolder, backupsIn } = await import('../src/data/folder/backup.ts');
const { sayInside } = await import('../src/core/household/backups.ts');
const { insideOf } = await import('../src/data/folder/inside.ts');
const { isZip, restoreInto } = await import('../src/data/folder/restore.ts');
const { serverUrl, takeIn } = await import('../src/data/server/server.ts');
const { NotOpenData } = await import('../src/data/open-data/read.ts');

async function ask(question) {
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await lines.question(question);
  lines.close();
  return /^y(es)?$/i.test(answer.trim());
}

try {
  const [file] = process.argv.slice(2).filter((each) => each !== '--yes');
  if (file === undefined) {
    const backups = backupsIn(backupFolder(folder));
    console.log(
      backups.length === 0 ? `There are no backups in ${backupFolder(folder)}.` : 'npm run restore FILE, with one of:',
    );
    for (const { name, bytes } of backups) console.log(`  ${name}  ${(bytes / 1e6).toFixed(1)} MB`);
    process.exit(0);
  }
  const path = [resolve(here, file), join(backupFolder(folder), file)].find((each) => existsSync(each));
  if (path === undefined) throw new Error(`There is no ${file}, neither here nor in ${backupFolder(folder)}.`);
  const copy = readFileSync(path);
  const inside = await insideOf(path).catch((error) => {
    if (error instanceof NotOpenData)
      throw new Error(`${path} was not taken in, and nothing was changed. ${error.message}`);
    throw new Error(`${path} is no backup of Hodman’s, or not a whole one. Nothing was changed.`);
  });
  console.log(`${path}: ${sayInside(inside)}`);
  const url = serverUrl();
  if (url !== undefined) {
    if (!isZip(copy))
      throw new Error('Into a database on a server only open data is taken: make it of the backup first.');
    if (!process.argv.includes('--yes') && !(await ask('Take it into the database of DATABASE_URL? (y/n) ')))
      throw new Error('Nothing was changed.');
    await takeIn(url, copy);
    console.log('It is there.');
    process.exit(0);
  }
  mkdirSync(folder, { recursive: true });
  await ownFolder(folder);
  if (!process.argv.includes('--yes') && !(await ask(`Put it in the place of what is in ${folder}? (y/n) `)))
    throw new Error('Nothing was changed.');
  const aside = await restoreInto(folder, copy, new Date());
  console.log(aside ? `It is there. What was there before is kept in ${join(folder, aside)}.` : 'It is there.');
  process.exit(0);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
