import type { Food } from '../food/food';
import type { WeighedLine } from './recipe';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** Hatch patterns that tell proteins apart without colour. */
export const HATCHES = ['diagonal', 'waves', 'dots', 'upright', 'crossed', 'chevrons', 'level', 'bricks'] as const;
export type Hatch = (typeof HATCHES)[number];

/** The protein of a recipe and its batches: a hatch and the word that names it. */
export interface Protein {
  readonly word: string;
  readonly hatch: Hatch;
}

const KNOWN: readonly [RegExp, string, Hatch][] = [
  [/\bdeer\b/, 'venison', 'diagonal'],
  [/\bgoat\b/, 'goat', 'dots'],
  [/\bpollock\b/, 'pollock', 'waves'],
  [/\b(salmon|trout)\b/, 'salmon', 'waves'],
  [/^fish|^mollusks|^crustaceans/, 'fish', 'waves'],
  [/\bturkey\b/, 'turkey', 'chevrons'],
  [/\bduck\b/, 'duck', 'bricks'],
  [/\bchicken\b/, 'chicken', 'chevrons'],
  [/\bbeef\b/, 'beef', 'crossed'],
  [/\bpork\b/, 'pork', 'upright'],
  [/\blamb\b/, 'lamb', 'level'],
  [/\brabbit\b/, 'rabbit', 'bricks'],
  [/\begg\b/, 'egg', 'level'],
];

/** Groups of the table that are of one animal, or of its milk. */
const BY_GROUP: Readonly<Record<string, string>> = { Beef: 'beef', Pork: 'pork', 'Fish and shellfish': 'fish' };
const ANIMAL_GROUPS = new Set([
  'Beef',
  'Pork',
  'Poultry',
  'Lamb, veal and game',
  'Fish and shellfish',
  'Dairy and egg',
  'Fats and oils',
]);

/** Every word that names the animal a food is of: a pollock is also a fish. Empty for plants. */
export function proteinsOf(food: Pick<Food, 'name' | 'group'>): string[] {
  if (!ANIMAL_GROUPS.has(food.group)) return [];
  const name = food.name.toLowerCase();
  const words = KNOWN.filter(([pattern]) => pattern.test(name)).map(([, word]) => word);
  const byGroup = BY_GROUP[food.group];
  if (byGroup !== undefined) words.push(byGroup);
  if (food.group === 'Dairy and egg' && !words.includes('egg')) words.push('milk');
  return [...new Set(words)];
}

/** The animals that a cook may name, in the order of the kitchen. */
export const PROTEIN_WORDS: readonly string[] = [...new Set([...KNOWN.map(([, word]) => word), 'milk'])];

const PROTEIN_PARTS = new Set(['muscle', 'muscular organ', 'secreting organ', 'egg', 'dairy']);

/** The protein of a recipe: that of its heaviest animal line; a recipe without one is "plants", in bricks. */
export function proteinOf(lines: readonly Pick<WeighedLine, 'grams' | 'part' | 'food'>[]): Protein {
  const animal = lines.filter((line) => PROTEIN_PARTS.has(line.part)).sort((a, b) => b.grams - a.grams)[0];
  if (!animal) return { word: 'plants', hatch: 'bricks' };
  const name = animal.food.name.toLowerCase();
  const known = KNOWN.find(([words]) => words.test(name));
  if (known) return { word: known[1], hatch: known[2] };
  const word = name.replace(/^game meat, /, '').split(/[, ]/)[0] ?? name;
  return {
    word,
    hatch: nth(HATCHES, addUp([...word], (letter) => letter.charCodeAt(0)) % HATCHES.length),
  };
}
