import type { FoodFacts } from '../dog/food-facts';
import type { EnergyFactors } from '../nutrition/energy';
import type { EnergyDensity } from '../quantity/units';
import { ANIMAL, type WeighedLine } from './recipe';
import { recipeSheet } from './sheet';
import { addUp } from '../add-up';

/**
 * What the portion schools have to know about a recipe's food.
 *
 * Takes its lines in g, the density of a weighed pot (kcal/g) where there is one, and what a cup weighs where the
 * cook has weighed one. Without a pot the density is what is predicted, as a plan predicts it; else that of all that goes in.
 * Source: arithmetic; handbook 7 of the prediction.
 */
export function foodFactsOf(
  recipe: {
    readonly name: string;
    readonly recipeId?: number;
    readonly lines: readonly WeighedLine[];
    readonly density: EnergyDensity | undefined;
    /** kcal in each g of the finished food as it is predicted. */
    readonly predicted?: number;
    readonly gramsPerCup: number | undefined;
  },
  factors: EnergyFactors,
): FoodFacts {
  const sheet = recipeSheet(recipe.lines, factors);
  const animal = addUp(
    recipe.lines.filter((line) => ANIMAL.has(line.part)),
    (line) => line.grams,
  );
  return {
    name: recipe.name,
    ...(recipe.recipeId === undefined ? {} : { recipeId: recipe.recipeId }),
    density: recipe.density ?? (recipe.predicted || (sheet.inPot > 0 ? sheet.kcal / sheet.inPot : 0)),
    ...(sheet.kcal > 0 ? { rawDensity: sheet.kcal / sheet.inPot } : {}),
    measured: recipe.density !== undefined,
    gramsPerCup: recipe.gramsPerCup,
    kcalPerAnimalGram: animal > 0 ? sheet.kcal / animal : undefined,
  };
}
