import { fine, refused, type Outcome } from '../problem';
import type { Quantity } from '../quantity/quantity';
import {
  GRAMS_PER_POUND,
  US_CUP_ML,
  grams,
  volumeOf,
  type Grams,
  type UnitSet,
  type VolumeUnit,
} from '../quantity/units';
import { isWater, type Food, type FoodMeasure } from './food';

/** Grams of one mL of a food, and the measure that says so. */
export interface Density {
  readonly gramsPerMl: number;
  readonly from: string;
}

/** A weight found for a quantity, and how: "1 large is 50 g". */
export interface Resolved {
  readonly grams: Grams;
  readonly how: string;
}

/** No home kitchen cooks more of one thing at once; above it an amount is taken for a slip (common practice, no source). */
export const LARGEST_LINE_G = grams(200_000);

/** Ground meat is about two cups a pound, other meat likewise (handbook 4, common practice, no source). */
export const MEAT_G_PER_ML = GRAMS_PER_POUND / (2 * US_CUP_ML);

const TABLE_VOLUMES: readonly [words: RegExp, millilitres: number, unit: VolumeUnit][] = [
  [/^cup\b/i, US_CUP_ML, 'cup'],
  [/^(tbsp|tablespoon)\b/i, volumeOf('tbsp', 'us'), 'tbsp'],
  [/^(tsp|teaspoon)\b/i, volumeOf('tsp', 'us'), 'tsp'],
  [/^fl oz\b/i, volumeOf('floz', 'us'), 'floz'],
  [/^(quart|qt)\b/i, volumeOf('qt', 'us'), 'qt'],
];

/** A yield measure tells what is left after cooking or pitting: never a raw amount. */
const tellsRawAmount = (measure: FoodMeasure) =>
  !/yield/i.test(measure.unit) && measure.amount > 0 && measure.grams > 0;

/**
 * How heavy one mL of a food is, by the table's measure in the unit asked for, else by its first volume measure;
 * water is 1 g/mL. Undefined where the table has none: a cup of an unknown food is not 236 g.
 */
export function densityOf(food: Food, measures: readonly FoodMeasure[], asked?: VolumeUnit): Density | undefined {
  if (isWater(food)) return { gramsPerMl: 1, from: '1 mL of water is 1 g' };
  if (asked !== undefined)
    return firstDensity(
      measures,
      [...TABLE_VOLUMES].sort((a, b) => Number(b[2] === asked) - Number(a[2] === asked)),
    );
  const known = densities.get(measures);
  if (known) return known.density;
  const density = firstDensity(measures, TABLE_VOLUMES);
  densities.set(measures, { density });
  return density;
}

/** Looked up once for the measures of a food: a plan asks for them at every key. */
const densities = new WeakMap<readonly FoodMeasure[], { readonly density: Density | undefined }>();

function firstDensity(measures: readonly FoodMeasure[], units: typeof TABLE_VOLUMES): Density | undefined {
  for (const [unit, volume] of units) {
    const measure = measures.find((candidate) => tellsRawAmount(candidate) && unit.test(candidate.unit));
    if (measure) {
      const gramsPerMl = measure.grams / (measure.amount * (measure.millilitres ?? volume));
      return { gramsPerMl, from: `${measure.amount} ${measure.unit} is ${measure.grams} g` };
    }
  }
  return undefined;
}

/** A measure that this kitchen weighed, or that a label counts in: its cup and spoon are the household's own. */
export function ownMeasure(unit: string, grams: number, set: UnitSet): FoodMeasure {
  const spoon = TABLE_VOLUMES.find(([, , name]) => name === unit);
  return { amount: 1, unit, grams, ...(spoon ? { millilitres: volumeOf(spoon[2], set) } : {}) };
}

const SIZES = ['extra large', 'large', 'medium', 'small', 'jumbo'];
/** Other words for a stalk of celery. */
const STALKS = new Set(['stick', 'rib']);
const ANY_PIECE = new Set(['whole', 'piece', 'egg', 'fruit', 'root', '']);

