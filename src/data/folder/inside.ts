import 'server-only';
import { openAsBlob } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import type { Inside } from '@/core/household/backups';

/**
 * Opens a copy (a file with PGlite's dump) in memory and says what is in it. Throws where it is no whole database of Hodman's.
 */
export async function insideOf(path: string): Promise<Inside> {
  const client = await PGlite.create({ loadDataDir: await openAsBlob(path) });
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
