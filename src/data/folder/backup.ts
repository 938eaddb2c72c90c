import 'server-only';
import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { backupsToDrop, type Inside } from '@/core/household/backups';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import { DISK, type Durable } from './durable';

/** hodman-2026-11-28T09-30-12Z.tar.gz: the instant in UTC, so that names are in the order of time. */
const NAME = /^hodman-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.tar\.gz$/;

export interface Backup {
  readonly name: string;
  readonly at: Date;
  readonly bytes: number;
}

/** Where backups are: beside the database, or where HODMAN_BACKUPS says. */
export const backupFolder = (folder: string) => process.env.HODMAN_BACKUPS ?? join(folder, 'backups');

const nameAt = (at: Date) => `hodman-${at.toISOString().slice(0, 19).replace(/:/g, '-')}Z.tar.gz`;

/** A file's path in the folder of backups; undefined for a name that is none of a backup. */
export const backupPath = (backups: string, name: string): string | undefined =>
  NAME.test(name) ? join(backups, name) : undefined;

/** The backups in a folder, the newest first. */
export function backupsIn(backups: string): readonly Backup[] {
  let names: string[];
  try {
    names = readdirSync(backups);
  } catch {
    return [];
  }
  return names
    .flatMap((name) => {
      const [, day, hours, minutes, seconds] = NAME.exec(name) ?? [];
      const at = new Date(`${day}T${hours}:${minutes}:${seconds}Z`);
      return day === undefined || Number.isNaN(at.getTime())
        ? []
        : [{ name, at, bytes: statSync(join(backups, name)).size }];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/** Takes away the backups that are kept no longer. */
export function dropOld(backups: string, today: LocalDate): void {
  const days = backupsIn(backups).map(({ name, at }) => ({ name, day: dayIn(at, 'UTC') }));
  for (const { name } of backupsToDrop(days, today)) rmSync(join(backups, name), { force: true });
}

/** Says what the copy in a file holds; throws where it cannot be opened. */
export type CheckCopy = (path: string) => Promise<Inside>;

/**
 * Makes a whole copy while the house goes on: PGlite's dump, which is taken between two questions, checked by opening it, on the
 * disk before it has its name. `at` names it. Throws where it cannot be written or opened; nothing is left of it then.
 */
export async function makeBackup(
  { client, durable }: { readonly client: PGlite; readonly durable: Durable },
  backups: string,
  at: Date,
  check: CheckCopy,
): Promise<{ readonly backup: Backup; readonly inside: Inside }> {
  mkdirSync(backups, { recursive: true });
  const name = nameAt(at);
  const making = join(backups, `${name}.making`);
  try {
    await durable.checkpointed(() => client.query('checkpoint'));
    const dump = await client.dumpDataDir('gzip');
    const file = await open(making, 'w');
    try {
      await file.writeFile(new Uint8Array(await dump.arrayBuffer()));
      await file.sync();
    } finally {
      await file.close();
    }
    const inside = await check(making);
    renameSync(making, join(backups, name));
    await DISK.sync(backups);
    dropOld(backups, dayIn(at, 'UTC'));
    return { backup: { name, at, bytes: dump.size }, inside };
  } finally {
    rmSync(making, { force: true });
  }
}
