import 'server-only';
import { asc, inArray } from 'drizzle-orm';
import type { Promised } from '@/core/plan/promised';
import { withSwaps } from '@/core/plan/substitute';
import { grams } from '@/core/quantity/units';
import { takenOf } from '@/core/recipe/bases';
import { ifRead, isUnread } from '../schema/kept-json';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { batch } from '../schema/batches';
import { readFoodsByKey } from './foods';
import { readHousehold } from './household';
import { readPlans } from './plans';
import { readVersions } from './recipes';

/** How many of the newest plans may still be cooked: twelve weeks of two cook days with two recipes. */
export const OPEN_PLANS = 48;

/** What kept plans that are not cooked yet take of each food. What of a plan cannot be read promises nothing. */
export async function readPromised(tx: Tx, reference: Reference): Promise<Promised[]> {
  const plans = (await readPlans(tx, OPEN_PLANS)).filter(({ open }) => open);
  const planOf = new Map(plans.flatMap((plan) => plan.batches.map(({ id }) => [id, plan] as const)));
  if (planOf.size === 0) return [];
  const rows = await tx
    .select({ id: batch.id, versionId: batch.versionId, amounts: batch.amounts, swaps: batch.swaps })
    .from(batch)
    .where(inArray(batch.id, [...planOf.keys()]))
    .orderBy(asc(batch.id));
  const versions = new Map(
    (await readVersions(tx, reference, [...new Set(rows.map(({ versionId }) => versionId))])).map((version) => [
      version.id,
      version,
    ]),
  );
  const { energyFactors } = await readHousehold(tx);
  const swapped = rows.flatMap(({ swaps }) => Object.values(ifRead(swaps) ?? {}));
  const known = await readFoodsByKey(tx, reference, swapped);
  return rows.flatMap(({ id, versionId, amounts, swaps }): Promised[] => {
    const plan = planOf.get(id);
    const version = versions.get(versionId);
    if (!plan || !version || isUnread(amounts) || isUnread(swaps)) return [];
    const written = withSwaps(version.written, swaps ?? undefined, (key) => known.get(key), energyFactors);
    if (!written.ok) return [];
    return takenOf(written.value, (amounts ?? []).map(grams)).map(({ written: line, bought }) => ({
      planId: plan.id,
      cookDay: plan.cookDay,
      key: line.source.food.ndb,
      grams: bought,
    }));
  });
}
