import 'server-only';
import { eq } from 'drizzle-orm';
import type { Promised } from '@/core/plan/promised';
import { isUnread } from '../schema/kept-json';
import { unlessUnread } from '@/core/unreadable';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { batch } from '../schema/batches';
import { readPlannedLines } from './planned';
import { readPlans } from './plans';

/** How many of the newest plans may still be cooked: twelve weeks of two cook days with two recipes. */
export const OPEN_PLANS = 48;

/** What kept plans that are not cooked yet take of each food. What of a plan cannot be read promises nothing. */
export async function readPromised(tx: Tx, reference: Reference): Promise<Promised[]> {
  const found: Promised[] = [];
  for (const { id: planId, cookDay, open, batches } of await readPlans(tx, OPEN_PLANS)) {
    if (!open) continue;
    for (const { id } of batches) {
      const [row] = await tx.select().from(batch).where(eq(batch.id, id));
      if (!row || isUnread(row.amounts) || isUnread(row.swaps) || isUnread(row.loads)) continue;
      const { amounts, swaps, loads, versionId } = row;
      const planned = await unlessUnread(
        readPlannedLines(tx, reference, {
          id,
          versionId,
          amounts: amounts ?? [],
          swaps: swaps ?? undefined,
          loads: loads ?? [],
        }),
      );
      for (const { written, bought } of planned?.takes ?? [])
        found.push({ planId, cookDay, key: written.source.food.ndb, grams: bought });
    }
  }
  return found;
}
