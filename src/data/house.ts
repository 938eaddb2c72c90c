import 'server-only';
import type { Server } from 'node:net';
import type { PGlite } from '@electric-sql/pglite';
import { now } from './clock';
import { refoldOlder } from './commands/ledger';
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
import { openServer, serverUrl } from './server/server';

/** The database runs in this process, on a folder. */
interface OnFolder {
  readonly client: PGlite;
  readonly durable: Durable;
  readonly owner: Server;
  readonly reference: Reference;
}

/** The database is on a server (DATABASE_URL); the folder holds what is not in it. */
interface OnServer {
  readonly server: Database;
  readonly owner: Server;
  readonly reference: Reference;
}

type House = OnFolder | OnServer;

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

async function openedFolder(known: Pick<OnFolder, 'owner' | 'reference'>): Promise<OnFolder> {
  const opened = await openFolder(dataFolder(), howToOpen(known.reference));
  await refoldOlder(wrap(opened.client), known.reference);
  return { ...opened, ...known };
}

async function open(): Promise<House> {
  if (process.env.NEXT_PHASE === 'phase-production-build')
    throw new Error('The database is not opened during a build.');
  const folder = dataFolder();
  writable(folder);
  const owner = await ownFolder(folder, (what) => ask[ASKED]?.(what) ?? Promise.resolve(''));
  const reference = loadReference();
  const url = serverUrl();
  if (url !== undefined) {
    const { database } = await openServer(url, howToOpen(reference));
    await refoldOlder(database, reference);
    return { server: database, owner, reference };
  }
  return openedFolder({ owner, reference });
}

const openHouse = (): Promise<House> => (shelf[KEY] ??= open());

/** The house on its folder, for what is done to the whole of it; nobody asks for it where the database is on a server. */
export async function folderHouse(): Promise<OnFolder> {
  const opened = await openHouse();
  if ('server' in opened) throw new Error('the database is on a server');
  return opened;
}

/** Brings what was begun to its end and everything onto the disk, and closes the database. */
async function closeFolder({ client, durable }: Pick<OnFolder, 'client' | 'durable'>): Promise<void> {
  await client.transaction(() => Promise.resolve());
  await durable.checkpointed(() => client.close());
}

/** Asked to end, the process closes its folder first; asked twice, it ends at once (what was acknowledged is on the disk anyway). */
export function closeWhenAsked(): void {
  for (const [signal, code] of [
    ['SIGINT', 130],
    ['SIGTERM', 143],
  ] as const)
    process.once(signal, () => {
      process.once(signal, () => process.exit(code));
      void openHouse()
        .then((opened) => ('server' in opened ? undefined : closeFolder(opened)))
        .catch((error: unknown) => console.error(error))
        .finally(() => process.exit(code));
    });
}

/**
 * Closes the database, lets `work` do something to its folder, and opens it again. Whoever asks meanwhile waits; where the work
 * fails the house opens as it was, and the error is thrown.
 */
export async function reopen(work: (folder: string) => Promise<void>): Promise<void> {
  const { client, durable, owner, reference } = await folderHouse();
  let failed: unknown;
  shelf[KEY] = (async () => {
    await closeFolder({ client, durable });
    await work(dataFolder()).catch((error: unknown) => (failed = error));
    return openedFolder({ owner, reference });
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
  const opened = await openHouse();
  const { reference } = opened;
  const noRoom = () => whyNoRoom(dataFolder());
  // A server has what was committed on its disk.
  if ('server' in opened) return { db: opened.server, reference, kept: () => Promise.resolve(), noRoom };
  return { db: wrap(opened.client), reference, kept: opened.durable.log, noRoom };
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
