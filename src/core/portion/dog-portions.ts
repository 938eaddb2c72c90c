import type { LocalDate } from '../calendar/local-date';
import { dayEnergy } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { mealsOn } from '../dog/meals';
import type { Explanation } from '../explanation';
import { grams, type EnergyDensity, type Grams } from '../quantity/units';

export interface DogPortion {
  readonly gramsADay: Grams;
  readonly meals: readonly { readonly name: string; readonly grams: Grams }[];
  readonly explanation: Explanation;
}

/**
 * What a dog gets of a food a day and a meal, in g: the kcal that its meals leave to the food, over the food's
 * density (kcal/g). `recipeId` leaves out meals that are always made of another recipe. Source: handbook 9.
 */
export function portionOf(dog: Dog, day: LocalDate, density: EnergyDensity, recipeId?: number): DogPortion {
  const energy = dayEnergy(dog, day);
  const meals = mealsOn(dog, day, energy).filter(
    (meal) => recipeId === undefined || meal.recipeId === undefined || meal.recipeId === recipeId,
  );
  const kcal = meals.reduce((sum, meal) => sum + meal.kcal, 0);
  const aDay = kcal / density;
  return {
    gramsADay: grams(aDay),
    meals: meals.map((meal) => ({ name: meal.name, grams: grams(meal.kcal / density) })),
    explanation: {
      title: `${dog.name}: ${aDay.toFixed(1)} g a day`,
      steps: [
        ...energy.explanation.steps,
        { what: 'food a day', sum: `${kcal.toFixed(1)} ÷ ${density.toFixed(4)} = ${aDay.toFixed(1)} g` },
      ],
      source: `${energy.explanation.source} Density: your weighed pot.`,
    },
  };
}
