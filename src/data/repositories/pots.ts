import 'server-only';
import { and, desc, inArray, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { recipeVersion } from '../schema/recipes';

/** How many weighed pots back a kitchen's yield is looked at; older habits fade (common practice, no source). */
const POTS_BACK = 12;

/**
 * Of each pot that was weighed on a scale, what was there of each g that went in, by recipe and newest first. A yield
 * that was counted in cups is an estimate and teaches nothing.
 */
export async function readPots(tx: Tx, recipeIds: readonly number[]): Promise<Map<number, number[]>> {
  const pots = new Map<number, number[]>();
  if (recipeIds.length === 0) return pots;
  const rows = await tx
    .select({
      recipeId: recipeVersion.recipeId,
      net: batch.netGrams,
      eaten: batch.eatenBefore,
      evidence: batch.evidence,
    })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(
        inArray(recipeVersion.recipeId, [...recipeIds]),
        isNotNull(batch.netGrams),
        isNull(batch.cups),
        isNull(batch.droppedAt),
      ),
    )
    .orderBy(desc(batch.id));
  for (const { recipeId, net, eaten, evidence } of rows) {
    const own = pots.get(recipeId) ?? [];
    const went = (evidence?.lines ?? []).reduce((sum, each) => (each.moment === 'bowl' ? sum : sum + each.grams), 0);
    if (went > 0 && own.length < POTS_BACK) pots.set(recipeId, [...own, Math.min(1, (net! + (eaten ?? 0)) / went)]);
  }
  return pots;
}

export const meanOf = (values: readonly number[] | undefined): number | undefined =>
  values && values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : undefined;
