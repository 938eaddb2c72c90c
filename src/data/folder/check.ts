import 'server-only';
import { execFile } from 'node:child_process';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Inside } from '@/core/household/backups';
import type { CheckCopy } from './backup';

const run = promisify(execFile);

/** Opens a copy in a process of its own, so that the house goes on meanwhile. */
export const checkCopy: CheckCopy = async (path) => {
  const script = join(/*turbopackIgnore: true*/ process.cwd(), 'scripts', 'inside.mjs');
  const { stdout } = await run(process.execPath, [script, path]);
  return JSON.parse(stdout) as Inside;
};
