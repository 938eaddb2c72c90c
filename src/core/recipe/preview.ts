import type { LocalDate } from '../calendar/local-date';
import { dayEnergy, weightOn } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { isGrowing } from '../dog/stage';
import type { Preview } from './entry-schema';
import { addUp } from '../add-up';

/** A dog as a recipe's sheet looks at it: its weight, its day, and whether it grows. */
export interface NamedDog {
  readonly id: number;
  readonly name: string;
  readonly kg: number;
  /** kcal of its whole day. */
  readonly kcal: number;
  readonly growing: boolean;
  readonly adultKg: number | undefined;
}

/** A dog of the household on a day. */
export const namedDog = (dog: Dog & { readonly id: number }, day: LocalDate): NamedDog => ({
  id: dog.id,
  name: dog.name,
  kg: weightOn(dog, day) / 1000,
  kcal: dayEnergy(dog, day).kcal,
  growing: isGrowing(dog, day),
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
