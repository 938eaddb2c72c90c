// A folder and the built application on it, for as long as a measurement takes.
import { spawn } from 'node:child_process';
import { freePort } from '../scripts/free-port.mjs';

/** Starts the application on a folder, lets `work` ask it, and ends it. `script` is scripts/demo.mjs or start.mjs. */
export async function withServer(folder, script, work, env = {}) {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, [script], {
    env: { ...process.env, PORT: String(port), HODMAN_DATA: folder, ...env },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  try {
    let up = false;
    for (let attempt = 0; attempt < 300 && !up && server.exitCode === null; attempt++) {
      up = await fetch(address).then(
        (response) => response.ok,
        () => false,
      );
      if (!up) await new Promise((resolve) => setTimeout(resolve, 200));
    }
    if (!up) throw new Error('the server did not start');
    return await work(address);
  } finally {
    server.kill('SIGKILL');
    await new Promise((resolve) => (server.exitCode === null ? server.once('exit', resolve) : resolve()));
  }
}
