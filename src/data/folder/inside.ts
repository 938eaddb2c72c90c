import 'server-only';
import { openAsBlob } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import type { Inside } from '@/core/household/backups';
import { wrap } from '../database';
import { inOneOf, readOpenData } from '../open-data/read';
import { isZip } from './restore';

/** Opens a copy in memory: a file with PGlite's dump, or a zip of open data. Throws where it is neither, or not whole. */
export async function openCopy(path: string): Promise<PGlite> {
  const file = await openAsBlob(path);
  if (!isZip(new Uint8Array(await file.slice(0, 2).arrayBuffer()))) return PGlite.create({ loadDataDir: file });
  const client = await PGlite.create();
  await readOpenData(wrap(client), inOneOf(client), new Uint8Array(await file.arrayBuffer()));
  return client;
}

/** What is in a copy. Throws where it is no whole database of Hodman's. */
export async function insideOf(path: string): Promise<Inside> {
  const client = await openCopy(path);
  try {
    const one = async <T>(text: string) => (await client.query<T>(text)).rows;
    const [household] = await one<{ there: number }>('select count(*)::int there from household');
    if (household?.there !== 1) throw new Error('There is no household in it.');
    const dogs = await one<{ name: string }>('select name from dog order by id');
    const [counts] = await one<{ batches: number; packs: number; at: string | null }>(
      `select (select count(*)::int from batch) batches,
              (select count(*)::int from holding where amount > 0) packs,
              (select to_char(max(at) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') from movement) at`,
    );
    return {
      dogs: dogs.map(({ name }) => name),
      batches: counts?.batches ?? 0,
      packs: counts?.packs ?? 0,
      lastMovement: counts?.at ?? undefined,
    };
  } finally {
    await client.close();
  }
}
