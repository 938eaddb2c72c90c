import 'server-only';
import { eq, inArray } from 'drizzle-orm';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { recipe, recipeVersion } from '../schema/recipes';

/** Of which recipe batches are, by their ids. */
export async function readRecipesOfBatches(
  tx: Tx,
  ids: readonly number[],
): Promise<ReadonlyMap<number, { readonly recipeId: number; readonly name: string }>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select({ id: batch.id, recipeId: recipe.id, name: recipe.name })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(inArray(batch.id, [...ids]));
  return new Map(rows.map(({ id, ...of }) => [id, of]));
}
