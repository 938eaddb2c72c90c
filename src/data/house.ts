import 'server-only';
import { mkdirSync } from 'node:fs';
import type { Server } from 'node:net';
import { join, resolve } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { now } from './clock';
import { migrateToLatest, wrap, type Database } from './database';
import { loadDemo } from './demo/boatyard';
import { ownFolder } from './owner';
import { loadReference, type Reference } from './reference/reference';
import { ensureHousehold } from './repositories/household';

interface House {
  readonly client: PGlite;
  readonly owner: Server;
  readonly reference: Reference;
}

/** Pages, route handlers and instrumentation each get their own copy of a module: what lives once hangs here. */
const KEY = Symbol.for('hodman');
const shelf = globalThis as unknown as Record<symbol, Promise<House> | undefined>;

const dataFolder = () => resolve(/*turbopackIgnore: true*/ process.env.HODMAN_DATA ?? join(process.cwd(), '.hodman'));

async function open(): Promise<House> {
  if (process.env.NEXT_PHASE === 'phase-production-build')
    throw new Error('The database is not opened during a build.');
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  const owner = await ownFolder(folder);
  const client = await PGlite.create(join(folder, 'pg'));
  const reference = loadReference();
  const database = wrap(client);
  await migrateToLatest(database);
  const isNew = await ensureHousehold(database, Intl.DateTimeFormat().resolvedOptions().timeZone);
  if (isNew && process.env.HODMAN_DEMO === '1') await loadDemo(database, reference, now());
  // A database without statistics reads whole tables where an index would do.
  await database.execute(sql`analyze`);
  return { client, owner, reference };
}

/** The open database and the reference tables; opens them on the first call. */
export async function house(): Promise<{ db: Database; reference: Reference }> {
  const { client, reference } = await (shelf[KEY] ??= open());
  return { db: wrap(client), reference };
}

/** Opens the database when the server starts; where that cannot be, says why in a sentence and ends the process. */
export async function openOrEnd(): Promise<void> {
  try {
    await house();
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  }
}
