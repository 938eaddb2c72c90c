// A PostgreSQL server of its own for tests: Debian's, as an ordinary user, on a socket in a folder that goes with it. Undefined
// where none is installed.
import { execFileSync, spawn } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const HOME = '/usr/lib/postgresql';

function binaries() {
  const versions = existsSync(HOME) ? readdirSync(HOME).sort((a, b) => Number(b) - Number(a)) : [];
  return versions.map((version) => join(HOME, version, 'bin')).find((bin) => existsSync(join(bin, 'initdb')));
}

/** PostgreSQL will not run as root: then as the user that Debian made for it. */
function ordinaryUser() {
  if (process.getuid?.() !== 0) return {};
  const of = (flag) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }));
  return { uid: of('-u'), gid: of('-g') };
}

/** Starts one: the address of its first database, and how to stop it. */
export async function startPostgres() {
  const bin = binaries();
  if (bin === undefined) return undefined;
  const user = ordinaryUser();
  const folder = mkdtempSync(join(tmpdir(), 'hodman-pg-'));
  if (user.uid !== undefined) chownSync(folder, user.uid, user.gid);
  const data = join(folder, 'data');
  const log = join(folder, 'log');
  const how = { ...user, cwd: folder, env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8', TZ: 'UTC' } };
  execFileSync(join(bin, 'initdb'), ['-D', data, '-U', 'hodman', '-A', 'trust', '-E', 'UTF8', '--no-sync'], {
    ...how,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const server = spawn(
    join(bin, 'postgres'),
    ['-D', data, '-k', folder, '-c', 'listen_addresses=', '-c', 'fsync=off', '-c', 'max_connections=60'],
    // Into a file: whoever waits for a test reads no pipe meanwhile, and a full one would stop the server.
    { ...how, stdio: ['ignore', 'ignore', openSync(log, 'w')] },
  );
  const said = () => readFileSync(log, 'utf8');
  const ended = new Promise((resolve) => server.once('exit', resolve));
  for (let attempt = 0; !said().includes('ready to accept connections'); attempt++) {
    if (attempt > 300 || server.exitCode !== null) throw new Error(`PostgreSQL did not start:\n${said()}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    url: `postgresql://hodman@localhost/postgres?host=${encodeURIComponent(folder)}`,
    stop: async () => {
      server.kill('SIGINT');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
