// A built Hodman on a folder, to be asked and killed.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../free-port.mjs';

export const newFolder = () => mkdtempSync(join(tmpdir(), 'hodman-attack-'));

/** Tenths of a second that a server may take to begin. */
const PATIENCE = 6000;

/** Begins a server; `up` says when it answers, or that it ended by itself. */
export async function begin(folder, { demo = false, now } = {}) {
  const port = await freePort();
  const child = spawn(process.execPath, [demo ? 'scripts/demo.mjs' : 'scripts/start.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      HODMAN_DATA: folder,
      ...(now ? { HODMAN_NOW: now } : {}),
      TZ: 'Europe/Oslo',
      NODE_OPTIONS: '',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let printed = '';
  child.stdout.on('data', (text) => (printed += text));
  child.stderr.on('data', (text) => (printed += text));
  const exited = new Promise((resolve) => child.once('exit', resolve));
  const up = async () => {
    // A busy machine plays the demo for minutes: what ends by itself is what did not start.
    for (let attempt = 0; attempt < PATIENCE && child.exitCode === null; attempt++) {
      if (printed.includes('Hodman is at')) return true;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return false;
  };
  const kill = async () => {
    child.kill('SIGKILL');
    await exited;
  };
  return { address: `http://127.0.0.1:${port}`, folder, up, kill, printed: () => printed, exited };
}

export async function start(folder, options) {
  const server = await begin(folder, options);
  if (await server.up()) return server;
  await server.kill();
  throw new Error(`Hodman did not start:\n${server.printed()}`);
}

/** The demo house on a clock that can be set: it stands still at an instant until then. */
export async function startOnClock(instant) {
  const folder = newFolder();
  const file = join(newFolder(), 'clock');
  let now;
  const set = (at) => writeFileSync(file, new Date((now = at)).toISOString());
  set(instant);
  return { server: await start(folder, { demo: true, now: `@${file}` }), folder, set, now: () => now };
}

const manifest = () => JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8'));

/** The built application's actions by name. */
export const actionIds = () =>
  new Map(Object.entries(manifest().node).map(([id, { exportedName }]) => [exportedName, id]));

/** What an action answered: that it was done, or why not, in its words. */
export async function ask(server, id, commandId, input) {
  const response = await post(server, id, JSON.stringify([{ commandId, input }]));
  const said = await response.text();
  return { done: said.includes('"ok":true'), status: response.status, said };
}

/** Calls an action as its form does, with whatever body. */
export const post = ({ address }, id, body, path = '/') =>
  fetch(address + path, {
    method: 'POST',
    headers: { 'next-action': id, 'content-type': 'text/plain;charset=UTF-8', origin: address },
    body,
  });
