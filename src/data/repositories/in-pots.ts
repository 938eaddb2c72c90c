import 'server-only';
import { and, eq, gt, isNotNull, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { ifRead } from '../schema/kept-json';
import { recipeVersion } from '../schema/recipes';

/** Days after which a pot that was never divided is not counted on any more (USDA, cooked food in the fridge: 3–4 days). */
const COUNTED_DAYS = 4;

export interface InPot {
  readonly batchId: number;
  readonly recipeId: number;
  /** kcal that are neither packed nor set aside to be eaten today. */
  readonly kcal: number;
}

/** Pots that are being cooked, or wait to be divided and packed: food that no pack holds yet. */
export async function readInPots(tx: Tx, factors: EnergyFactors, now: Date): Promise<InPot[]> {
  const rows = await tx
    .select({ batchId: batch.id, recipeId: recipeVersion.recipeId, summary: batch.summary })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(
        isNotNull(batch.startedAt),
        gt(batch.startedAt, new Date(now.getTime() - COUNTED_DAYS * 86_400_000)),
        isNull(batch.droppedAt),
        isNull(batch.parentId),
      ),
    );
  return rows.flatMap(({ batchId, recipeId, summary: kept }): InPot[] => {
    const summary = ifRead(kept);
    // Where nothing is to be done any more all of it is somewhere else.
    if (!summary || summary.next === undefined) return [];
    const gone = addUp(summary.shares, ({ fate, grams, sealed }) => (sealed || fate === 'today' ? grams : 0));
    const part = summary.net === undefined ? 1 : Math.max(0, 1 - gone / Math.max(1, summary.net));
    const kcal = summary.kcal[factors] * part;
    return kcal > 1 ? [{ batchId, recipeId, kcal }] : [];
  });
}
