import { sayFit, sayFits, type FitSaid } from '../dog/stomach';
import type { NamedDog } from '../recipe/preview';
import { figuresOf, type Measured } from './figures';

/**
 * What a recipe is to the dogs that are to eat it: said where meals of it would be too much food; undefined: it fits them all. Takes the recipe with
 * this kitchen's pots, g bought of each of its lines, the dogs, and which recipe it is where it has been kept: a meal that is always of another is
 * not filled by it. Source: as `sayFit`; the finished weight as `guessYield` foretells it.
 */
export function recipeFit(
  recipe: Measured,
  bought: readonly number[],
  dogs: readonly NamedDog[],
  recipeId: number | undefined,
): FitSaid | undefined {
  const { kcal, finished } = figuresOf(recipe, bought);
  if (!(kcal > 0 && finished > 0)) return undefined;
  const said = dogs.flatMap((dog) => {
    const meals = dog.meals.filter((meal) => meal.recipeId === undefined || meal.recipeId === recipeId);
    const own = sayFit(
      dog,
      meals.map((meal) => (meal.kcal * finished) / kcal),
    );
    return own ? [own] : [];
  });
  return sayFits(said);
}
