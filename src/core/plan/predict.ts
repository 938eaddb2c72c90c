import { isWater } from '../food/food';
import { ALONE, boughtAt } from '../recipe/bases';
import type { WrittenLine } from '../recipe/written';
import { goesIntoVessel, isLeafy, swells } from './volume';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** What is there at the end of each g that goes in: the likely part, and how low and high it may be. */
export interface Kept {
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** How much of a recipe's lines is there at the end, line by line, and what that rests on. */
export interface YieldGuess {
  readonly lines: readonly Kept[];
  /** How many weighed pots of this kitchen it rests on; 0: on the table. */
  readonly pots: number;
  readonly source: string;
}

const ALL: Kept = { likely: 1, low: 1, high: 1 };
/** A lid keeps most water in: a tenth boils away, give or take half of it (common practice, no source). */
const LIDDED: Kept = { likely: 0.9, low: 0.85, high: 0.95 };
/** Cooked weight of dry grain in all, per g of it (handbook 7, from memory). */
const GRAIN: Kept = { likely: 3.05, low: 2.8, high: 3.3 };

/** Cooked to raw by weight without poured water (handbook 7, from memory; marked: common practice, no source). */
const DRY: readonly (readonly [fits: (line: WrittenLine) => boolean, kept: Kept])[] = [
  [({ source }) => /\bliver\b/i.test(source.food.name), { likely: 0.7, low: 0.68, high: 0.72 }],
  [({ part }) => part === 'egg', { likely: 0.95, low: 0.93, high: 0.97 }],
  [({ source }) => source.food.group === 'Poultry', { likely: 0.72, low: 0.7, high: 0.75 }],
  [({ source }) => source.food.group === 'Fish and shellfish', { likely: 0.8, low: 0.77, high: 0.83 }],
  [({ part }) => part === 'muscle' || part === 'muscular organ', { likely: 0.735, low: 0.72, high: 0.75 }],
  [isLeafy, { likely: 0.75, low: 0.7, high: 0.8 }],
  [({ part }) => part === 'vegetable' || part === 'carbohydrate', { likely: 0.92, low: 0.9, high: 0.94 }],
];

function ofComponent(lines: readonly (WrittenLine & { readonly bought: number })[]): (line: WrittenLine) => Kept {
  const cooked = lines.filter(goesIntoVessel);
  const water = cooked.filter((line) => isWater(line.source.food));
  const food = cooked.filter((line) => !isWater(line.source.food));
  if (water.length === 0) {
    return (line) =>
      !goesIntoVessel(line) || line.state === 'cooked' ? ALL : (DRY.find(([fits]) => fits(line))?.[1] ?? LIDDED);
  }
  const dry = addUp(food, (line) => line.bought);
  const all = dry + addUp(water, (line) => line.bought);
  if (food.length > 0 && food.every(swells) && all > 0) {
    const kept = (part: number) => Math.min(dry * part, all) / all;
    const own = { likely: kept(GRAIN.likely), low: kept(GRAIN.low), high: kept(GRAIN.high) };
    return (line) => (goesIntoVessel(line) ? own : ALL);
  }
  return (line) => (goesIntoVessel(line) ? LIDDED : ALL);
}

/**
 * What a kitchen's weighed pots of a recipe come to: the mean of the parts that were there, and their standard deviation
 * from the second pot on. Source: elementary statistics (n - 1).
 */
export function habitOf(pots: readonly number[]): {
  readonly mean: number | undefined;
  readonly spread: number | undefined;
} {
  if (pots.length === 0) return { mean: undefined, spread: undefined };
  const mean = addUp(pots, (pot) => pot) / pots.length;
  if (pots.length === 1) return { mean, spread: undefined };
  return { mean, spread: Math.sqrt(addUp(pots, (pot) => (pot - mean) ** 2) / (pots.length - 1)) };
}

/**
 * How much of what goes in will be there: the mean of this kitchen's weighed pots of the recipe, once there is one;
 * before that component by component by the table: with poured water a tenth boils away, grain alone drinks its
 * water up, without water each food shrinks by its kind. What is stirred in stays.
 *
 * Takes the lines, and of each weighed pot what was there of each g that went in. Source: handbook 7 (from memory;
 * the lidded pot common practice).
 */
export function guessYield(written: readonly WrittenLine[], pots: readonly number[]): YieldGuess {
  const bought = boughtAt(written, { ...ALONE, dogDays: 1, kgDays: 20 });
  const own = written.map((line, index) => ({ ...line, bought: nth(bought, index) }));
  const rules = new Map<number, (line: WrittenLine) => Kept>();
  const table = own.map((line) => {
    const place = line.component ?? 0;
    const rule = rules.get(place) ?? ofComponent(own.filter((other) => (other.component ?? 0) === place));
    rules.set(place, rule);
    return rule(line);
  });
  const { mean, spread } = habitOf(pots);
  if (mean === undefined)
    return { lines: table, pots: 0, source: 'cooked to raw by the usual tables, from memory; no pot weighed yet' };
  return {
    lines: table.map(({ likely, low, high }) =>
      spread === undefined
        ? { likely: mean, low: (mean * low) / likely, high: (mean * high) / likely }
        : { likely: mean, low: mean - spread, high: mean + spread },
    ),
    pots: pots.length,
    source: pots.length === 1 ? 'your last weighed pot' : `the mean of your ${pots.length} weighed pots`,
  };
}
