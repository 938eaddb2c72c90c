import { sayFit, type FitSaid } from '../dog/stomach';
import type { NamedDog } from '../recipe/preview';
import { figuresOf, type Measured } from './figures';

/**
 * What a recipe is to the dogs that are to eat it: said of those whose meals of it would be too much food. Takes the recipe with
 * this kitchen's pots, g bought of each of its lines, the dogs, and which recipe it is where it has been kept: a meal that is always of another is
 * not filled by it. Source: as `sayFit`; the finished weight as `guessYield` foretells it.
 */
export function recipeFits(
  recipe: Measured,
  bought: readonly number[],
  dogs: readonly NamedDog[],
  recipeId: number | undefined,
): FitSaid[] {
  const { kcal, finished } = figuresOf(recipe, bought);
  if (!(kcal > 0 && finished > 0)) return [];
  return dogs.flatMap((dog) => {
    const own = dog.meals.filter((meal) => meal.recipeId === undefined || meal.recipeId === recipeId);
    const said = sayFit(
      dog,
      own.map((meal) => (meal.kcal * finished) / kcal),
    );
    return said ? [said] : [];
  });
}