/** The table's measure for a counted word: "large" finds "large (7-1/4" …)" and "Potato large (3" …)". */
function pieceMeasure(word: string, measures: readonly FoodMeasure[]): FoodMeasure | undefined {
  const usable = measures.filter(
    (measure) => tellsRawAmount(measure) && !TABLE_VOLUMES.some(([unit]) => unit.test(measure.unit)),
  );
  const leading = (measure: FoodMeasure) => measure.unit.toLowerCase().split(/[,(]/)[0]!.trim();
  // "stalk, large" and "stalk, medium": a stalk of no size is a middling one.
  const named = (name: string) =>
    usable.find((measure) => leading(measure) === name && /\bmedium\b/i.test(measure.unit)) ??
    usable.find((measure) => leading(measure) === name) ??
    usable.find((measure) => leading(measure).endsWith(` ${name}`) && !/slice|strip/.test(leading(measure))) ??
    usable.find((measure) => leading(measure).startsWith(`${name} `));
  if (word !== '' && word !== 'whole') {
    const match = named(word) ?? (STALKS.has(word) ? named('stalk') : undefined);
    if (match || !ANY_PIECE.has(word)) return match;
  }
  // A bare count means a middling piece: by its size word, or by the food's own name ("beet (2" dia)").
  return (
    named('medium') ??
    usable.find(
      (measure) =>
        !/^(oz|lb|package|can|container|serving|slice|strip|nlea|patty|unit)/i.test(leading(measure)) &&
        !SIZES.includes(leading(measure)),
    )
  );
}

const listMeasures = (measures: readonly FoodMeasure[]) =>
  measures
    .filter(tellsRawAmount)
    .slice(0, 4)
    .map((measure) => `${measure.amount} ${measure.unit} (${measure.grams} g)`)
    .join(', ');

const ownWords = (text: string) => new Set(text.toLowerCase().match(/[a-z]{4,}/g) ?? []);

/**
 * The measures with those first that the cook's words speak of: a cup of carrots, grated, is not a cup chopped.
 * Source: common practice, no source.
 */
export function preferring(measures: readonly FoodMeasure[], words: string): readonly FoodMeasure[] {
  const said = ownWords(words);
  if (said.size === 0) return measures;
  const spoken = (measure: FoodMeasure) => Number([...ownWords(measure.unit)].some((word) => said.has(word)));
  return [...measures].sort((a, b) => spoken(b) - spoken(a));
}

/**
 * Turns a written quantity of a food into grams, by that food's own household measures.
 *
 * Takes the quantity, the food and its measures; returns g and how they were found. Refuses a volume or a count
 * for which the food has no measure, and an amount that no home kitchen cooks.
 * Source: USDA SR 24 household measures; never a cup taken as 236 g.
 */
export function resolveGrams(quantity: Quantity, food: Food, measures: readonly FoodMeasure[]): Outcome<Resolved> {
  const found = find(quantity, food, measures);
  if (found.ok && found.value.grams > LARGEST_LINE_G) {
    return refused(
      `That is ${Math.round(found.value.grams / 1000)} kg, more than a home kitchen cooks at once. Check the amount.`,
    );
  }
  if (found.ok && found.value.grams < 0.001)
    return refused('That is less than any kitchen scale can show. Check the amount.');
  return found;
}

function find(quantity: Quantity, food: Food, measures: readonly FoodMeasure[]): Outcome<Resolved> {
  if (quantity.kind === 'mass') return fine({ grams: grams(quantity.grams), how: 'weighed' });
  if (quantity.kind === 'volume') {
    const density = densityOf(food, measures, quantity.unit);
    if (!density)
      return refused(`There is no cup or spoon of “${food.name}” in the food table. Write a weight (g, oz or lb).`);
    return fine({ grams: grams(quantity.millilitres * density.gramsPerMl), how: density.from });
  }
  const measure = pieceMeasure(quantity.word, measures);
  if (!measure) {
    const known = listMeasures(measures);
    const asked = quantity.word === '' ? 'A bare number' : `“${quantity.word}”`;
    return refused(
      `${asked} is no weight for “${food.name}”. ${known ? `The table knows ${known}. ` : ''}Write a weight (g, oz or lb).`,
    );
  }
  return fine({
    grams: grams((quantity.count * measure.grams) / measure.amount),
    how: `${measure.amount} ${measure.unit} is ${measure.grams} g`,
  });
}
