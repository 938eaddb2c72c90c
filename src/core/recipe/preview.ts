import type { Preview } from './entry-schema';

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

/** For how many days a sheet is reckoned until the cook says otherwise. */
export const USUAL_DAYS = 7;

/** What the lines by dog and by body weight are reckoned for: these dogs at today's weight, for so many days. */
export const previewOf = (dogs: readonly NamedDog[], days: number): Preview => ({
  dogs: dogs.map((dog) => dog.name),
  days,
  dogDays: dogs.length * days,
  kgDays: dogs.reduce((sum, dog) => sum + dog.kg * days, 0),
});
