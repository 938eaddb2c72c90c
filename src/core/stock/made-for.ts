import type { LocalDate } from '../calendar/local-date';
import { asIfHere } from '../dog/days-off';
import { weightOn } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { homeEnergyOn } from '../dog/meals';
import { writeFraction, writeKcal, writeWeight } from '../quantity/write';
import type { Grams, UnitSet } from '../quantity/units';

/** A day that differs by less than this is the same day (the tolerance of a pack; common practice, no source). */
const SAME = 0.03;

/**
 * What part of a dog's day a pack is by now that was made for another weight, or another ration; undefined where its day is as it
 * was. Takes the pack's kcal when it was full, the day of its packing, and today. Source: the dog's energy by its ration; arithmetic.
 */
export const sayMadeFor = (
  pack: { readonly kcal: number; readonly packedOn: LocalDate },
  dog: Dog,
  today: LocalDate,
  set: UnitSet,
): string | undefined => said(pack.kcal, dog.name, dayOf(dog, pack.packedOn), dayOf(dog, today), set);

interface DayOfDog {
  readonly kcal: number;
  readonly grams: Grams;
}

const dayOf = (dog: Dog, day: LocalDate): DayOfDog => ({
  kcal: homeEnergyOn(asIfHere(dog), day),
  grams: weightOn(dog, day),
});

function said(kcal: number, name: string, then: DayOfDog, now: DayOfDog, set: UnitSet): string | undefined {
  if (!(then.kcal > 0) || !(now.kcal > 0) || Math.abs(now.kcal / then.kcal - 1) < SAME) return undefined;
  const part = kcal / now.kcal;
  const holds = part < 1 / 16 ? 'less than ⅛' : writeFraction(Math.max(1, Math.round(part * 8)) / 8, 8);
  const heavier = Math.abs(now.grams / then.grams - 1) >= 0.01;
  return heavier
    ? `made for ${name} at ${writeWeight(then.grams, set)}: at ${writeWeight(now.grams, set)} a full one is ${holds} of a day`
    : `made for a day of ${writeKcal(then.kcal)} kcal: of ${writeKcal(now.kcal)} kcal a full one is ${holds}`;
}

/** The same of stored packs: of one that was sealed here for one dog; undefined of every other. A dog's day is reckoned once. */
export function madeForOf(
  dogs: readonly (Dog & { readonly id: number })[],
  today: LocalDate,
  set: UnitSet,
): (pack: {
  readonly dogId: number | undefined;
  readonly found: unknown;
  readonly labelGrams: number;
  readonly density: number;
  readonly packedOn: LocalDate;
}) => string | undefined {
  const known = new Map<string, DayOfDog>();
  return ({ dogId, found, labelGrams, density, packedOn }) => {
    const dog = dogs.find(({ id }) => id === dogId);
    if (!dog || found !== undefined) return undefined;
    const on = (day: LocalDate) => {
      const key = `${dog.id} ${day}`;
      const own = known.get(key) ?? dayOf(dog, day);
      known.set(key, own);
      return own;
    };
    return said(labelGrams * density, dog.name, on(packedOn), on(today), set);
  };
}
