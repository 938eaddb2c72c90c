import { z } from 'zod';
import { fine, refused, type Outcome, type Problem } from '../../problem';
import { readSpan } from '../../quantity/typed';
import { kilocalories, type Grams, type Kilocalories, type UnitSet } from '../../quantity/units';
import { writeNumber } from '../../quantity/write';
import { bandEntrySchema } from '../bands-entry';
import type { FoodFacts } from '../food-facts';

/** An amount of a rule; nothing that a dog eats is larger. */
export const amount = z.number().positive().max(100_000);
export const number = writeNumber;

/** A school's figures as typed; which of them count depends on the school. */
export const schoolEntrySchema = z.object({
  amount: z.string().max(40),
  per: z.string().max(40),
  unit: z.enum(['g', 'cup', 'kcal']),
  by: z.string().max(80),
  makes: z.string().max(40),
  bands: z.array(bandEntrySchema).max(30),
});
export type SchoolEntry = Readonly<z.infer<typeof schoolEntrySchema>>;
export type SchoolUnit = SchoolEntry['unit'];

export const NO_SCHOOL: SchoolEntry = { amount: '', per: '', unit: 'g', by: '', makes: '1', bands: [] };

/** What a school gives a dog of a food, a day. */
export interface SchoolDay {
  readonly low: Kilocalories;
  readonly mark: Kilocalories;
  readonly high: Kilocalories;
  /** The sum written out, in this case's figures. */
  readonly steps: readonly { readonly what: string; readonly sum: string }[];
}

/** What reads the fields of a school: a figure or a range, and where a problem is kept. */
export interface SchoolReader {
  readonly entry: SchoolEntry;
  readonly set: UnitSet;
  readonly span: (field: 'amount' | 'per' | 'makes') => { readonly low: number; readonly high: number };
  readonly one: (field: 'amount' | 'per' | 'makes') => number;
  readonly refuse: (problem: Problem) => void;
}

/** A reader that collects problems; what cannot be read is 1 until they are mended. */
export function readerOf(entry: SchoolEntry, set: UnitSet, problems: Problem[]): SchoolReader {
  const span: SchoolReader['span'] = (field) => {
    const read = readSpan(entry[field]);
    if (!read.ok) problems.push({ message: read.problem.message, field });
    return read.ok ? read.value : { low: 1, high: 1 };
  };
  return {
    entry,
    set,
    span,
    one(field) {
      const { low, high } = span(field);
      if (low !== high) problems.push({ message: 'One number here, not a range.', field });
      return low;
    },
    refuse: (problem) => problems.push(problem),
  };
}

/**
 * A rule of thumb, whole: its figures, how it is said, typed, read and written again, and what it gives a dog. A new one
 * is a file beside the others and a line in `schools.ts`. Written as methods, so that the list may call any of them.
 */
export interface PortionSchool<Own extends { readonly kind: string }> {
  readonly schema: z.ZodType<Own>;
  /** The words that choose it where a ration is set. */
  readonly offer: string;
  /** The words that choose it where it is only laid beside; without them it always stands there. */
  readonly beside: string | undefined;
  /** The figures that cooks use most; none where they are what this cook alone knows. */
  readonly usual: Own | undefined;
  /** Its figures as a cook would begin to type them. */
  readonly begins: Partial<SchoolEntry>;
  /** What its fields are called; a field without a name is not asked for. */
  readonly fields: Readonly<Partial<Record<'amount' | 'per' | 'by' | 'makes' | 'unit' | 'bands', string>>>;
  readonly units: readonly SchoolUnit[];
  read(reader: SchoolReader): Own;
  write(own: Own): Partial<SchoolEntry>;
  /** The rule in words. */
  say(own: Own): string;
  /** Whose figure it is, where somebody set it. */
  setBy(own: Own): string | undefined;
  /** Whether it needs a food to become kcal. */
  needsFood(entry: Pick<SchoolEntry, 'unit'>): boolean;
  /** What it gives a dog of a weight in g of a food, a day; refuses where the food lacks what the rule counts in. */
  day(own: Own, weight: Grams, food: FoodFacts): Outcome<SchoolDay>;
}

/** What a rule of thumb of the kitchen is like unless its file says otherwise. */
export const ruleOfThumb = { setBy: () => undefined, needsFood: () => true } as const;

export interface Eaten {
  readonly low: number;
  readonly high: number;
  readonly steps: SchoolDay['steps'];
}

/** A range in words; one figure where both ends are the same. */
export const span = (low: number, high: number) =>
  high - low < 0.05 ? number(low) : `${number(low)} to ${number(high)}`;

/** A range as it is typed. */
export const typedSpan = (low: number, high: number) => (low === high ? String(low) : `${low}-${high}`);

/** "once", "twice", "3 times". */
export const times = (meals: number) => (meals === 1 ? 'once' : meals === 2 ? 'twice' : `${meals} times`);

/** g eaten of a food, as kcal. */
export const fromGrams = ({ low, high, steps }: Eaten, food: FoodFacts): SchoolDay => ({
  low: kilocalories(low * food.density),
  mark: kilocalories(((low + high) / 2) * food.density),
  high: kilocalories(high * food.density),
  steps: [
    ...steps,
    {
      what: food.name,
      sum: `${span(low, high)} g × ${number(food.density, 3)} kcal/g = ${span(low * food.density, high * food.density)} kcal`,
    },
  ],
});

/** Cups eaten of a food, as kcal; refuses where nobody weighed a cup of it. */
export function fromCups({ low, high, steps }: Eaten, food: FoodFacts): Outcome<SchoolDay> {
  const { gramsPerCup } = food;
  if (gramsPerCup === undefined) return refused(`Weigh one cup of ${food.name}: then its cups become kcal.`, 'cup');
  const sum = `${span(low, high)} cups × ${number(gramsPerCup)} g = ${span(low * gramsPerCup, high * gramsPerCup)} g`;
  const weighed = {
    low: low * gramsPerCup,
    high: high * gramsPerCup,
    steps: [...steps, { what: 'a weighed cup', sum }],
  };
  return fine(fromGrams(weighed, food));
}

/** A body weight in pounds with its words, as the rules count it. */
export const poundsOfDog = (pounds: number) => `${number(pounds)} lb of dog`;
