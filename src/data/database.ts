import 'server-only';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { prepared } from './prepared';
import { nth } from '@/core/sure';

/** PostgreSQL as everything above asks it: in this process (PGlite), or on a server (`server/`). */
export type Database = PgliteDatabase;
/** The one that runs in this process. */
export type Embedded = Database & { $client: PGlite };
/** What a repository takes first: the open transaction, or the database itself for a read outside one. */
export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0] | Database;

export const wrap = (client: PGlite): Embedded => drizzle(prepared(client));

export const migrationsFolder = () => join(/*turbopackIgnore: true*/ process.cwd(), 'drizzle');

/** A data folder that this version cannot open. It is left as it is. */
export class OlderFolder extends Error {
  constructor() {
    super(
      'This data folder was made by Hodman 0.1, and Hodman 0.2 keeps its data otherwise: it was not opened and nothing in it ' +
        'was changed. Start with another folder (HODMAN_DATA), or open this one with the version that made it.',
    );
  }
}

/** A data folder of a Hodman that is newer than this one. It is left as it is. */
export class NewerFolder extends Error {
  constructor() {
    super(
      'This data folder was changed by a newer Hodman than this one: it was not opened and nothing in it was changed. ' +
        'Open it with the newer one, or put a backup of before in its place (npm run restore).',
    );
  }
}

/**
 * How many migrations are still to come in a database. Throws where it is not this project's: version 0.1 began otherwise, and a
 * newer one has migrations that this one does not know.
 */
export async function migrationsToCome(database: Database): Promise<number> {
  const { entries } = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: readonly { readonly when: number }[];
  };
  const { rows } = await database.execute<{ there: string | null }>(
    sql`select to_regclass('drizzle.__drizzle_migrations')::text there`,
  );
  if (rows[0]?.there == null) return entries.length;
  const done = await database.execute<{ first: string | null; last: string | null }>(
    sql`select min(created_at)::text "first", max(created_at)::text "last" from drizzle.__drizzle_migrations`,
  );
  const { first = null, last = null } = done.rows[0] ?? {};
  if (first === null || last === null) return entries.length;
  if (Number(first) < nth(entries, 0).when) throw new OlderFolder();
  if (Number(last) > nth(entries, entries.length - 1).when) throw new NewerFolder();
  return entries.filter(({ when }) => when > Number(last)).length;
}

export async function migrateToLatest(database: Database): Promise<void> {
  if ((await migrationsToCome(database)) > 0) await migrate(database, { migrationsFolder: migrationsFolder() });
}
