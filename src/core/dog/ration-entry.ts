import { z } from 'zod';
import { writePlain, writeKcal } from '../quantity/write';
import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { readSpan } from '../quantity/typed';
import type { Grams, UnitSet } from '../quantity/units';
import { readBodyWeight } from '../quantity/weight';
import { weightOn } from './day-energy';
import type { Dog, Ration } from './dog';
import type { FoodFacts } from './food-facts';
import { typed } from './entry-fields';
import { WORKS } from './maintenance-factor';
import type { RationMethod } from './method';
import { methodEnergy } from './method-energy';
import { NO_SCHOOL, schoolEntrySchema } from './schools/school';
import {
  isSchoolKind,
  needsFood,
  readSchool,
  SCHOOL_KINDS,
  schoolDay,
  SCHOOLS,
  toSchoolEntry,
  type SchoolKind,
} from './schools/schools';
import { idSchema } from '../schema';

const OWN_METHODS = ['table', 'factor', 'nrc', 'short form', 'kcal'] as const;
export const METHOD_CHOICES = [...OWN_METHODS, ...SCHOOL_KINDS];
export type MethodChoice = (typeof METHOD_CHOICES)[number];

const OWN_OFFERS: Readonly<Record<(typeof OWN_METHODS)[number], string>> = {
  table: 'its life: growth, goal, work, neuter status',
  factor: 'my own factor × RER',
  nrc: 'NRC, k per kg^0.75',
  'short form': 'the short form for pups and pregnancy',
  kcal: 'my own kcal a day',
};

/** The ways to set a day, in the words that choose them. */
export const METHOD_OFFERS: readonly { readonly value: MethodChoice; readonly label: string }[] = [
  ...OWN_METHODS.map((value) => ({ value, label: OWN_OFFERS[value] })),
  ...SCHOOL_KINDS.map((value) => ({ value, label: SCHOOLS[value].offer })),
];

/** How a dog's day is to be set, as typed. */
export const rationEntrySchema = z.object({
  method: z.enum(METHOD_CHOICES),
  work: z.enum(WORKS),
  proneToGain: z.boolean(),
  goal: typed.number,
  factor: typed.number,
  k: typed.number,
  kcal: typed.number,
  school: schoolEntrySchema,
  /** The recipe that a school is reckoned with. */
  recipeId: idSchema.nullable(),
  from: typed.day,
  reason: typed.note,
  /** The cook has seen that the amount is far from what the energy method allows, and means it. */
  sure: z.boolean().optional(),
});
export type RationEntry = Readonly<z.infer<typeof rationEntrySchema>>;

export type ReadRation =
  | { readonly ok: true; readonly value: Pick<Ration, 'from' | 'work' | 'proneToGain' | 'method' | 'goal'> }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const FURTHEST_DAYS = 90;

/**
 * Reads a ration as typed, every problem at its field. A school needs a food to become kcal; `foods` gives what is
 * known of each recipe. Refuses figures that no dog lives on.
 */
export function readRationEntry(
  entry: RationEntry,
  dog: Dog,
  given: { readonly set: UnitSet; readonly today: LocalDate; readonly foods: ReadonlyMap<number, FoodFacts> },
): ReadRation {
  const { set, today, foods } = given;
  const problems: Problem[] = [];
  const from = readLocalDate(entry.from);
  if (!from) problems.push({ field: 'from', message: 'From which day on?' });
  else if (from < today) problems.push({ field: 'from', message: 'What was fed before today is history.' });
  else if (daysBetween(today, from) > FURTHEST_DAYS)
    problems.push({ field: 'from', message: `At most ${FURTHEST_DAYS} days ahead.` });

  const weight = weightOn(dog, from ?? today);
  const goal = readGoal(entry.goal, weight, set, problems);
  const method = isSchoolKind(entry.method)
    ? readSchoolMethod(entry.method, entry, weight, set, foods, problems)
    : readPlainMethod(entry, problems);
  const far = method?.kind === 'school' ? farOff(method, dog, from ?? today, entry) : undefined;
  if (far !== undefined && entry.sure !== true) problems.push({ field: 'sure', message: far });
  if (problems.length > 0 || !method) return { ok: false, problems };
  return {
    ok: true,
    value: { from: from ?? today, work: entry.work, proneToGain: entry.proneToGain, goal, method },
  };
}

/** Under 0.8 times the low end or over 1.25 times the high end of the energy method a school's amount asks (ours). */
const FAR = { low: 0.8, high: 1.25 };

