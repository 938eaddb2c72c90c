import { writeFixed } from '../quantity/write';
import type { LocalDate } from '../calendar/local-date';
import { dayEnergy } from '../dog/day-energy';
import { withPot } from '../dog/with-food';
import type { Filling } from '../dog/filling';
import type { Dog } from '../dog/dog';
import { mealsFilledBy } from '../dog/meals';
import type { Explanation } from '../explanation';
import { grams, type EnergyDensity, type Grams } from '../quantity/units';
import { addUp } from '../add-up';

export interface DogPortion {
  readonly gramsADay: Grams;
  readonly meals: readonly { readonly name: string; readonly grams: Grams }[];
  readonly explanation: Explanation;
}

/**
 * What a dog gets of a food a day and a meal, in g: the kcal that its meals leave to the food, over the food's
 * density (kcal/g). A ration that is an amount of this very recipe stays that amount. `filling` leaves only what this recipe fills of its meals. Source: handbook 9.
 */
export function portionOf(asked: Dog, day: LocalDate, density: EnergyDensity, filling?: Filling): DogPortion {
  const recipeId = filling?.batches[filling.batch]?.recipeId;
  const dog = recipeId === undefined ? asked : withPot(asked, recipeId, density);
  const energy = dayEnergy(dog, day);
  const meals = mealsFilledBy(dog, day, filling, energy);
  const kcal = addUp(meals, (meal) => meal.kcal);
  const aDay = kcal / density;
  return {
    gramsADay: grams(aDay),
    meals: meals.map((meal) => ({ name: meal.name, grams: grams(meal.kcal / density) })),
    explanation: {
      title: `${dog.name}: ${writeFixed(aDay, 1)} g a day`,
      steps: [
        ...energy.explanation.steps,
        { what: 'food a day', sum: `${writeFixed(kcal, 1)} ÷ ${writeFixed(density, 4)} = ${writeFixed(aDay, 1)} g` },
      ],
      source: `${energy.explanation.source} Density: your weighed pot.`,
    },
  };
}
