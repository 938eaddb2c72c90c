import 'server-only';
import { createHash } from 'node:crypto';
import { realpathSync, rmSync } from 'node:fs';
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

const listen = (path: string) =>
  new Promise<Server>((resolve, reject) => {
    const server = createServer((connection) => connection.end());
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

/**
 * Makes this process the one owner of a data folder: a Unix socket that answers while the owner lives.
 * After a kill the socket file is left but nobody answers, and the next process takes over at once.
 * Throws FolderInUse where another process answers.
 */
export async function ownFolder(folder: string): Promise<Server> {
  const path = socketPath(folder);
  for (let attempt = 0; attempt < 5; attempt++) {
    try {
      const server = await listen(path);
      server.unref();
      return server;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
      if (await answers(path)) throw new FolderInUse(folder);
      rmSync(path, { force: true });
    }
  }
  throw new FolderInUse(folder);
}
