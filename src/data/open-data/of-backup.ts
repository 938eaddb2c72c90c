import 'server-only';
import { execFile } from 'node:child_process';
import { mkdtempSync, openAsBlob, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** What is in a backup (undefined: on the server now) as a zip of open data, made in a process of its own; `signal` ends it where nobody waits any more. */
export async function openDataOf(path: string | undefined, signal: AbortSignal): Promise<Blob> {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-open-data-'));
  const file = join(folder, 'open-data.zip');
  const script = join(/*turbopackIgnore: true*/ process.cwd(), 'scripts', 'open-data.mjs');
  try {
    await run(process.execPath, [script, ...(path === undefined ? [] : [path]), file], { signal });
    const zip = await (await openAsBlob(file)).arrayBuffer();
    return new Blob([zip], { type: 'application/zip' });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
