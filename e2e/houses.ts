import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** One folder a run for the houses that the tests begin with: of an earlier build there is none. */
export default function houses(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-houses-'));
  process.env.HODMAN_HOUSES = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
