import { resolveGrams, type Resolved } from '../food/measures';
import type { Food, FoodMeasure, KnownFood } from '../food/food';
import { fine, refused, type Outcome } from '../problem';
import type { Quantity } from '../quantity/quantity';
import { readQuantity } from '../quantity/read';
import { grams, type UnitSet } from '../quantity/units';
import { boneIn } from './bone';
import type { LineEntry } from './entry-schema';
import { batchLines, type Basis, type WeighedLine } from './recipe';
import { stateOf, type BoneOfLine, type Per, type WrittenLine } from './written';
import { sure } from '../sure';

/**
 * An amount of a food as typed, read into a quantity and grams; refused in words at the field `amount`. The cook's
 * other words on the line choose between measures: grated or chopped, whole or ground.
 */
export function readLineAmount(
  amount: string,
  food: Food,
  measures: readonly FoodMeasure[],
  set: UnitSet,
  words = '',
): Outcome<Resolved & { readonly quantity: Quantity }> {
  const quantity = readQuantity(amount, set);
  if (!quantity.ok) return refused(quantity.problem.message, 'amount');
  const resolved = resolveGrams(quantity.value, food, measures, words);
  if (!resolved.ok) return refused(resolved.problem.message, 'amount');
  return fine({ ...resolved.value, quantity: quantity.value });
}

/** The bases that ask what one amount is for, with the question. */
export const ASKS_PER: Readonly<Partial<Record<Basis, string>>> = {
  line: 'For how much of that line? Write it like 1 cup or 200 g.',
  'animal protein': 'For how much animal protein? Write it like 1 lb or 500 g.',
  'finished food': 'For how much finished food? Write it like 1 lb or 1 kg.',
  'body weight and day': 'For how much dog? Write it like 10 kg or 20 lb.',
};

/** Reads what one amount of a line is for; undefined for a basis that does not ask. */
function readPer(entry: LineEntry, base: KnownFood | undefined, set: UnitSet): Outcome<Per | undefined> {
  const question = ASKS_PER[entry.basis ?? 'batch'];
  if (question === undefined) return fine(undefined);
  const text = (entry.perAmount ?? '').trim();
  const quantity = readQuantity(text, set);
  if (!quantity.ok) return refused(question, 'perAmount');
  if (entry.basis === 'line') {
    if (entry.perLine === undefined || !base) return refused('Which line is it bound to?', 'perLine');
    const weight = resolveGrams(quantity.value, base.food, base.measures);
    return weight.ok
      ? fine({ amount: weight.value.grams, line: entry.perLine, text })
      : refused(weight.problem.message, 'perAmount');
  }
  if (quantity.value.kind !== 'mass') return refused(question, 'perAmount');
  const inKg = entry.basis === 'body weight and day';
  return fine({ amount: inKg ? quantity.value.grams / 1000 : quantity.value.grams, text });
}

/** Percent that is thrown away, as a share; of a strained-out line all, where nothing else is said. */
function readRefuse(entry: LineEntry): Outcome<number> {
  const text = (entry.refuse ?? '').replace('%', '').replace(',', '.').trim();
  if (text === '') return fine(entry.strained === true ? 1 : 0);
  const percent = Number(text);
  if (!Number.isFinite(percent) || percent < 0 || percent > 100)
    return refused('A percentage from 0 to 100.', 'refuse');
  if (percent === 100 && entry.strained !== true) return refused('Then nothing of it stays.', 'refuse');
  return fine(percent / 100);
}

/**
 * Bone in a typed line: what the cook says of it, else what the words say. Undefined where there is none; a share that
 * is neither known nor said stays unknown.
 */
function readBone(entry: LineEntry, known: KnownFood): Outcome<BoneOfLine | undefined> {
  const text = (entry.bone ?? '').replace('%', '').replace(',', '.').trim();
  if (text !== '') {
    const percent = Number(text);
    return Number.isFinite(percent) && percent >= 0 && percent < 100
      ? fine({ share: percent / 100 })
      : refused('A percentage from 0 (boned) to 99.', 'bone');
  }
  const bone = boneIn(entry.preparation ?? '', known.food);
  return fine(bone && (bone.share === undefined ? {} : { share: bone.share }));
}

export interface ReadLine {
  readonly line: WrittenLine;
  readonly quantity: Quantity;
  /** How the grams were found: "1 large is 50 g". */
  readonly how: string;
}

