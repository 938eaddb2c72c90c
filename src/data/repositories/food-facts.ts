import 'server-only';
import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import type { BatchState, WeighedState } from '@/core/batch/fold';
import { foodDensityOf } from '@/core/batch/whole';
import type { FoodFacts } from '@/core/dog/food-facts';
import type { WeighedLine } from '@/core/recipe/recipe';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { finishedDensity, measuredRecipe, partsOf } from '@/core/plan/figures';
import { foodFactsOf } from '@/core/recipe/food-facts-of';
import { proteinOf } from '@/core/recipe/protein';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { recipe } from '../schema/recipes';
import { readBatchIfReadable, readLatestPots } from './batches';
import { readLatestVersions } from './recipes';

/** What the portion schools have to know about each recipe, by its id, as it was kept last. */
export async function readFoodFacts(tx: Tx): Promise<Map<number, FoodFacts>> {
  const rows = await tx
    .select({ id: recipe.id, facts: recipe.foodFacts })
    .from(recipe)
    .where(and(isNull(recipe.archivedAt), isNotNull(recipe.foodFacts)));
  return new Map(rows.flatMap(({ id, facts }) => (facts ? [[id, facts] as const] : [])));
}

/**
 * Works out what is known of recipes' food, and their proteins, and keeps both beside them, by the latest weighed pot where there is one. It is
 * called by whatever changes it: a saved recipe, a label, a weighed pot or cup, the household's factors.
 */
export async function keepFoodFacts(
  tx: Tx,
  reference: Reference,
  factors: EnergyFactors,
  recipeIds?: readonly number[],
): Promise<void> {
  const versions = (await readLatestVersions(tx, reference)).filter(
    ({ recipeId }) => recipeIds === undefined || recipeIds.includes(recipeId),
  );
  const pots = await readLatestPots(tx, recipeIds);
  for (const version of versions) {
    const [own] = await tx
      .select({ cupGrams: recipe.cupGrams, facts: recipe.foodFacts, protein: recipe.protein })
      .from(recipe)
      .where(eq(recipe.id, version.recipeId));
    const potId = pots.get(version.recipeId);
    const batch = potId === undefined ? undefined : await readBatchIfReadable(tx, potId, factors);
    const pot = batch?.state === 'weighed' ? batch : undefined;
    const facts = factsOf(
      { name: version.name, cupGrams: own?.cupGrams ?? null },
      version.recipeId,
      pot,
      version.lines,
      factors,
      pot ? undefined : finishedDensity(partsOf(measuredRecipe(version.written, [], factors), {})),
    );
    // A recipe without energy is no food yet.
    const foodFacts = facts.density > 0 ? facts : null;
    const protein = proteinOf(version.lines);
    const same = JSON.stringify([foodFacts, protein]) === JSON.stringify([own?.facts ?? null, own?.protein]);
    if (!same) await tx.update(recipe).set({ foodFacts, protein }).where(eq(recipe.id, version.recipeId));
  }
}

/** Keeps what a pot that was just weighed or put right says of its recipe's food, where it is the latest one. */
export async function keepFactsOfPot(
  tx: Tx,
  factors: EnergyFactors,
  pot: { readonly id: number; readonly recipeId: number; readonly state: BatchState },
): Promise<void> {
  const { state } = pot;
  if (state.state !== 'weighed') return;
  if ((await readLatestPots(tx, [pot.recipeId])).get(pot.recipeId) !== pot.id) return;
  const [own] = await tx
    .select({ name: recipe.name, cupGrams: recipe.cupGrams })
    .from(recipe)
    .where(eq(recipe.id, pot.recipeId));
  if (!own) return;
  const facts = factsOf(own, pot.recipeId, state, state.lines, factors);
  await tx
    .update(recipe)
    .set({ foodFacts: facts.density > 0 ? facts : null })
    .where(eq(recipe.id, pot.recipeId));
}

/** What is known of a recipe's food: by a weighed pot of it, else by its lines. */
function factsOf(
  own: { readonly name: string; readonly cupGrams: number | null },
  recipeId: number,
  pot: WeighedState | undefined,
  lines: readonly WeighedLine[],
  factors: EnergyFactors,
  predicted?: number,
): FoodFacts {
  // A cup of one of the things that are kept apart is none of the food.
  const weighing = pot?.yields.length === 1 ? pot.yields[0]?.weighing : undefined;
  const counted = weighing?.by === 'cups' ? weighing.cupGrams : undefined;
  return foodFactsOf(
    {
      name: own.name,
      recipeId,
      lines: pot?.lines ?? lines,
      density: pot && foodDensityOf(pot),
      ...(predicted === undefined ? {} : { predicted }),
      gramsPerCup: own.cupGrams ?? counted,
    },
    factors,
  );
}

/** g in a cup of each recipe's food, where one was weighed, by the recipe. */
export async function readCups(tx: Tx): Promise<Map<number, number>> {
  const rows = await tx
    .select({ id: recipe.id, cupGrams: recipe.cupGrams })
    .from(recipe)
    .where(isNotNull(recipe.cupGrams));
  return new Map(rows.flatMap(({ id, cupGrams }) => (cupGrams === null ? [] : [[id, cupGrams] as const])));
}
