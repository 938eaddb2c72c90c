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
    const count = async (what: string) =>
      (await one<{ count: number }>(`select count(*)::int from ${what}`))[0]?.count ?? 0;
    // A copy of an older version has no diary yet.
    const [has] = await one<{ diary: string | null }>(`select to_regclass('diary')::text diary`);
    const hasDiary = has?.diary !== null;
    const writtenAt = ['select at from movement', 'select created_at from weigh_in', 'select written_at from reading'];
    const [last] = await one<{ at: string | null }>(
      `select to_char(max(at) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') at
       from (${[...writtenAt, ...(hasDiary ? ['select created_at from diary'] : [])].join(' union all ')}) written (at)`,
    );
    return {
      dogs: dogs.map(({ name }) => name),
      batches: await count('batch where dropped_at is null'),
      // As the Store counts them: an ingredient is no pack.
      packs: await count(`holding where kind = 'pack' and amount > 0`),
      lots: await count(`holding where kind = 'lot' and amount > 0`),
      weighIns: await count('weigh_in where struck_at is null'),
      diary: hasDiary ? await count('diary where taken_back_at is null') : 0,
      last: last?.at ?? undefined,
    };
  } finally {
    await client.close();
  }
}