/** What is said of a school's amount that is far from what the dog's energy method allows; undefined where it is near. */
function farOff(
  method: Extract<RationMethod, { kind: 'school' }>,
  dog: Dog,
  day: LocalDate,
  { work, proneToGain }: RationEntry,
): string | undefined {
  const weight = weightOn(dog, day);
  const said = schoolDay(method.school, weight, method.food);
  if (!said.ok) return undefined;
  const by = methodEnergy(dog, { from: day, work, proneToGain, method: { kind: 'table' } }, weight, day);
  const [low, high] = by.range;
  const kcal = said.value.mark;
  if (kcal >= low * FAR.low && kcal <= high * FAR.high) return undefined;
  const usual = low === high ? `about ${writeKcal(low)}` : `${writeKcal(low)} to ${writeKcal(high)}`;
  return `That is ${writeKcal(kcal)} kcal a day; by its energy ${usual} are usual (${by.because}). Is it meant so?`;
}

function readGoal(text: string, weight: Grams, set: UnitSet, problems: Problem[]): Grams | undefined {
  if (text.trim() === '') return undefined;
  const goal = readBodyWeight(text, set);
  if (!goal.ok) problems.push({ ...goal.problem, field: 'goal' });
  else if (goal.value < weight * 0.5 || goal.value > weight * 1.5) {
    problems.push({ field: 'goal', message: 'That is more than half its weight away. Check the number and its unit.' });
  } else return goal.value;
  return undefined;
}

function readPlainMethod(entry: RationEntry, problems: Problem[]): RationMethod | undefined {
  const number = (field: 'factor' | 'kcal' | 'k', low: number, high: number, message: string) => {
    const read = readSpan(entry[field]);
    if (read.ok && read.value.low === read.value.high && read.value.low >= low && read.value.low <= high) {
      return read.value.low;
    }
    problems.push({ field, message });
    return low;
  };
  switch (entry.method) {
    case 'factor':
      return { kind: 'factor', factor: number('factor', 0.5, 12, 'A factor from 0.5 to 12, such as 1.4.') };
    case 'nrc':
      return { kind: 'nrc', k: number('k', 60, 300, 'k from 60 to 300; 95 inactive, 130 active.') };
    case 'kcal':
      return { kind: 'kcal', kcal: number('kcal', 20, 20_000, 'kcal a day, from 20 to 20 000.') };
    case 'short form':
      return { kind: 'short form' };
    default:
      return { kind: 'table' };
  }
}

function readSchoolMethod(
  kind: SchoolKind,
  entry: RationEntry,
  weight: Grams,
  set: UnitSet,
  foods: ReadonlyMap<number, FoodFacts>,
  problems: Problem[],
): RationMethod | undefined {
  const school = readSchool(kind, entry.school, set);
  if (!school.ok) {
    problems.push(...school.problems.map((problem) => ({ ...problem, field: `school.${problem.field}` })));
    return undefined;
  }
  const food = entry.recipeId === null ? undefined : foods.get(entry.recipeId);
  if (!food && needsFood(kind, entry.school)) {
    problems.push({ field: 'recipeId', message: 'With which food? A school knows kcal only through one.' });
    return undefined;
  }
  const facts = food ?? { name: 'any food', density: 1, measured: false };
  const said = schoolDay(school.value, weight, facts);
  if (!said.ok) {
    problems.push({
      field: said.problem.field === 'bands' ? 'school.bands.0.weight' : 'recipeId',
      message: said.problem.message,
    });
    return undefined;
  }
  return { kind: 'school', school: school.value, food: facts };
}

/** The ration in force as a cook would type it. */
export function toRationEntry(
  ration: Ration,
  today: LocalDate,
  recipeIdOf: (food: FoodFacts) => number | null,
  writeGoal: (goal: Grams) => string,
): RationEntry {
  const { method } = ration;
  const school = method.kind === 'school' ? method.school : undefined;
  return {
    method: school ? school.kind : (method.kind as MethodChoice),
    work: ration.work,
    proneToGain: ration.proneToGain,
    goal: ration.goal === undefined ? '' : writeGoal(ration.goal),
    factor: method.kind === 'factor' ? writePlain(method.factor, 3) : '1.4',
    k: method.kind === 'nrc' ? String(method.k) : '95',
    kcal: method.kind === 'kcal' ? String(Math.round(method.kcal)) : '',
    school: school ? toSchoolEntry(school) : NO_SCHOOL,
    recipeId: method.kind === 'school' ? recipeIdOf(method.food) : null,
    from: today,
    reason: '',
  };
}
