import { addUp } from '../add-up';
import { kcalIn } from '../nutrition/density';
import { maintenanceFactor } from '../dog/maintenance-factor';
import { restingEnergy } from '../dog/resting-energy';
import type { Grams } from '../quantity/units';
import { writeFraction } from '../quantity/write';

/** How long a pot lasts, in days: for all its dogs together, and for each of them alone, by their place. */
export interface Lasts {
  readonly together: number | undefined;
  readonly alone: readonly (number | undefined)[];
}

/**
 * How long so much food lasts. Takes g and each dog's g a day, or both in kcal; a dog that gets nothing of it has no days. Source: arithmetic.
 */
export function lastsOf(food: number, aDay: readonly number[]): Lasts {
  const all = addUp(aDay, (each) => each);
  return {
    together: all > 0 ? food / all : undefined,
    alone: aDay.map((each) => (each > 0 ? food / each : undefined)),
  };
}

/** kcal a day that the portions of so many dogs hold. Takes g a day of each and kcal per g of the food. Source: arithmetic. */
export const kcalADay = (portions: readonly { readonly gramsADay: number }[], density: number): number =>
  kcalIn(
    addUp(portions, ({ gramsADay }) => gramsADay),
    density,
  );

/** Where the kcal of a guest come from. */
export const GUEST_SOURCE = 'as a neutered adult: 1.6 × resting energy, an estimate';

/** kcal a day of a dog of which only the weight in g is known. Source: NRC 2006 for the resting energy; the factor from memory. */
export const guestKcal = (weight: Grams): number =>
  restingEnergy(weight) * maintenanceFactor({ neutered: true, proneToGain: false, work: 'none' }).factor;

/** A portion in cups, to an eighth, where a cup of the food was weighed: "2 3/8 cups". Under a sixteenth there is nothing to say. */
export function inCups(grams: number, cupGrams: number | undefined): string | undefined {
  if (cupGrams === undefined || !(cupGrams > 0)) return undefined;
  const cups = grams / cupGrams;
  if (cups < 1 / 16) return undefined;
  const eighths = Math.round(cups * 8) / 8;
  return `${writeFraction(eighths, 8)} ${eighths > 1 ? 'cups' : 'cup'}`;
}
