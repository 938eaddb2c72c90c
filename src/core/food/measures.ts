import { z } from 'zod';
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
import { foldWords } from './fold';
import { isWater, type Food, type FoodMeasure } from './food';
import { nth, sure } from '../sure';

/** Grams of one mL of a food, and the measure that says so. */
export interface Density {
  readonly gramsPerMl: number;
  readonly from: string;
}

/** A weight found for a quantity, and how: "1 large is 50 g". */
export interface Resolved {
  readonly grams: Grams;
  readonly how: string;
  /** Whether the weight of a counted piece is with its bone; unsaid where it was weighed. */
  readonly bone?: 'in' | 'out';
}

/** No home kitchen cooks more of one thing at once; above it an amount is taken for a slip (common practice, no source). */
export const LARGEST_LINE_G = grams(200_000);

/** What one measure of a food weighs in a kitchen, as a form and a file have it: "cup", in g. */
export const measureSchema = z.object({
  unit: z.string().trim().toLowerCase().min(1).max(40),
  grams: z.number().positive().max(LARGEST_LINE_G),
});

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
  return { amount: 1, unit, grams, own: true, ...(spoon ? { millilitres: volumeOf(spoon[2], set) } : {}) };
}

const SIZES = ['extra large', 'large', 'medium', 'small', 'jumbo'];
/** Other words for a piece. */
const SAME_PIECE: Readonly<Record<string, readonly string[]>> = {
  stick: ['stalk'],
  rib: ['stalk'],
  tin: ['can'],
  pack: ['package', 'packet'],
  packet: ['package'],
  box: ['package'],
  fillet: ['each'],
  ball: ['each'],
  bunch: ['head'],
};
const ANY_PIECE = new Set(['whole', 'piece', 'egg', 'fruit', 'root', 'breast', 'thigh', 'liver', 'wing', '']);

const holds = (line: ReadonlySet<string>, said: string) => foldWords(said).every((word) => line.has(word));

/** The count that the words name; the longest name wins, and without one the first whose thing is named at all. */
function counted(unit: string, measures: readonly FoodMeasure[], words: string): FoodMeasure | undefined {
  const own = measures.filter((measure) => measure.said !== undefined && measure.unit === unit);
  const line = new Set([...foldWords(words), ...foldWords(unit)]);
  const named = own
    .filter((measure) => holds(line, sure(measure.said)))
    .sort((a, b) => foldWords(sure(b.said)).length - foldWords(sure(a.said)).length);
  return named[0] ?? own.find((measure) => line.has(sure(foldWords(sure(measure.said)).at(-1))));
}

