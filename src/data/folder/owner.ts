import 'server-only';
import { createHash, randomUUID } from 'node:crypto';
import { closeSync, existsSync, linkSync, openSync, realpathSync, renameSync, rmSync, statSync } from 'node:fs';
import { createConnection, createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A data folder that another process has open. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `The data folder ${folder} is open in another Hodman that is still running. ` +
        'Two at once would damage it: stop the other one first, or choose another folder with HODMAN_DATA.',
    );
  }
}

/** Longer socket paths than this are cut off by the system, so that such a folder's socket stands in the temp folder. */
const LONGEST_SOCKET_PATH = 100;

function socketPath(folder: string): string {
  const beside = join(folder, 'owner.sock');
  if (beside.length <= LONGEST_SOCKET_PATH) return beside;
  const name = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24);
  return join(tmpdir(), `hodman-${name}.sock`);
}

/** What another process asks the owner to do, answered in one line. */
export type Asked = (what: string) => Promise<string>;

const listen = (path: string, asked?: Asked) =>
  new Promise<Server>((resolve, reject) => {
    const server = createServer((connection) => {
      connection.on('error', () => connection.destroy());
      connection.once('data', (text) => {
        const answer = asked?.(text.toString('utf8').trim()) ?? Promise.resolve('');
        void answer.catch(() => '').then((said) => connection.end(`${said}\n`));
      });
    });
    server.once('error', reject);
    server.listen(path, () => resolve(server));
  });

const answers = (path: string) =>
  new Promise<boolean>((resolve) => {
    const connection = createConnection(path);
    connection.once('connect', () => {
      connection.destroy();
      resolve(true);
    });
    connection.once('error', () => resolve(false));
  });

/** Asks the process that owns a folder to do something; undefined where nobody owns it. */
export const askOwner = (folder: string, what: string) =>
  new Promise<string | undefined>((resolve) => {
    const connection = createConnection(socketPath(folder));
    let said = '';
    connection.once('connect', () => connection.write(`${what}\n`));
    connection.on('data', (text) => (said += text.toString('utf8')));
    connection.once('error', () => resolve(undefined));
    connection.once('end', () => resolve(said.trim()));
  });

/** Milliseconds after which a takeover that was begun is one that was killed: it takes some milliseconds (no source). */
const BEGUN_LONG_AGO = 5_000;

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Takes away what a killed process left of its takeover, and only that: a fresh one in its place is put back. */
function clearBegun(path: string): void {
  const aside = `${path}.${process.pid}.${randomUUID()}`;
  try {
    const old = statSync(path);
    if (Date.now() - old.mtimeMs < BEGUN_LONG_AGO) return;
    renameSync(path, aside);
    if (statSync(aside).ino !== old.ino) linkSync(aside, path);
    rmSync(aside, { force: true });
  } catch {
    // Another process was quicker: the next attempt sees what it left.
  }
}

/** Does something that only one process may do at a time: while a file that can be made only once is there. */
async function aloneWith<T>(path: string, work: () => Promise<T>): Promise<T> {
  const giveUp = Date.now() + 4 * BEGUN_LONG_AGO;
  for (;;) {
    try {
      closeSync(openSync(path, 'wx'));
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || Date.now() > giveUp) throw error;
      clearBegun(path);
      await pause(20);
    }
  }
  try {
    return await work();
  } finally {
    rmSync(path, { force: true });
  }
}

/**
 * Makes this process the one owner of a data folder: a Unix socket that answers while the owner lives.
 * After a kill the socket file is left but nobody answers, and the next process takes over at once; of several that try it
 * together one does. `asked` answers what another process asks. Throws FolderInUse where another process answers.
 */
export async function ownFolder(folder: string, asked?: Asked): Promise<Server> {
  const path = socketPath(folder);
  return aloneWith(`${path}.taking`, async () => {
    if (existsSync(path)) {
      if (await answers(path)) throw new FolderInUse(folder);
      rmSync(path, { force: true });
    }
    const server = await listen(path, asked);
    server.unref();
    return server;
  });
}
