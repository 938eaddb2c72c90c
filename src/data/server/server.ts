import 'server-only';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Client, Pool, type PoolConfig } from 'pg';
import { migrateToLatest, migrationsToCome, type Database } from '../database';
import { FolderRefused } from '../folder/refused';
import { readOpenData } from '../open-data/read';
import type { Asks } from '../open-data/tables';
import { ensureHousehold } from '../repositories/household';
import { again } from './again';

/** Where the database is on a server; undefined: it runs in this process. */
export const serverUrl = (): string | undefined => process.env.DATABASE_URL || undefined;

/** The oldest server whose answers are tested. */
const OLDEST = 150_000;
/** Held while a Hodman has the database: a second one would not see what the first is about to do. Any number that stays. */
const LOCK = 7_264_626;
/** So many ask at once. */
const AT_ONCE = 8;

/**
 * A database on a server as everything above knows it. PGlite does one transaction after the other; here many run at once, each as
 * if it were alone (serializable), and one that could not be is done again.
 */
export function onServer(config: PoolConfig): { readonly database: Database; readonly pool: Pool } {
  const pool = new Pool({ max: AT_ONCE, ...config });
  pool.on('error', (error) => console.error(`The database’s server broke off: ${error.message}`));
  const plain = drizzle({ client: pool }) as unknown as Database;
  const begin = plain.transaction.bind(plain);
  const database = Object.assign(plain, {
    transaction: ((work, how) =>
      again(() =>
        begin(work, { isolationLevel: how?.accessMode === 'read only' ? 'repeatable read' : 'serializable', ...how }),
      )) as Database['transaction'],
  });
  return { database, pool };
}

const why = (error: unknown): string => (error instanceof Error ? error.message || error.name : String(error));

/** Takes the database for this process until it ends. Throws `FolderRefused` where another one has it, or nothing answers. */
async function take(url: string): Promise<Client> {
  const client = new Client({ connectionString: url });
  try {
    await client.connect();
  } catch (error) {
    throw new FolderRefused(`The database of DATABASE_URL does not answer (${why(error)}). Nothing was changed.`);
  }
  const { rows } = await client.query<{ free: boolean; version: number }>(
    "select pg_try_advisory_lock($1) free, current_setting('server_version_num')::int version",
    [LOCK],
  );
  const [said] = rows;
  if (!said?.free) {
    await client.end();
    throw new FolderRefused('Another Hodman has the database of DATABASE_URL open: close that one first.');
  }
  if (said.version < OLDEST) {
    await client.end();
    throw new FolderRefused('The server of DATABASE_URL is older than PostgreSQL 15. Nothing was changed.');
  }
  // Without it nobody keeps another Hodman away: rather no Hodman than two.
  client.on('error', (error) => {
    console.error(
      `The connection that keeps the database for this Hodman broke (${why(error)}): it ends. Start it again.`,
    );
    process.exit(1);
  });
  return client;
}

/** Opens the database on a server; makes it first where there is nothing in it yet. Throws `FolderRefused` or `NewerFolder`. */
export async function openServer(
  url: string,
  { timeZone, fill }: { readonly timeZone: string; readonly fill?: (database: Database) => Promise<void> },
): Promise<{ readonly database: Database; readonly close: () => Promise<void> }> {
  const lock = await take(url);
  const { database, pool } = onServer({ connectionString: url });
  await migrateToLatest(database);
  await database.transaction(async (tx) => {
    // The first household and what fills it are there together, or not at all.
    if (await ensureHousehold(tx, timeZone)) await fill?.(tx as unknown as Database);
  });
  await database.execute(sql`analyze`);
  return {
    database,
    close: async () => {
      await pool.end();
      await lock.end();
    },
  };
}

/** What a server's database holds, read at one moment while others go on. */
export async function atOneMoment<T>(url: string, work: (asks: Asks) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    return await work(client as unknown as Asks);
  } finally {
    await client.end();
  }
}

/** Nothing of a cook's is in it yet: no dog, no recipe, nothing that was done. */
async function isEmpty(database: Database): Promise<boolean> {
  // A newer one is refused; an older one has tables, and what is in them counts whatever migrations are still to come.
  await migrationsToCome(database);
  const { rows: tables } = await database.execute<{ there: string | null }>(
    sql`select to_regclass('public.dog')::text there`,
  );
  if (tables[0]?.there == null) return true;
  const { rows } = await database.execute<{ begun: boolean }>(
    sql`select exists (select 1 from dog) or exists (select 1 from recipe) or exists (select 1 from command) begun`,
  );
  return rows[0]?.begun === false;
}

/** Takes open data into a server's database that is empty. Throws `FolderRefused` or `NotOpenData`; nothing is changed then. */
export async function takeIn(url: string, zip: Uint8Array): Promise<void> {
  const lock = await take(url);
  const { database, pool } = onServer({ connectionString: url });
  try {
    if (!(await isEmpty(database)))
      throw new FolderRefused(
        'Something is in the database of DATABASE_URL already. Nothing was changed: choose an empty one.',
      );
    await readOpenData(
      database,
      async (work) => {
        const client = await pool.connect();
        try {
          await client.query('begin');
          await work(client as unknown as Asks);
          await client.query('commit');
        } catch (error) {
          await client.query('rollback');
          throw error;
        } finally {
          client.release();
        }
      },
      zip,
    );
  } finally {
    await pool.end();
    await lock.end();
  }
}
