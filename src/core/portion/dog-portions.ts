import { asIfHere } from '../dog/days-off';
import { writeFixed } from '../quantity/write';
import type { LocalDate } from '../calendar/local-date';
import { dayEnergy } from '../dog/day-energy';
import { withPot } from '../dog/with-food';
import type { Filling } from '../dog/filling';
import type { Dog } from '../dog/dog';
import { eaterOn, sayFit, type FitSaid } from '../dog/stomach';
import { mealsFilledBy } from '../dog/meals';
import type { Explanation } from '../explanation';
import type { PlatePart } from './plated';
import { grams, type EnergyDensity, type Grams } from '../quantity/units';
import { addUp } from '../add-up';

/** What a dog gets of each of several foods for so many kcal, with their names and kcal/g. */
export type NamedPlate = (kcal: number) => readonly (PlatePart & { readonly name: string; readonly density: number })[];

export interface DogPortion {
  readonly gramsADay: Grams;
  /** Of what is kept apart, g of each a day. */
  readonly parts: readonly (PlatePart & { readonly name: string })[];
  readonly meals: readonly { readonly name: string; readonly grams: Grams }[];
  readonly explanation: Explanation;
  /** What is said where it is more than the dog can eat; undefined: it fits. */
  readonly fit: FitSaid | undefined;
}

/**
 * What a dog gets of a food a day and a meal, in g: the kcal that its meals leave to the food, over the food's
 * density (kcal/g). A ration that is an amount of this very recipe stays that amount. `filling` leaves only what this recipe fills of its meals; of
 * what is kept apart `plate` says the g of each. Source: handbook 9.
 */
export function portionOf(
  asked: Dog,
  day: LocalDate,
  density: EnergyDensity,
  filling?: Filling,
  plate?: NamedPlate,
): DogPortion {
  const recipeId = filling?.batches[filling.batch]?.recipeId;
  const dog = asIfHere(recipeId === undefined ? asked : withPot(asked, recipeId, density));
  const energy = dayEnergy(dog, day);
  const meals = mealsFilledBy(dog, day, filling, energy);
  const kcal = addUp(meals, (meal) => meal.kcal);
  const parts = plate && kcal > 0 ? plate(kcal) : [];
  const aDay = parts.length > 0 ? addUp(parts, (part) => part.grams) : kcal / density;
  const gramsOf = (own: number) => (kcal > 0 ? (aDay * own) / kcal : 0);
  return {
    gramsADay: grams(aDay),
    parts,
    fit: sayFit(
      eaterOn(dog, day),
      meals.map((meal) => gramsOf(meal.kcal)),
    ),
    meals: meals.map((meal) => ({ name: meal.name, grams: grams(gramsOf(meal.kcal)) })),
    explanation: {
      title: `${dog.name}: ${writeFixed(aDay, 1)} g a day`,
      steps: [
        ...energy.explanation.steps,
        ...(parts.length > 0
          ? parts.map((part) => ({
              what: part.name,
              sum: `${writeFixed(part.grams, 1)} g × ${writeFixed(part.density, 4)} kcal/g = ${writeFixed(part.grams * part.density, 1)} kcal`,
            }))
          : [
              {
                what: 'food a day',
                sum: `${writeFixed(kcal, 1)} ÷ ${writeFixed(density, 4)} = ${writeFixed(aDay, 1)} g`,
              },
            ]),
      ],
      source: `${energy.explanation.source} Density: your weighed pot.`,
    },
  };
}
