import 'server-only';
import type { Server } from 'node:net';
import type { PGlite } from '@electric-sql/pglite';
import { now } from './clock';
import { wrap, type Database } from './database';
import { loadDemo } from './demo/boatyard';
import { checkCopy } from './folder/check';
import type { Durable } from './folder/durable';
import { writable } from './folder/look';
import { openFolder, type HowToOpen } from './folder/open';
import { ownFolder, type Asked } from './folder/owner';
import { whyNoRoom } from './folder/room';
import { dataFolder } from './folder/where';
import { loadReference, type Reference } from './reference/reference';

interface House {
  readonly client: PGlite;
  readonly durable: Durable;
  readonly owner: Server;
  readonly reference: Reference;
}

/** Pages, route handlers and instrumentation each get their own copy of a module: what lives once hangs here. */
const KEY = Symbol.for('hodman');
const shelf = globalThis as unknown as Record<symbol, Promise<House> | undefined>;

/** What another process may ask of the house, by the folder's socket; what is asked hangs here, for it stands on the house. */
const ASKED = Symbol.for('hodman asked');
const ask = globalThis as unknown as Record<symbol, Asked | undefined>;
export const answerWith = (asked: Asked): void => {
  ask[ASKED] = asked;
};

const howToOpen = (reference: Reference): HowToOpen => ({
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  ...(process.env.HODMAN_DEMO === '1' ? { fill: (database) => loadDemo(database, reference, now()) } : {}),
  check: checkCopy,
  now: () => new Date(),
});

async function open(): Promise<House> {
  if (process.env.NEXT_PHASE === 'phase-production-build')
    throw new Error('The database is not opened during a build.');
  const folder = dataFolder();
  writable(folder);
  const owner = await ownFolder(folder, (what) => ask[ASKED]?.(what) ?? Promise.resolve(''));
  const reference = loadReference();
  return { ...(await openFolder(folder, howToOpen(reference))), owner, reference };
}

/** The house as it stands, for what is done to the whole of it. */
export const openHouse = (): Promise<House> => (shelf[KEY] ??= open());

/**
 * Closes the database, lets `work` do something to its folder, and opens it again. Whoever asks meanwhile waits; where the work
 * fails the house opens as it was, and the error is thrown.
 */
export async function reopen(work: (folder: string) => Promise<void>): Promise<void> {
  const { client, durable, owner, reference } = await openHouse();
  let failed: unknown;
  shelf[KEY] = (async () => {
    // What was begun before comes to its end first.
    await client.transaction(() => Promise.resolve());
    await durable.checkpointed(() => client.close());
    await work(dataFolder()).catch((error: unknown) => (failed = error));
    return { ...(await openFolder(dataFolder(), howToOpen(reference))), owner, reference };
  })();
  await shelf[KEY];
  if (failed !== undefined) throw failed;
}

/** What everything that reads or writes begins with. */
export interface OpenHouse {
  readonly db: Database;
  readonly reference: Reference;
  /** Returns when what was committed before is on the disk. */
  readonly kept: () => Promise<void>;
  /** Why nothing can be written now, in words. */
  readonly noRoom: () => string | undefined;
}

/** The open database and the reference tables; opens them on the first call. */
export async function house(): Promise<OpenHouse> {
  const { client, reference, durable } = await openHouse();
  return { db: wrap(client), reference, kept: durable.log, noRoom: () => whyNoRoom(dataFolder()) };
}

/** Opens the database when the server starts; where that cannot be, says why in a sentence and ends the process. */
export async function openOrEnd(): Promise<void> {
  try {
    const { noRoom } = await house();
    const full = noRoom();
    if (full !== undefined) console.error(full);
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  }
}
