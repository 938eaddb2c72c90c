import 'server-only';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { wrap } from '../database';
import { inOneOf, readOpenData } from '../open-data/read';
import { DISK, durable } from './durable';

const stamp = (at: Date) => at.toISOString().slice(0, 19).replace(/:/g, '-');

/** Puts a copy in its place that was whole when the process ended; before a folder is looked at. */
export async function finishRestore(folder: string): Promise<void> {
  const whole = join(folder, 'pg.restoring.whole');
  for (const name of readdirSync(folder))
    if (name.startsWith('pg.restoring') && name !== 'pg.restoring.whole')
      rmSync(join(folder, name), { recursive: true, force: true });
  if (!existsSync(whole)) return;
  const pg = join(folder, 'pg');
  if (existsSync(pg)) rmSync(whole, { recursive: true, force: true });
  else {
    // What a checkpoint had begun belongs to the one that went aside, and would spoil this one.
    const aside =
      readdirSync(folder)
        .filter((name) => /^pg\.kept-[\dT-]+$/.test(name))
        .sort()
        .at(-1) ?? 'pg.kept-before';
    if (existsSync(`${pg}.before`)) renameSync(`${pg}.before`, join(folder, `${aside}.before`));
    renameSync(whole, pg);
  }
  await DISK.sync(folder);
}

/** Whether bytes are a zip by their beginning (PKWARE's note, 4.3.7): open data, and no dump. */
export const isZip = (copy: Uint8Array): boolean => copy[0] === 0x50 && copy[1] === 0x4b;

async function makeOf(copy: Uint8Array, dataDir: string): Promise<PGlite> {
  if (!isZip(copy)) return PGlite.create({ dataDir, loadDataDir: new Blob([Uint8Array.from(copy)]) });
  const client = await PGlite.create(dataDir);
  try {
    await readOpenData(wrap(client), inOneOf(client), copy);
    return client;
  } catch (error) {
    await client.close();
    throw error;
  }
}

/**
 * Puts a copy (the bytes of PGlite's dump, or a zip of open data) in the place of a folder's database, which nobody has open.
 * What was there is kept aside as pg.kept-…, whose name is returned. Throws where the copy cannot be unpacked: everything is then as it was.
 */
export async function restoreInto(folder: string, copy: Uint8Array, at: Date): Promise<string | undefined> {
  const pg = join(folder, 'pg');
  const making = join(folder, 'pg.restoring');
  const whole = `${making}.whole`;
  mkdirSync(folder, { recursive: true });
  await finishRestore(folder);
  mkdirSync(making);
  try {
    const kept = durable(folder, making);
    await kept.checkpointed(async () => {
      const client = await makeOf(copy, making);
      await client.query('select 1 from household');
      await client.close();
    });
  } catch (error) {
    rmSync(making, { recursive: true, force: true });
    throw error;
  }
  const aside = existsSync(pg) ? `pg.kept-${stamp(at)}` : undefined;
  renameSync(making, whole);
  await DISK.sync(folder);
  if (aside !== undefined) renameSync(pg, join(folder, aside));
  await finishRestore(folder);
  return aside;
}
