import type { LocalDate } from '../calendar/local-date';
import type { Explanation } from '../explanation';
import { GRAMS_PER_OUNCE, type Kilocalories } from '../quantity/units';
import { writeKcal, writeNumber } from '../quantity/write';
import { dayEnergy, weightOn, type DayEnergy } from './day-energy';
import { rationOn, type Dog } from './dog';
import type { FoodFacts } from './food-facts';
import { NRC_FACTORS, type RationMethod } from './method';
import { methodEnergy, nrcEnergy } from './method-energy';
import { sayRule, schoolDay, setBy, USUAL_SCHOOLS, type School } from './schools/schools';
import { lifeStage, type LifeStage } from './stage';

/** One school's answer to how much, on the common kcal axis. */
export interface SchoolMark {
  readonly key: string;
  /** The school: energy, protein, cups … */
  readonly school: string;
  readonly rule: string;
  readonly inForce: boolean;
  /** In kcal/day; absent where the food lacks what the rule counts in, and `missing` says what. */
  readonly kcal: { readonly low: number; readonly mark: number; readonly high: number } | undefined;
  readonly missing: string | undefined;
  readonly explanation: Explanation;
}

export interface Spread {
  readonly energy: DayEnergy;
  readonly marks: readonly SchoolMark[];
  /** What the spread means, in words. */
  readonly said: string;
}

/** Amounts of a food that hold some kcal: g, cups and 1-oz pieces a day. Cups need a weighed cup. */
export function amountsOf(kcal: number, food: FoodFacts) {
  const grams = kcal / food.density;
  return {
    grams,
    cups: food.gramsPerCup === undefined ? undefined : grams / food.gramsPerCup,
    pieces: grams / GRAMS_PER_OUNCE,
  };
}

/** The energy methods that are worth laying beside the one in force at this time of life. */
function energyMethods(stage: LifeStage): { key: string; rule: string; method: RationMethod }[] {
  const nrc = (words: readonly string[]) =>
    NRC_FACTORS.filter((each) => words.includes(each.words)).map(({ k, words: kind }) => ({
      key: `nrc-${k}`,
      rule: `NRC, ${kind}, ${k}`,
      method: { kind: 'nrc' as const, k },
    }));
  switch (stage.kind) {
    case 'pup':
    case 'gestation':
      return [{ key: 'short-form', rule: 'short form, × RER', method: { kind: 'short form' } }];
    case 'lactation':
      return nrc(['active']);
    case 'senior':
      return nrc(['active', 'older', 'inactive']);
    case 'adult':
      return nrc(['active', 'inactive']);
  }
}

/**
 * Every school's answer for one dog and one food, side by side.
 *
 * Takes the dog, the day, the food, and the rules to lay beside the usual ones (a label's table, like for like).
 * The energy methods do not know the food, so their marks do not move with it. Source: named with each.
 */
export function schoolSpread(dog: Dog, day: LocalDate, food: FoodFacts, further: readonly School[] = []): Spread {
  const ration = rationOn(dog, day);
  const weight = weightOn(dog, day);
  const energy = dayEnergy(dog, day);
  const table = methodEnergy(dog, { ...ration, method: { kind: 'table' } }, weight, day);
  const energyMark = (key: string, rule: string, method: RationMethod): SchoolMark => {
    const said =
      method.kind === 'nrc' ? nrcEnergy(method.k, weight) : methodEnergy(dog, { ...ration, method }, weight, day);
    return {
      key,
      school: 'energy',
      rule,
      inForce: sameMethod(ration.method, method),
      kcal: { low: said.range[0], mark: said.kcal, high: said.range[1] },
      missing: undefined,
      explanation: { title: `${rule}: ${writeKcal(said.kcal)} kcal`, steps: said.steps, source: said.source },
    };
  };
  const own: SchoolMark[] =
    ration.method.kind === 'kcal' || ration.method.kind === 'factor'
      ? [energyMark('own', energy.because, ration.method)]
      : [];
  const methods = energyMethods(lifeStage(dog, day));
  const chosenNrc =
    ration.method.kind === 'nrc' && !methods.some((each) => sameMethod(each.method, ration.method))
      ? [energyMark('nrc', energy.because, ration.method)]
      : [];
  const taken = ration.method.kind === 'school' ? ration.method.kcal : undefined;
  const inForceSchool = ration.method.kind === 'school' ? ration.method.school : undefined;
  const rules = [
    ...USUAL_SCHOOLS.filter((usual) => !sameSchool(usual, inForceSchool)),
    ...further.filter((rule) => !sameSchool(rule, inForceSchool)),
  ];
  const marks = [
    energyMark('table', describeTable(table), { kind: 'table' }),
    ...own,
    ...methods.map((each) => energyMark(each.key, each.rule, each.method)),
    ...chosenNrc,
    ...[...(inForceSchool ? [inForceSchool] : []), ...rules].map((school) =>
      schoolMark(school, food, weight, school === inForceSchool, school === inForceSchool ? taken : undefined),
    ),
  ];
  return { energy, marks, said: sayOf(dog.name, energy.kcal, marks, food) };
}

const describeTable = (table: { readonly method: string; readonly because: string }) =>
  table.method === 'factor' ? `× RER, ${table.because}` : table.because;

const sameMethod = (a: RationMethod, b: RationMethod) => JSON.stringify(a) === JSON.stringify(b);
const sameSchool = (a: School, b: School | undefined) =>
  b !== undefined && a.kind === b.kind && JSON.stringify(a) === JSON.stringify(b);

function schoolMark(
  school: School,
  food: FoodFacts,
  weight: Parameters<typeof schoolDay>[1],
  inForce: boolean,
  taken: number | undefined,
): SchoolMark {
  const said = schoolDay(school, weight, food);
  const rule = sayRule(school);
  const by = setBy(school);
  return {
    key: `${school.kind}-${rule}`,
    school: school.kind,
    rule,
    inForce,
    kcal: said.ok ? { low: said.value.low, mark: taken ?? said.value.mark, high: said.value.high } : undefined,
    missing: said.ok ? undefined : said.problem.message,
    explanation: {
      title: said.ok ? `${school.kind}: ${writeKcal(taken ?? said.value.mark)} kcal` : `${school.kind}: not known`,
      steps: said.ok ? said.value.steps : [],
      source: by !== undefined ? `Set by ${by}.` : 'Common practice, no source.',
    },
  };
}

/** The portion school that strays furthest from the day in force, as a ratio of it. */
function sayOf(name: string, kcal: Kilocalories, marks: readonly SchoolMark[], food: FoodFacts): string {
  const others = marks.flatMap((mark) =>
    mark.kcal && mark.school !== 'energy' && !mark.inForce ? [{ mark, ratio: mark.kcal.mark / kcal }] : [],
  );
  const furthest = others.sort((a, b) => Math.abs(Math.log(b.ratio)) - Math.abs(Math.log(a.ratio)))[0];
  if (!furthest) return `No rule of thumb can be worked out with ${food.name}.`;
  if (Math.abs(Math.log(furthest.ratio)) < Math.log(1.1)) return `With ${food.name} the schools agree within a tenth.`;
  return `The ${furthest.mark.school} rule gives ${name} ${writeNumber(furthest.ratio, 2)} times its energy need with this recipe.`;
}
