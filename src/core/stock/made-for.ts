import type { LocalDate } from '../calendar/local-date';
import { asIfHere } from '../dog/days-off';
import { weightOn } from '../dog/day-energy';
import type { Dog } from '../dog/dog';
import { homeEnergyOn } from '../dog/meals';
import { writeFraction, writeKcal, writeWeight } from '../quantity/write';
import type { Grams, UnitSet } from '../quantity/units';

/** A day that differs by less than this is the same day (the tolerance of a pack; common practice, no source). */
const SAME = 0.03;

interface DayOfDog {
  readonly kcal: number;
  readonly grams: Grams;
}

interface MadePack {
  readonly dogId: number | undefined;
  /** The dogs that it was made for, and g of each, where they are several. */
  readonly split?: readonly { readonly dogId: number; readonly grams: number }[] | undefined;
  /** It came in without a pot: nobody made it for anybody. */
  readonly found: unknown;
  /** g that were in it when it was full, and kcal in each. */
  readonly labelGrams: number;
  readonly density: number;
  readonly packedOn: LocalDate;
}

/**
 * What part of its dog's day a pack is by now that was made for another weight, or another ration; of one for several dogs what
 * part its share is for each whose day has changed. undefined where the day is as it was, and for a pack for anybody or one that
 * was found. A dog's day is reckoned once, however many packs there are. Source: the dog's energy by its ration; arithmetic.
 */
export function madeForOf(
  dogs: readonly (Dog & { readonly id: number })[],
  today: LocalDate,
  set: UnitSet,
): (pack: MadePack) => string | undefined {
  const known = new Map<string, DayOfDog>();
  const dayOf = (dog: Dog & { readonly id: number }, day: LocalDate): DayOfDog => {
    const key = `${dog.id} ${day}`;
    const own = known.get(key) ?? { kcal: homeEnergyOn(asIfHere(dog), day), grams: weightOn(dog, day) };
    known.set(key, own);
    return own;
  };
  return ({ dogId, split, found, labelGrams, density, packedOn }) => {
    if (found !== undefined) return undefined;
    const parts = split ?? (dogId === undefined ? [] : [{ dogId, grams: labelGrams }]);
    const what = split ? 'its part' : 'a full one';
    const said = parts.flatMap((part) => {
      const dog = dogs.find(({ id }) => id === part.dogId);
      if (!dog) return [];
      return sayChanged(what, part.grams * density, dog.name, dayOf(dog, packedOn), dayOf(dog, today), set) ?? [];
    });
    return said.length > 0 ? said.join('; ') : undefined;
  };
}

function sayChanged(what: string, kcal: number, name: string, then: DayOfDog, now: DayOfDog, set: UnitSet) {
  if (!(then.kcal > 0) || !(now.kcal > 0) || Math.abs(now.kcal / then.kcal - 1) < SAME) return undefined;
  const part = kcal / now.kcal;
  const holds = part < 1 / 16 ? 'less than ⅛' : writeFraction(Math.max(1, Math.round(part * 8)) / 8, 8);
  const heavier = Math.abs(now.grams / then.grams - 1) >= 0.01;
  return heavier
    ? `made for ${name} at ${writeWeight(then.grams, set)}: at ${writeWeight(now.grams, set)} ${what} is ${holds} of a day`
    : `made for ${name}’s day of ${writeKcal(then.kcal)} kcal: of ${writeKcal(now.kcal)} kcal ${what} is ${holds}`;
}
