import 'server-only';
import { readdirSync, statSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { writeFixed } from '@/core/quantity/write';
import { backupFolder } from './backup';

/**
 * Bytes that must be free before something is written: three more segments of PostgreSQL's log. Where it cannot write that it
 * gives up at once and takes the house with it; anything else that does not fit is only refused.
 */
export const NEEDED = 48 * 1024 * 1024;

const inMegabytes = (bytes: number) => `${writeFixed(bytes / 1e6, 0)} MB`;

const bytesIn = (folder: string): number => {
  try {
    return readdirSync(folder).reduce((sum, name) => sum + statSync(join(folder, name)).size, 0);
  } catch {
    return 0;
  }
};

/** That the disk has no room left to write safely, with what can be deleted; undefined while there is room. */
export function whyNoRoom(folder: string, stat: typeof statfsSync = statfsSync): string | undefined {
  let free: number;
  try {
    const { bavail, bsize } = stat(folder);
    free = bavail * bsize;
  } catch {
    // Some file systems do not say: what does not fit is then refused as it comes.
    return undefined;
  }
  if (free >= NEEDED) return undefined;
  const backups = backupFolder(folder);
  const old = bytesIn(backups);
  return (
    `The disk is full: ${inMegabytes(free)} are free where Hodman keeps its data (${folder}), and it writes only with ${inMegabytes(NEEDED)}. ` +
    `Everything can still be read. ${old > 0 ? `Old backups in ${backups} take ${inMegabytes(old)}: take them elsewhere, or delete the oldest.` : 'Delete something else on this disk.'}`
  );
}
