import 'server-only';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { prepared } from './prepared';
import { nth } from '@/core/sure';

export type Database = PgliteDatabase & { $client: PGlite };
/** What a repository takes first: the open transaction, or the database itself for a read outside one. */
export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0] | Database;

export const wrap = (client: PGlite): Database => drizzle(prepared(client));

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

/** Refuses a database whose first migration is not this project's first: version 0.1 began otherwise. */
async function refuseOlder(database: Database): Promise<void> {
  const { rows } = await database.execute<{ there: string | null }>(
    sql`select to_regclass('drizzle.__drizzle_migrations')::text there`,
  );
  if (rows[0]?.there == null) return;
  const first = await database.execute<{ at: string }>(
    sql`select min(created_at)::text at from drizzle.__drizzle_migrations`,
  );
  const { entries } = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: readonly { readonly when: number }[];
  };
  const at = first.rows[0]?.at;
  if (at != null && Number(at) < nth(entries, 0).when) throw new OlderFolder();
}

export async function migrateToLatest(database: Database): Promise<void> {
  await refuseOlder(database);
  await migrate(database, { migrationsFolder: migrationsFolder() });
}
