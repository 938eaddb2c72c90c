import type { LocalDate } from '../calendar/local-date';
import { dayEnergy } from '../dog/day-energy';
import { asIfHere } from '../dog/days-off';
import type { Dog } from '../dog/dog';
import { mealsOn } from '../dog/meals';
import { eaterOn, type Eater } from '../dog/stomach';
import type { Preview } from './entry-schema';
import { addUp } from '../add-up';

/** A dog as a recipe's sheet looks at it: who eats, its day, and its meals. */
export interface NamedDog extends Eater {
  readonly id: number;
  /** kcal of its whole day. */
  readonly kcal: number;
  /** What home-cooked food brings of each of its meals, and the recipe that the meal is always of. */
  readonly meals: readonly { readonly kcal: number; readonly recipeId: number | undefined }[];
  readonly adultKg: number | undefined;
}

/** A dog of the household on a day. */
export const namedDog = (dog: Dog & { readonly id: number }, day: LocalDate): NamedDog => ({
  ...eaterOn(dog, day),
  id: dog.id,
  kcal: dayEnergy(dog, day).kcal,
  meals: mealsOn(asIfHere(dog), day).map(({ kcal, recipeId }) => ({ kcal, recipeId })),
  adultKg: dog.expectedAdultWeight === undefined ? undefined : dog.expectedAdultWeight / 1000,
});

/** For how many days a sheet is reckoned until the cook says otherwise. */
export const USUAL_DAYS = 7;

/** Whether a preview is for this dog; one from before it named ids goes by the name. */
export const isPreviewed = (preview: Preview | undefined, dog: Pick<NamedDog, 'id' | 'name'>): boolean =>
  preview === undefined || (preview.dogIds?.includes(dog.id) ?? preview.dogs.includes(dog.name));

/** What the lines by dog and by body weight are reckoned for: these dogs at today's weight, for so many days. */
export const previewOf = (dogs: readonly NamedDog[], days: number): Preview => ({
  dogIds: dogs.map((dog) => dog.id),
  dogs: dogs.map((dog) => dog.name),
  days,
  dogDays: dogs.length * days,
  kgDays: addUp(dogs, (dog) => dog.kg * days),
});
