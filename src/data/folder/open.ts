import 'server-only';
import { mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { migrateToLatest, migrationsToCome, NewerFolder, OlderFolder, wrap, type Database } from '../database';
import { ensureHousehold } from '../repositories/household';
import { backupFolder, backupsIn, makeBackup, type CheckCopy } from './backup';
import { DISK, durable, type Durable } from './durable';
import { lookAt } from './look';
import { FolderRefused } from './refused';
import { finishRestore } from './restore';

export interface OpenFolder {
  readonly client: PGlite;
  readonly durable: Durable;
}

export interface HowToOpen {
  readonly timeZone: string;
  /** Fills the first database, where something is to be in it. */
  readonly fill?: (database: Database) => Promise<void>;
  readonly check: CheckCopy;
  readonly now: () => Date;
}

/**
 * Makes the first database beside its place and puts it there when all is in it and on the disk: a process that is killed while
 * it does so leaves nothing that could be taken for a database, and the next start begins anew.
 */
async function makeFirst(folder: string, { timeZone, fill }: HowToOpen): Promise<void> {
  const making = join(folder, 'pg.making');
  for (const name of readdirSync(folder))
    if (name.startsWith('pg.making')) rmSync(join(folder, name), { recursive: true, force: true });
  mkdirSync(making);
  await durable(folder, making).checkpointed(async () => {
    const client = await PGlite.create(making);
    try {
      const database = wrap(client);
      await migrateToLatest(database);
      await ensureHousehold(database, timeZone);
      await fill?.(database);
    } finally {
      await client.close();
    }
  });
  renameSync(making, join(folder, 'pg'));
  await DISK.sync(folder);
}

/** Why a whole folder cannot be opened, with the backup that could take its place. */
function notOpened(folder: string, error: unknown): FolderRefused {
  const [newest] = backupsIn(backupFolder(folder));
  const back = newest
    ? `The newest backup is of ${newest.at.toISOString().slice(0, 16).replace('T', ' ')} UTC. Put it in its place, and keep this one aside, with: npm run restore ${newest.name}`
    : 'There is no backup of it.';
  return new FolderRefused(
    `The database in ${join(folder, 'pg')} does not open (${error instanceof Error ? error.message : String(error)}). Nothing in it was changed. ${back}`,
    { cause: error },
  );
}

/** Household and everything else were never made: nothing of a cook's can be in it. */
async function isUnbegun(database: Database): Promise<boolean> {
  const { rows } = await database.execute<{ begun: boolean }>(
    sql`select exists (select 1 from household) or exists (select 1 from dog) or exists (select 1 from command) begun`,
  );
  return rows[0]?.begun === false;
}

/**
 * Opens the database of a folder that this process owns; makes the first where there is none. Before a migration a backup is
 * made. Throws FolderRefused, OlderFolder or NewerFolder, and has then changed nothing.
 */
export async function openFolder(folder: string, how: HowToOpen): Promise<OpenFolder> {
  const pg = join(folder, 'pg');
  await finishRestore(folder);
  const state = lookAt(folder);
  if (state === 'new') await makeFirst(folder, how);
  const kept = durable(folder);
  await kept.mend();
  const client = await kept
    .checkpointed(() => PGlite.create(pg))
    .catch((error: unknown) => {
      throw notOpened(folder, error);
    });
  const database = wrap(client);
  try {
    const toCome = await migrationsToCome(database);
    if (state === 'whole' && toCome > 0 && !(await isFresh(database)))
      await makeBackup({ client, durable: kept }, backupFolder(folder), how.now(), how.check);
    await migrateToLatest(database);
    if (await isUnbegun(database)) {
      await client.close();
      rmSync(pg, { recursive: true, force: true });
      return openFolder(folder, how);
    }
    // A database without statistics reads whole tables where an index would do.
    await database.execute(sql`analyze`);
    await kept.log();
  } catch (error) {
    if (!client.closed) await client.close();
    if (error instanceof OlderFolder || error instanceof NewerFolder || error instanceof FolderRefused) throw error;
    throw notOpened(folder, error);
  }
  return { client, durable: kept };
}

/** No migration has run in it: there is nothing to copy. */
async function isFresh(database: Database): Promise<boolean> {
  const { rows } = await database.execute<{ there: string | null }>(sql`select to_regclass('household')::text there`);
  return rows[0]?.there == null;
}
