import 'server-only';
import { rmSync, statSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { sayInside, type Inside } from '@/core/household/backups';
import type { CommandResult } from '@/core/problem';
import { tellOfChange } from './changes';
import { backupFolder, backupPath, backupsIn, makeBackup, type Backup } from './folder/backup';
import { checkCopy } from './folder/check';
import { whyNotWritten } from './folder/refused';
import { restoreInto } from './folder/restore';
import { whyNoRoom } from './folder/room';
import { dataFolder } from './folder/where';
import { answerWith, folderHouse, reopen } from './house';
import { serverUrl } from './server/server';

const HOUR = 3_600_000;
const KEY = Symbol.for('hodman backup');
const shelf = globalThis as unknown as Record<symbol, Promise<unknown> | undefined>;

/** One backup at a time, whoever asks. */
function alone<T>(work: () => Promise<T>): Promise<T> {
  const mine = (shelf[KEY] ?? Promise.resolve()).catch(() => undefined).then(work);
  shelf[KEY] = mine;
  return mine;
}

const folderOfBackups = () => backupFolder(dataFolder());

export const readBackups = (): readonly Backup[] => backupsIn(folderOfBackups());

/** Where a backup lies; undefined for a name that none has. */
export const pathOfBackup = (name: string): string | undefined => backupPath(folderOfBackups(), name);

const ON_SERVER = 'The database is on a server: it is backed up there, by pg_dump or whoever keeps it.';
const no = (message: string): CommandResult<never> => ({ ok: false, problems: [{ message }] });

/** Makes a backup now; the house goes on meanwhile. */
export const backUp = (): Promise<CommandResult<{ readonly name: string; readonly inside: Inside }>> =>
  alone(async () => {
    if (serverUrl() !== undefined) return no(ON_SERVER);
    const full = whyNoRoom(dataFolder());
    if (full !== undefined) return no(`No backup was made. ${full}`);
    try {
      const { backup, inside } = await makeBackup(await folderHouse(), folderOfBackups(), new Date(), checkCopy);
      return { ok: true, value: { name: backup.name, inside } };
    } catch (error) {
      console.error(error);
      return no(`No backup was made: ${whyNotWritten(error) ?? 'it could not be written and opened again'}.`);
    }
  });

const gone = (name: string) => no(`The backup ${name} is not here any more.`);

/** What is in a backup; it is opened to see. */
export async function lookInto(name: string): Promise<CommandResult<Inside>> {
  const path = backupPath(folderOfBackups(), name);
  if (path === undefined || !readBackups().some((each) => each.name === name)) return gone(name);
  try {
    return { ok: true, value: await checkCopy(path) };
  } catch {
    return no('This backup is not whole: it cannot be opened.');
  }
}

/** Puts a backup in the place of all there is, after a backup of that; nobody is let in meanwhile. */
export async function restore(name: string): Promise<CommandResult<{ readonly before: string }>> {
  if (serverUrl() !== undefined) return no(ON_SERVER);
  const path = backupPath(folderOfBackups(), name);
  const inside = await lookInto(name);
  if (!inside.ok || path === undefined) return inside.ok ? gone(name) : inside;
  const copy = await readFile(path);
  const before = await backUp();
  if (!before.ok) return before;
  let aside: string | undefined;
  await reopen(async (folder) => {
    aside = await restoreInto(folder, copy, new Date());
  });
  // It is in the backup that was made of it, which was opened to see that it is whole.
  if (aside !== undefined) rmSync(join(dataFolder(), aside), { recursive: true, force: true });
  tellOfChange();
  return { ok: true, value: { before: before.value.name } };
}

/** `npm run backup` asks for one while the house stands; the answer is what is printed. */
export const answerBackups = (): void =>
  answerWith(async (what) => {
    if (what !== 'backup') return '';
    const made = await backUp();
    return made.ok
      ? `${pathOfBackup(made.value.name)}: ${sayInside(made.value.inside)}`
      : `! ${made.problems.map(({ message }) => message).join(' ')}`;
  });

/** Milliseconds after the start at which it is first looked whether a day has gone by: then the house is at rest. */
const FIRST_LOOK = 60_000;

/** Makes a backup whenever a day has gone by since the newest, or since the database was made. */
export function backUpDaily(): void {
  if (serverUrl() !== undefined) return;
  const look = () => {
    const [newest] = readBackups();
    const since = newest?.at ?? statSync(join(dataFolder(), 'pg', 'PG_VERSION')).mtime;
    if (Date.now() - since.getTime() >= 24 * HOUR) void backUp();
  };
  setTimeout(look, FIRST_LOOK).unref();
  setInterval(look, HOUR).unref();
}
