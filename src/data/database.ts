import 'server-only';
import { join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';

export type Database = PgliteDatabase & { $client: PGlite };
/** What a repository takes first: the open transaction, or the database itself for a read outside one. */
export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0] | Database;

export const wrap = (client: PGlite): Database => drizzle(client);

export const migrationsFolder = () => join(/*turbopackIgnore: true*/ process.cwd(), 'drizzle');

export async function migrateToLatest(database: Database): Promise<void> {
  await migrate(database, { migrationsFolder: migrationsFolder() });
}
