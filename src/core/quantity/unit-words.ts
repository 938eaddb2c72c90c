import { plural } from './count-words';
import type { MassUnit, UnitSet, VolumeUnit } from './units';

/** What an amount is counted in. */
export type Unit =
  | { readonly kind: 'mass'; readonly unit: MassUnit }
  | { readonly kind: 'volume'; readonly unit: VolumeUnit; readonly set?: UnitSet }
  | { readonly kind: 'count'; readonly word: string; readonly size?: string };

const mass = (unit: MassUnit, words: string) => words.split(' ').map((word) => [word, { kind: 'mass', unit }] as const);
const volume = (unit: VolumeUnit, words: string) =>
  words.split(' ').map((word) => [word, { kind: 'volume', unit }] as const);
const count = (words: string) =>
  words
    .split(' ')
    .flatMap((word) => [[word, { kind: 'count', word }] as const, [plural(2, word), { kind: 'count', word }] as const]);

/** Words for units, as cooks write them. */
export const UNITS: ReadonlyMap<string, Unit> = new Map<string, Unit>([
  ...mass('g', 'g gr gm gram grams gramme grammes'),
  ...mass('kg', 'kg kgs kilo kilos kilogram kilograms'),
  ...mass('mg', 'mg milligram milligrams'),
  ...mass('lb', 'lb lbs pound pounds'),
  ...mass('oz', 'oz ounce ounces'),
  ...volume('cup', 'cup cups c'),
  ...volume('tbsp', 'tbsp tbsps tbs tb tablespoon tablespoons'),
  ...volume('tsp', 'tsp tsps teaspoon teaspoons'),
  ...volume('floz', 'floz'),
  ...volume('ml', 'ml mls millilitre millilitres milliliter milliliters cc'),
  ...volume('l', 'l litre litres liter liters'),
  ...volume('dl', 'dl decilitre decilitres'),
  ...volume('qt', 'qt qts quart quarts'),
  ...volume('pt', 'pt pint pints'),
  ...volume('gal', 'gal gallon gallons'),
  ...volume('pinch', 'pinch pinches'),
  ...volume('dash', 'dash dashes'),
  ...volume('drop', 'drop drops'),
  ...['pkg', 'pkgs', 'pkt', 'pkts'].map((word) => [word, { kind: 'count', word: 'package' }] as const),
  ...count(
    'squirt splash handful scoop stalk head bunch large medium small jumbo whole clove slice piece fillet leaf egg ' +
      'breast thigh liver wing ear root fruit bag can tin jar box pack package packet carton container spear sprig capsule ' +
      'softgel tablet pump sachet stick rib knob thumb dollop drizzle glug sprinkle patty sheet wedge block bulb ' +
      'pat floret ball cube link chop punnet tub bottle',
  ),
]);

/** What food is sold in; a weight may be printed on it. */
export const CONTAINERS: ReadonlySet<string> = new Set([
  'bag',
  'can',
  'tin',
  'jar',
  'box',
  'pack',
  'package',
  'packet',
  'carton',
  'container',
  'punnet',
  'tub',
  'bottle',
]);
