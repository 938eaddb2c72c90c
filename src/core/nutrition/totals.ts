import type { Food } from '../food/food';
import { grams, type Grams } from '../quantity/units';
import { NUTRIENTS, type Composition, type Nutrient } from './nutrients';
import { sure } from '../sure';

/** A weighed amount of one food. */
export interface Portioned {
  readonly grams: Grams;
  readonly food: Pick<Food, 'per100' | 'group'> &
    Partial<Pick<Food, 'name' | 'bone' | 'uncounted' | 'labelEnergy' | 'estimated'>>;
}

/** Whether a line is among them that was kept as words and is not counted. */
export const holdsUncounted = (lines: readonly Portioned[]): boolean =>
  lines.some(({ food }) => food.uncounted === true);

/** Whether bone of unknown content is in the food. */
export const holdsBone = (lines: readonly Portioned[]): boolean => lines.some(({ food }) => food.bone === true);

/** The sum of one nutrient over a mixture, in the nutrient's own unit, and the mass that has a value for it. */
export interface NutrientTotal {
  readonly amount: number;
  readonly coveredGrams: Grams;
}

export interface Totals {
  readonly mass: Grams;
  /** A nutrient that no line has a value for is absent: unknown, not 0. */
  readonly nutrients: Readonly<Partial<Record<Nutrient, NutrientTotal>>>;
}

/** How much of one nutrient an amount of a food holds; undefined where it was not measured. */
export function nutrientIn(composition: Composition, nutrient: Nutrient, mass: number): number | undefined {
  const per100 = composition[nutrient];
  return per100 === undefined ? undefined : (per100 * mass) / 100;
}

/** A food's values in the order of the nutrients, NaN where one was not measured: read once a food, for sums are many. */
const columns = new WeakMap<Composition, Float64Array>();

function columnsOf(composition: Composition): Float64Array {
  const known = columns.get(composition);
  if (known) return known;
  const own = Float64Array.from(NUTRIENTS, (nutrient) => composition[nutrient] ?? NaN);
  columns.set(composition, own);
  return own;
}

/**
 * Sums every nutrient over the lines of a mixture.
 *
 * Takes g of each food; returns amounts in the table's units with the mass that they cover.
 * Source: composition per 100 g, USDA SR 24.
 */
export function totalsOf(lines: readonly Portioned[]): Totals {
  const amounts = new Float64Array(NUTRIENTS.length);
  const covered = new Float64Array(NUTRIENTS.length);
  let mass = 0;
  for (const line of lines) {
    mass += line.grams;
    const own = columnsOf(line.food.per100);
    for (let index = 0; index < own.length; index++) {
      const per100 = sure(own[index]);
      if (Number.isNaN(per100)) continue;
      amounts[index] = (amounts[index] ?? 0) + (per100 * line.grams) / 100;
      covered[index] = (covered[index] ?? 0) + line.grams;
    }
  }
  const nutrients: Partial<Record<Nutrient, NutrientTotal>> = {};
  NUTRIENTS.forEach((nutrient, index) => {
    if (sure(covered[index]) > 0)
      nutrients[nutrient] = { amount: sure(amounts[index]), coveredGrams: grams(sure(covered[index])) };
  });
  return { mass: grams(mass), nutrients };
}

/**
 * The solids of a mixture: what cannot boil away, in g. Lines whose water was not measured count as no solids,
 * so that it is a lower bound.
 */
export function solidsOf(lines: readonly Portioned[]): Grams {
  return grams(
    lines.reduce((sum, line) => {
      const water = line.food.per100.water_g;
      return water === undefined ? sum : sum + line.grams * (1 - water / 100);
    }, 0),
  );
}

/** Solids in each gram of a finished food of which `whole` g were made from these lines; a lower bound. */
export const solidsPerGram = (lines: readonly Portioned[], whole: number): number => solidsOf(lines) / whole;
