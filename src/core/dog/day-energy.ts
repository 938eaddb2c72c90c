import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { Explanation } from '../explanation';
import { kilocalories, type Grams, type Kilocalories } from '../quantity/units';
import { writeNumber } from '../quantity/write';
import { inForce, rationOn, type Dog, type Ration } from './dog';
import { extrasOn, type ExtrasOfDay } from './extras';
import { projectedWeight } from './growth';
import { methodEnergy, type MethodEnergy } from './method-energy';
import { restingEnergy } from './resting-energy';
import { isGrowing } from './stage';
import { newFoodPart } from './transition';

export interface DayEnergy extends MethodEnergy {
  /** What of the day's kcal the home-cooked food has to bring. Never below 0. */
  readonly homeKcal: Kilocalories;
  readonly weight: Grams;
  readonly rer: Kilocalories;
  /** The multiple of RER that the day comes to. */
  readonly factor: number;
  readonly extras: ExtrasOfDay;
  /** The food of before, during a change of food. */
  readonly oldFood: { readonly name: string; readonly kcal: number; readonly grams: number | undefined } | undefined;
  readonly explanation: Explanation;
}

const number = writeNumber;

/** A dog's weight on a day: the last weigh-in, carried along the growth curve for a pup. */
export function weightOn(dog: Dog, day: LocalDate): Grams {
  const last = inForce(dog.weighIns, (entry) => entry.date, day);
  if (!last) throw new Error(`${dog.name} has no weigh-in`);
  if (!isGrowing(dog, day) || dog.expectedAdultWeight === undefined) return last.grams;
  const ageAt = (date: LocalDate) => daysBetween(dog.birthDate, date);
  return projectedWeight({ grams: last.grams, ageDays: ageAt(last.date) }, dog.expectedAdultWeight, ageAt(day));
}

/**
 * The energy of one dog's day in kcal by the ration in force, and what of it the home-cooked food brings: the day
 * less extras, and during a change of food its part of the rest.
 *
 * Takes a dog with at least one weigh-in and one ration, and a day. Throws where it has none: no dog is stored so.
 * Source: that of the method in force; the rest is arithmetic.
 */
export function dayEnergy(dog: Dog, day: LocalDate): DayEnergy {
  const ration = rationOn(dog, day);
  const weight = weightOn(dog, day);
  const energy = methodEnergy(dog, ration, weight, day);
  const rer = restingEnergy(weight);
  const extras = extrasOn(ration.extras, day, energy.kcal);
  const cooked = Math.max(0, energy.kcal - extras.kcal);
  const part = newFoodPart(ration.transition, day);
  const homeKcal = kilocalories(cooked * part);
  const { method, kcal, range, because, verb, source } = energy;
  return {
    method,
    kcal,
    range,
    because,
    verb,
    source,
    get steps() {
      return energy.steps;
    },
    homeKcal,
    weight,
    rer,
    factor: energy.kcal / rer,
    extras,
    oldFood: oldFoodOf(ration, cooked * (1 - part)),
    get explanation(): Explanation {
      return {
        title: `${dog.name} ${verb} ${number(kcal)} kcal`,
        steps: [
          { what: 'resting energy', sum: `70 × ${number(weight / 1000, 2)} kg^0.75 = ${number(rer)} kcal` },
          ...energy.steps,
          ...extras.each.map((extra) => ({ what: `less ${extra.name}`, sum: `${number(extra.kcal)} kcal` })),
          ...(part < 1 ? [{ what: 'new food so far', sum: `${part * 100} % of ${number(cooked)} kcal` }] : []),
          ...(homeKcal === kcal ? [] : [{ what: 'home-cooked', sum: `${number(homeKcal)} kcal` }]),
        ],
        source,
      };
    },
  };
}

function oldFoodOf({ transition }: Ration, kcal: number): DayEnergy['oldFood'] {
  if (!transition || kcal <= 0) return undefined;
  return {
    name: transition.from,
    kcal,
    grams: transition.density === undefined ? undefined : kcal / transition.density,
  };
}

/** The whole day's kcal of each day from `first`, one a day: a pup's rise. */
export const energyByDay = (dog: Dog, first: LocalDate, days: number): Kilocalories[] =>
  Array.from({ length: days }, (_, index) => dayEnergy(dog, addDays(first, index)).kcal);
