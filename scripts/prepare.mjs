// What every command of package.json stands on. Only Node's own modules: this runs before anything is installed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { listening, standBefore } from './front.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.chdir(root);

export const nextBin = join(root, 'node_modules/next/dist/bin/next');

/** Runs a command and shows what it prints (on stderr, so that a report on stdout stays clean); ends the script where it fails. */
export function must(what, command, args, env = {}) {
  const done = spawnSync(command, args, { stdio: ['inherit', 2, 2], env: { ...process.env, ...env } });
  if (done.status === 0) return;
  console.error(`${what} did not work (${command} ${args.join(' ')}).`);
  process.exit(done.status ?? 1);
}

function* filesBelow(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name));
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const path of paths) for (const file of filesBelow(path)) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/** Does `work` unless the files are as they were when it was last done. */
function onceFor(paths, marker, work) {
  const now = fingerprint(paths);
  if (existsSync(marker) && readFileSync(marker, 'utf8') === now) return;
  work();
  mkdirSync(dirname(marker), { recursive: true });
  writeFileSync(marker, now);
}

/** Installs the packages where they are missing or another lock file asks for others. */
export function install() {
  onceFor(['package-lock.json'], 'node_modules/.hodman-lock', () => {
    console.error('Installing what is missing …');
    must('Installing', 'npm', ['ci', '--no-audit', '--no-fund']);
  });
}

/** Builds the application unless nothing has changed since the last build. */
export function build() {
  const sources = ['src', 'next.config.ts', 'tsconfig.json', 'package-lock.json'];
  onceFor(sources, '.next/hodman-build', () =>
    must('Building', process.execPath, [nextBin, 'build'], { NODE_ENV: 'production' }),
  );
}

/** Refuses a port that something else listens on, before anything is opened. */
async function portIsFree(port) {
  const free = await new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
  if (free) return;
  console.error(
    `Port ${port} is taken, perhaps by a Hodman that is already running: look at http://127.0.0.1:${port}, or choose another with PORT.`,
  );
  process.exit(1);
}

/** Whether the household has chosen a PIN: it stands in the data folder, beside the database (src/doors/book.ts). */
function hasPin() {
  try {
    const folder = resolve(process.env.HODMAN_DATA ?? '.hodman');
    return JSON.parse(readFileSync(join(folder, 'door.json'), 'utf8')).pin !== undefined;
  } catch {
    return false;
  }
}

/** Where to listen; ends the script where it may not. */
async function mayListen() {
  const at = await listening(process.env.HODMAN_HOST).catch((error) => ({ wrong: error.message }));
  if (at.wrong === undefined && (!at.beyond || hasPin())) return at;
  console.error(
    at.wrong ??
      'Hodman listens on the home network only with a PIN. Start it without HODMAN_HOST, choose a PIN under Household, then start it like this again.',
  );
  return process.exit(1);
}

/** Serves the built application from this very process, so that stopping it stops the server. */
export async function serve({ demo }) {
  const port = Number(process.env.PORT ?? 3000);
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    console.error(`PORT must be a number from 1 to 65535, not ${process.env.PORT}.`);
    process.exit(1);
  }
  const { bind, beyond, local } = await mayListen();
  await portIsFree(port);
  process.env.NODE_ENV = 'production';
  // The house closes its folder first (src/data/house.ts).
  process.env.NEXT_MANUAL_SIG_HANDLE = '1';
  if (demo) process.env.HODMAN_DEMO = '1';
  const address = `http://127.0.0.1:${port}`;
  standBefore(local);
  // Longer than who asks keeps a connection (a minute is usual): else it is closed under a question that is on its way.
  const kept = ['--keepAliveTimeout', '75000'];
  process.argv = [process.execPath, nextBin, 'start', '-H', bind, '-p', String(port), ...kept];
  await import('../node_modules/next/dist/bin/next');
  for (let attempt = 0; attempt < 240; attempt++) {
    const answered = await fetch(address).then(
      (response) => response.ok,
      () => false,
    );
    if (answered) {
      console.log(`\nHodman is at ${address}${beyond ? ', and on the home network with the PIN' : ''}\n`);
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
}
