import 'server-only';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { FolderRefused, isDiskFull, whyNotWritten } from './refused';

/** The version of PostgreSQL whose files this one reads. */
const POSTGRES = '18';

/** What Hodman itself puts into a data folder. */
const OURS =
  /^(?:pg|pg\.(?:before|making|restoring)(?:\.\w+)*|pg\.kept-[\w.-]+|owner\.\S+|door\.json(?:\.new)?|backups|lost\+found)$/;

/** Without these a folder is no database; each with what it is. */
const PARTS = ['PG_VERSION', 'global/pg_control', 'base', 'pg_wal'] as const;

/** Step by step: Node’s own way to make a path tries for ever where a system refuses with ENOENT. */
function makePath(folder: string): void {
  if (existsSync(folder)) return;
  makePath(dirname(folder));
  mkdirSync(folder);
}

/** Makes the folder where there is none, and sees that it can be written to. */
export function writable(folder: string): void {
  const probe = join(folder, `owner.probe-${process.pid}`);
  try {
    makePath(folder);
    writeFileSync(probe, 'written');
    rmSync(probe, { force: true });
  } catch (error) {
    const why = whyNotWritten(error);
    // On a full disk what is there can still be read.
    if (isDiskFull(error) && existsSync(folder)) return;
    if (why === undefined) throw error;
    throw new FolderRefused(
      `Hodman cannot keep its data in ${folder}: ${why}. Choose another folder with HODMAN_DATA, or let this user write there.`,
    );
  }
}

/**
 * What is in a data folder: a whole database, or nothing yet. Throws FolderRefused, with what was found and what can be done, for
 * everything else: nothing is made over it.
 */
export function lookAt(folder: string): 'new' | 'whole' {
  const names = readdirSync(folder);
  const pg = join(folder, 'pg');
  const backups = existsSync(join(folder, 'backups')) ? readdirSync(join(folder, 'backups')) : [];
  const back = backups.length > 0 ? ' A backup can take its place: npm run restore lists them.' : '';
  if (!existsSync(pg)) {
    const others = names.filter((name) => !OURS.test(name));
    if (others.length > 0)
      throw new FolderRefused(
        `There are other things in ${folder} (${others.slice(0, 5).join(', ')}${others.length > 5 ? ' …' : ''}) and no data of Hodman’s. ` +
          'Nothing was changed. Choose an empty folder, or a new one, with HODMAN_DATA.',
      );
    if (back !== '' || names.some((name) => name.startsWith('pg.kept-')))
      throw new FolderRefused(
        `The database is gone from ${folder} (it was the folder “pg” in it).${back} Nothing was changed.`,
      );
    return 'new';
  }
  const missing = PARTS.filter((part) => !existsSync(join(pg, part)));
  if (missing.length > 0)
    throw new FolderRefused(
      `${pg} is no whole database: ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. Nothing was changed.${back} ` +
        'If nothing was ever kept here, move this folder away and start again.',
    );
  const version = readFileSync(join(pg, 'PG_VERSION'), 'utf8').trim();
  if (version !== POSTGRES)
    throw new FolderRefused(
      `${pg} was made by PostgreSQL ${version || '?'}, and this Hodman reads ${POSTGRES}. Nothing was changed: open it with the Hodman that made it.`,
    );
  if (statSync(join(pg, 'global/pg_control')).size !== 8192)
    throw new FolderRefused(`${pg} is no whole database: global/pg_control is cut off. Nothing was changed.${back}`);
  return 'whole';
}
