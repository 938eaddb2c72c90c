import 'server-only';
import { eq, isNotNull } from 'drizzle-orm';
import type { FoodFacts } from '@/core/dog/food-facts';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { foodFactsOf } from '@/core/recipe/food-facts-of';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { recipe } from '../schema/recipes';
import { readBatches } from './batches';
import { readLatestVersions } from './recipes';

/** What the portion schools have to know about each recipe, by its id: by its latest weighed pot where there is one. */
export async function readFoodFacts(
  tx: Tx,
  reference: Reference,
  factors: EnergyFactors,
): Promise<Map<number, FoodFacts>> {
  const versions = await readLatestVersions(tx, reference);
  const batches = await readBatches(tx, factors);
  const cups = await tx
    .select({ id: recipe.id, cupGrams: recipe.cupGrams })
    .from(recipe)
    .where(isNotNull(recipe.cupGrams));
  return new Map(
    versions.flatMap((version) => {
      // Newest first; a by-product or an unweighed pot says nothing about the food.
      const weighed = batches.find((each) => each.recipeId === version.recipeId && each.state === 'weighed');
      const pot = weighed?.state === 'weighed' ? weighed : undefined;
      const counted = pot?.weighing.by === 'cups' ? pot.weighing.cupGrams : undefined;
      const gramsPerCup = cups.find((row) => row.id === version.recipeId)?.cupGrams ?? counted;
      const facts = foodFactsOf(
        {
          name: version.name,
          recipeId: version.recipeId,
          lines: pot?.lines ?? version.lines,
          density: pot?.yield.density,
          gramsPerCup,
        },
        factors,
      );
      // A recipe without energy is no food yet.
      return facts.density > 0 ? [[version.recipeId, facts] as const] : [];
    }),
  );
}

/** Keeps what is known of each recipe's food beside it, so that a dog's day need not read every pot. */
export async function keepFoodFacts(tx: Tx, reference: Reference, factors: EnergyFactors): Promise<void> {
  for (const [recipeId, foodFacts] of await readFoodFacts(tx, reference, factors))
    await tx.update(recipe).set({ foodFacts }).where(eq(recipe.id, recipeId));
}
