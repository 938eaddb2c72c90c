import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';

export interface Hodman {
  readonly address: string;
  readonly folder: string;
  /** What it has printed so far. */
  readonly printed: () => string;
  readonly kill: (signal: NodeJS.Signals) => Promise<void>;
}

/** A fixed noon, so that a test means the same on every day. */
export const NOON = '2026-11-25T12:00:00Z';

export const newFolder = () => mkdtempSync(join(tmpdir(), 'hodman-e2e-'));

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** On a server each house has a database of its own, so that a second try begins with an empty one, as the first did. */
async function ownDatabase(): Promise<string> {
  const server = new URL(process.env.DATABASE_URL!);
  const name = `house_${randomUUID().replaceAll('-', '')}`;
  const client = new Client({ connectionString: server.href });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  server.pathname = name;
  return server.href;
}

interface Options {
  readonly folder?: string;
  readonly demo?: boolean;
  readonly now?: string;
  /** HODMAN_HOST: it listens on the home network as well. */
  readonly host?: string;
}

/** What a house is at its first start, made once a run for each instant (playwright.config.ts says where) and copied from then on. */
async function firstDatabase(demo: boolean, now: string): Promise<string> {
  const instant = now.startsWith('@') ? readFileSync(now.slice(1), 'utf8').trim() : now;
  const kept = join(process.env.HODMAN_HOUSES!, `${demo ? 'demo' : 'empty'}-${instant.replace(/\W/g, '')}`);
  if (existsSync(kept)) return kept;
  const made = await started(newFolder(), demo, now);
  await made.kill('SIGTERM');
  try {
    renameSync(join(made.folder, 'pg'), kept);
  } catch (error) {
    // The other worker was quicker.
    if (!existsSync(kept)) throw error;
  }
  rmSync(made.folder, { recursive: true, force: true });
  return kept;
}

/** Starts the built application on a free port and a folder of its own, and waits until it answers. */
export async function startHodman({
  folder = newFolder(),
  demo = false,
  now = NOON,
  host,
}: Options = {}): Promise<Hodman> {
  if (process.env.DATABASE_URL) return started(folder, demo, now, host, { DATABASE_URL: await ownDatabase() });
  if (!existsSync(join(folder, 'pg'))) cpSync(await firstDatabase(demo, now), join(folder, 'pg'), { recursive: true });
  return started(folder, demo, now, host);
}

async function started(folder: string, demo: boolean, now: string, host?: string, also = {}): Promise<Hodman> {
  const { child, port, printed } = await launch(folder, demo, now, host, also);
  const address = `http://127.0.0.1:${port}`;
  for (let attempt = 0; attempt < 1500 && child.exitCode === null; attempt++) {
    if (printed().includes('Hodman is at')) {
      return { address, folder, printed, kill: (signal) => ended(child, signal) };
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  child.kill('SIGKILL');
  throw new Error(`Hodman did not start:\n${printed()}`);
}

/** Starts a process that is expected to end by itself; returns its exit code and what it printed. */
export async function startRefused(
  folder: string,
  { host }: Pick<Options, 'host'> = {},
): Promise<{ code: number | null; printed: string }> {
  const { child, printed } = await launch(folder, false, NOON, host);
  const code = await new Promise<number | null>((resolve) => {
    const late = setTimeout(() => child.kill('SIGKILL'), 120_000);
    child.once('exit', (exit) => {
      clearTimeout(late);
      resolve(exit);
    });
  });
  return { code, printed: printed() };
}

async function launch(folder: string, demo: boolean, now: string, host?: string, also = {}) {
  const port = await freePort();
  const child = spawn(process.execPath, [demo ? 'scripts/demo.mjs' : 'scripts/start.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      HODMAN_DATA: folder,
      HODMAN_NOW: now,
      ...(host === undefined ? {} : { HODMAN_HOST: host }),
      TZ: 'Europe/Oslo',
      NODE_OPTIONS: '',
      ...also,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  child.stdout.on('data', (data: Buffer) => (text += data.toString()));
  child.stderr.on('data', (data: Buffer) => (text += data.toString()));
  return { child, port, printed: () => text };
}

function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', () => resolve());
    child.kill(signal);
  });
}

export async function stopHodman(hodman: Hodman): Promise<void> {
  await hodman.kill('SIGKILL');
  rmSync(hodman.folder, { recursive: true, force: true });
}