/** The table's measure for a counted word: "large" finds "large (7-1/4" …)" and "Potato large (3" …)". */
function pieceMeasure(
  { word, size }: { readonly word: string; readonly size?: string },
  measures: readonly FoodMeasure[],
  words: string,
): FoodMeasure | undefined {
  const usable = measures.filter(
    (measure) =>
      measure.said === undefined && tellsRawAmount(measure) && !TABLE_VOLUMES.some(([unit]) => unit.test(measure.unit)),
  );
  const leading = (measure: FoodMeasure) => nth(measure.unit.toLowerCase().split(/[,(]/), 0).trim();
  // "stalk, large" and "stalk, medium": a stalk of no size is a middling one.
  const named = (name: string, wanted = 'medium') =>
    usable.find((measure) => leading(measure) === name && new RegExp(`\\b${wanted}\\b`, 'i').test(measure.unit)) ??
    usable.find((measure) => leading(measure) === name) ??
    usable.find((measure) => leading(measure).endsWith(` ${name}`) && !/slice|strip/.test(leading(measure))) ??
    usable.find((measure) => leading(measure).startsWith(`${name} `));
  if (size !== undefined) {
    const sized = usable.find(
      (measure) => leading(measure) === `${size} ${word}` || leading(measure) === `${word} ${size}`,
    );
    const bySize = usable.find(
      (measure) => leading(measure) === word && new RegExp(`\\b${size}\\b`, 'i').test(measure.unit),
    );
    const found = sized ?? bySize ?? counted(`${size} ${word}`, measures, words);
    if (found || size !== 'medium') return found;
  }
  if (SIZES.includes(word)) {
    // Of some foods the size belongs to the name of the piece: an egg of no size is a large one.
    const spoken = counted('each', measures, `${word} ${words}`);
    const whole = usable.find(
      (measure) =>
        /^(head|fruit|root|bulb|squash|melon|pepper)$/.test(leading(measure)) &&
        new RegExp(`\\b${word}\\b`, 'i').test(measure.unit),
    );
    return named(word) ?? whole ?? (word === 'medium' || spoken?.said?.startsWith(word) === true ? spoken : undefined);
  }
  if (word !== '' && word !== 'whole') {
    const units = [word, ...(SAME_PIECE[word] ?? [])];
    for (const unit of units) {
      const match = usable.find(
        (measure) => leading(measure) === unit && measure.millilitres === undefined && isOwn(measure),
      );
      if (match) return match;
    }
    for (const unit of units) {
      const match = counted(unit, measures, words) ?? (unit === 'each' ? undefined : named(unit));
      if (match) return match;
    }
    if (!ANY_PIECE.has(word)) return undefined;
  }
  // A bare count: what this kitchen weighed, the list of what one weighs, then a middling piece of the table.
  return (
    usable.find((measure) => measure.unit === 'whole' && isOwn(measure)) ??
    counted('each', measures, words) ??
    named('medium') ??
    usable.find(
      (measure) =>
        !/^(oz|lb|package|can|container|serving|slice|strip|nlea|patty|unit)/i.test(leading(measure)) &&
        !SIZES.includes(leading(measure)),
    )
  );
}

/** Measures that were weighed here stand before those of the list and of the table. */
const isOwn = (measure: FoodMeasure) => measure.own === true;

/** "1 carrot", "1 can of canned tuna", "1 cup chopped". */
const sayMeasure = ({ amount, unit, said }: FoodMeasure) =>
  said === undefined ? `${amount} ${unit}` : unit === 'each' ? `1 ${said}` : `1 ${unit} of ${said}`;

const listMeasures = (measures: readonly FoodMeasure[]) =>
  measures
    .filter(tellsRawAmount)
    .slice(0, 4)
    .map((measure) => `${sayMeasure(measure)} (${measure.grams} g)`)
    .join(', ');

/** Words for the same cut. */
const SAME_CUT: readonly (readonly string[])[] = [
  ['grated', 'shredded'],
  ['chopped', 'diced', 'cubed', 'cubes', 'pieces'],
  ['sliced', 'slices'],
  ['mashed', 'pureed', 'puree'],
];

function ownWords(text: string): ReadonlySet<string> {
  const said =
    text
      .toLowerCase()
      .replace(/é/g, 'e')
      .match(/[a-z]{4,}/g) ?? [];
  return new Set(said.map((word) => SAME_CUT.find((same) => same.includes(word))?.[0] ?? word));
}

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
export function resolveGrams(
  quantity: Quantity,
  food: Food,
  measures: readonly FoodMeasure[],
  words = '',
): Outcome<Resolved> {
  const found = find(quantity, food, preferring(measures, words), words);
  if (found.ok && found.value.grams > LARGEST_LINE_G) {
    return refused(
      `That is ${Math.round(found.value.grams / 1000)} kg, more than a home kitchen cooks at once. Check the amount.`,
    );
  }
  if (found.ok && found.value.grams < 0.001)
    return refused('That is less than any kitchen scale can show. Check the amount.');
  return found;
}

/** What is left of cans whose printed weight is with their liquid, when the cook drains them. */
function drained(quantity: Quantity & { kind: 'mass' }, measures: readonly FoodMeasure[], words: string) {
  const can = measures.find((measure) => measure.unit === 'can' && measure.net !== undefined);
  const poured = /\bdrain/i.test(words) && (quantity.container === 'can' || quantity.container === 'tin');
  if (!can || !poured) return undefined;
  return {
    grams: grams((quantity.grams * can.grams) / sure(can.net)),
    how: `drained: ${can.grams} g are left of ${can.net} g`,
  };
}

function find(quantity: Quantity, food: Food, measures: readonly FoodMeasure[], words: string): Outcome<Resolved> {
  if (quantity.kind === 'mass')
    return fine(drained(quantity, measures, words) ?? { grams: grams(quantity.grams), how: 'weighed' });
  if (quantity.kind === 'volume') {
    const density = densityOf(food, measures, quantity.unit);
    if (!density)
      return refused(`There is no cup or spoon of “${food.name}” in the food table. Write a weight (g, oz or lb).`);
    return fine({ grams: grams(quantity.millilitres * density.gramsPerMl), how: density.from });
  }
  const measure = pieceMeasure(quantity, measures, `${words} ${food.name}`);
  if (!measure) {
    const known = listMeasures(measures);
    const asked = quantity.word === '' ? 'A bare number' : `“${quantity.word}”`;
    return refused(
      `${asked} is no weight for “${food.name}”. ${known ? `The table knows ${known}. ` : ''}Write a weight (g, oz or lb).`,
    );
  }
  return fine({
    grams: grams((quantity.count * measure.grams) / measure.amount),
    how: `${sayMeasure(measure)} is ${measure.grams} g`,
    ...(measure.bone === undefined ? {} : { bone: measure.bone }),
  });
}
