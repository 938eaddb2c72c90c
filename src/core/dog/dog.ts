import type { DaysOff } from './days-off';
import type { LocalDate } from '../calendar/local-date';
import type { Grams } from '../quantity/units';
import type { BowlLine } from './bowl-line';
import type { Less } from './given';
import type { Extra } from './extras';
import type { Work } from './maintenance-factor';
import type { RationMethod } from './method';
import type { Litter } from './stage';

export interface WeighIn {
  readonly date: LocalDate;
  readonly grams: Grams;
  /** Body condition, 1 to 9. */
  readonly bodyCondition?: number;
}

/** A meal of the dog's day. It keeps its id for good: bowls point at it. */
export interface Slot {
  readonly id: number;
  readonly name: string;
  readonly clock: string;
}

/** What part of the day a slot gets, and which recipe, where it is a particular one. */
export interface SlotPart {
  readonly slotId: number;
  readonly fraction: number;
  readonly recipeId?: number;
}

/** A change of food over some days: what was fed before, in falling parts. */
export interface Transition {
  readonly from: string;
  /** kcal per g of the old food, where its label says. */
  readonly density?: number;
  readonly starts: LocalDate;
  readonly days: number;
}

/** How a dog's day is set from a day on. */
export interface Ration {
  readonly from: LocalDate;
  readonly work: Work;
  readonly proneToGain: boolean;
  readonly method: RationMethod;
  /** The weight that the dog is to come to. */
  readonly goal?: Grams;
  readonly extras: readonly Extra[];
  readonly transition?: Transition;
  /** Absent: the usual meals for the dog's age. */
  readonly meals?: readonly SlotPart[];
}

/** What the energy of a dog's day is computed from. Weigh-ins and rations are sorted by date; both have at least one. */
export interface Dog {
  readonly name: string;
  readonly birthDate: LocalDate;
  readonly neutered: boolean;
  readonly expectedAdultWeight?: Grams;
  /** What it is treated for, in the cook's words. */
  readonly illness?: string;
  readonly litters: readonly Litter[];
  readonly weighIns: readonly WeighIn[];
  readonly rations: readonly Ration[];
  readonly slots: readonly Slot[];
  readonly bowlLines: readonly BowlLine[];
  /** Days on which it is away or fasts, or for which it is a guest; absent: it is always fed here. */
  readonly daysOff?: readonly DaysOff[];
  /** By how much its meals of today and tomorrow are smaller for what it got besides. */
  readonly less?: readonly Less[];
}

/** The last entry at or before `day`, or the first of all where the day lies before every entry. */
export function inForce<T>(entries: readonly T[], dateOf: (entry: T) => LocalDate, day: LocalDate): T | undefined {
  let found = entries[0];
  for (const entry of entries) if (dateOf(entry) <= day) found = entry;
  return found;
}

/** The ration in force on a day. Throws where there is none: no dog is stored so. */
export function rationOn<R extends Ration>(
  dog: { readonly name: string; readonly rations: readonly R[] },
  day: LocalDate,
): R {
  const ration = inForce(dog.rations, (entry) => entry.from, day);
  if (!ration) throw new Error(`${dog.name} has no ration`);
  return ration;
}
