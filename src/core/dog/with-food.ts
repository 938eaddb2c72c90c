import type { EnergyDensity } from '../quantity/units';
import type { Dog } from './dog';
import type { FoodFacts } from './food-facts';

/**
 * A dog whose rations by a portion school are reckoned with this food as it is now, where it is theirs: an amount in
 * cups, grams or pieces stays that amount, and its kcal follow from the food. Takes the food's facts as far as they have
 * changed (a pot was weighed, a cup). Source: arithmetic.
 */
export function withFood<D extends Pick<Dog, 'rations'>>(
  dog: D,
  recipeId: number,
  now: Partial<Pick<FoodFacts, 'density' | 'rawDensity' | 'gramsPerCup' | 'kcalPerAnimalGram' | 'measured'>>,
): D {
  const rations = dog.rations.map((ration) => {
    const { method } = ration;
    if (method.kind !== 'school' || method.food.recipeId !== recipeId) return ration;
    return { ...ration, method: { ...method, food: { ...method.food, ...now } } };
  });
  return rations.every((ration, index) => ration === dog.rations[index]) ? dog : { ...dog, rations };
}

/** The same for the density of one weighed pot. */
export const withPot = <D extends Pick<Dog, 'rations'>>(dog: D, recipeId: number, density: EnergyDensity): D =>
  withFood(dog, recipeId, { density });