/**
 * Reads one typed line of a recipe. `known` is its food, `base` the food of the line that it is bound to.
 * Refuses in words at the field that can be put right. Source: arithmetic; design 1 for the bases.
 */
export function readLine(
  entry: LineEntry,
  known: KnownFood | undefined,
  base: KnownFood | undefined,
  set: UnitSet,
): Outcome<ReadLine> {
  if (!known) return refused('Choose a food from the table.', 'ndb');
  if (entry.ask) return refused(entry.ask.question, 'ndb');
  const preparation = entry.preparation?.trim() ?? '';
  const amount = readLineAmount(entry.amount, known.food, known.measures, set, preparation);
  if (!amount.ok) return amount;
  const per = readPer(entry, base, set);
  if (!per.ok) return per;
  const refuse = readRefuse(entry);
  if (!refuse.ok) return refuse;
  const bone = readBone(entry, known);
  if (!bone.ok) return bone;
  // A piece that the table weighs without its bone is bought with it: the meat stays what it is.
  const share = amount.value.bone === 'out' ? (bone.value?.share ?? 0) : 0;
  return fine({
    quantity: amount.value.quantity,
    how: amount.value.how,
    line: {
      text: preparation || known.food.name,
      grams: grams(amount.value.grams / (1 - share)),
      source: known,
      part: entry.part,
      moment: entry.moment,
      basis: entry.basis ?? 'batch',
      ...(per.value && { per: per.value }),
      refuse: refuse.value,
      strained: entry.strained ?? false,
      ...(bone.value && { bone: bone.value }),
      state: entry.state ?? stateOf(known.food.name),
      ...(entry.choice?.trim() && { choice: entry.choice.trim() }),
      ...(preparation && { preparation }),
      ...(entry.component && { component: entry.component }),
    },
  });
}

/** A line that only holds words, or nothing at all. */
export const isWords = (entry: Pick<LineEntry, 'words'>): boolean => entry.words === true;
export const isBlank = (entry: Pick<LineEntry, 'amount' | 'ndb' | 'preparation'>): boolean =>
  entry.amount.trim() === '' && entry.ndb === '' && (entry.preparation ?? '').trim() === '';

export interface ReadEntry {
  /** Of each typed line, in its order: what was read, or why not; undefined for words and blank paper. */
  readonly each: readonly (Outcome<ReadLine> | undefined)[];
  /** The lines that were read, bound to each other by their own places. */
  readonly written: readonly WrittenLine[];
  /** Of each written line, the place of the typed one. */
  readonly places: readonly number[];
}

/**
 * Reads all lines of a recipe, and binds those that depend on each other. A line that is bound to one that cannot be
 * read, or to one that is itself bound to a line, is refused at its field.
 */
export function readLines(
  entries: readonly LineEntry[],
  foodOf: (key: string) => KnownFood | undefined,
  set: UnitSet,
): ReadEntry {
  const first = entries.map((entry) => {
    if (isWords(entry) || isBlank(entry)) return undefined;
    const other = entry.perLine === undefined ? undefined : entries[entry.perLine];
    return readLine(entry, foodOf(entry.ndb), other && foodOf(other.ndb), set);
  });
  const each = first.map((read, index) => {
    if (!read?.ok || read.value.line.basis !== 'line') return read;
    const at = sure(sure(read.value.line.per).line);
    const base = first[at];
    if (at === index || !base?.ok) return refused('Which line is it bound to? That one is not read.', 'perLine');
    return ['line', 'animal protein', 'finished food'].includes(base.value.line.basis)
      ? refused('That line is itself bound to others. Choose one that stands by itself.', 'perLine')
      : read;
  });
  const places = each.flatMap((read, index) => (read?.ok ? [index] : []));
  const written = places.map((place) => {
    const { line } = (each[place] as { value: ReadLine }).value;
    return line.per?.line === undefined ? line : { ...line, per: { ...line.per, line: places.indexOf(line.per.line) } };
  });
  return { each, written, places };
}

/** Refuses a recipe without a name or without anything to cook. */
export function checkRecipe(name: string, lines: readonly Pick<WeighedLine, 'moment'>[]): Outcome<string> {
  const trimmed = name.trim();
  if (trimmed === '') return refused('What is this recipe called?', 'name');
  if (trimmed.length > 80) return refused('Keep the name under 80 letters.', 'name');
  if (batchLines(lines).length === 0)
    return refused('A recipe needs at least one line that goes into the pot.', 'lines');
  return fine(trimmed);
}
