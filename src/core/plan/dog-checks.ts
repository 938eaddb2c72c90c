import { addUp } from '../add-up';
import { asIfHere } from '../dog/days-off';
import { mealsFilledBy } from '../dog/meals';
import { lifeStage } from '../dog/stage';
import { eaterOn, sayFit, type FitSaid } from '../dog/stomach';
import { balanceOf, type BalanceRow } from '../nutrition/balance';
import { lowAtRation, overSafe, tooMuchForPups, type TooMuchForPup } from '../nutrition/for-dogs';
import { rotationLines } from '../nutrition/rotation';
import type { ProfileId } from '../nutrition/profiles';
import { writeNumber } from '../quantity/write';
import { linesOfWeights } from '../recipe/bases';
import { uncountedLines } from '../recipe/uncounted';
import { namedDog } from '../recipe/preview';
import { workOutPlan, type PlanResult } from './result';
import { littleLeft } from './stops';
import type { PlanInputs } from './inputs';
import type { PlanEntry } from './plan-entry';
import { nth, sure } from '../sure';

/** What a plan's food is for one dog, nutrient by nutrient. */
export interface DogCheck {
  readonly dogId: number;
  readonly name: string;
  readonly profile: string;
  /** Too much, with the table that says so where it is not the profile. */
  readonly over: readonly string[];
  /** Too much as far as is known. */
  readonly perhapsOver: readonly string[];
  readonly short: readonly string[];
  /** Short as far as the table knows. */
  readonly perhaps: readonly string[];
  readonly unknown: readonly string[];
  /** Enough per 1000 kcal, too little because the dog eats little. */
  readonly low: readonly string[];
  /** Calcium so far from what a growing or nursing dog needs that it must be seen before anything is cooked. */
  readonly serious: string | undefined;
  /** A shortage of calcium for such a dog that is not as bad: said at the top. */
  readonly growth: string | undefined;
  /** What is said where it is more than the dog can eat; undefined: it fits. */
  readonly fit: FitSaid | undefined;
  /** Foods of which a macronutrient is unknown: every figure per 1000 kcal is at most. */
  readonly energyUnknown: readonly string[];
}

/** The profile that a dog is looked at by, at its stage of life. Source: AAFCO 2016 (growth and reproduction; maintenance). */
export const profileFor = (stage: ReturnType<typeof lifeStage>['kind']): ProfileId =>
  stage === 'pup' || stage === 'gestation' || stage === 'lactation' ? 'aafco-growth' : 'aafco-adult';

/**
 * The balance of a plan dog by dog: one batch may feed a pup and an adult, and each is looked at by its own profile
 * and with the recipes in the parts in which it gets them.
 *
 * Source: AAFCO 2016, NRC 2006 (from memory); composition USDA SR 24.
 */
export function checkDogs(inputs: PlanInputs, result: PlanResult): DogCheck[] {
  const { nutrients, profiles, pups } = inputs.profiles;
  const profileOf = (id: ProfileId) => sure(profiles.find((profile) => profile.id === id));
  const { firstDay, dogs } = result.read;
  const lines = result.batches.map(({ read, amounts }) => [
    ...linesOfWeights(read.written, amounts),
    ...uncountedLines(read.of.uncounted),
  ]);
  return dogs.map((dog, index) => {
    const eaten = rotationLines(
      result.batches.map(({ read }, batch) => ({
        name: read.name,
        lines: nth(lines, batch),
        days: sure(nth(result.needs, index).byBatch[batch]),
      })),
      inputs.factors,
    );
    const { kind } = lifeStage(dog, firstDay);
    const profile = profileOf(profileFor(kind));
    const balance = balanceOf(eaten, nutrients, profile, inputs.factors);
    const named = namedDog(dog, firstDay);
    const of = (verdict: BalanceRow['verdict'], toward?: BalanceRow['toward']) =>
      balance.rows
        .filter((row) => row.verdict === verdict && (toward === undefined || row.toward === toward))
        .map((row) => row.name);
    const nrc = balanceOf(eaten, nutrients, profileOf('nrc-adult'), inputs.factors);
    // A pup has limits of its own; the others are asked for what NRC calls safe besides their profile.
    const safe = named.growing ? [] : overSafe(nrc).filter(({ nutrient }) => !of('over').includes(nutrient));
    const bySafe = (verdict: 'over' | 'perhaps') =>
      safe.filter((each) => each.verdict === verdict).map(({ nutrient }) => `${nutrient} (NRC’s safe upper limit)`);
    const pupOver = tooMuchForPups(balance, pups, [named]);
    const needsCalcium = kind === 'pup' || kind === 'lactation';
    return {
      dogId: dog.id,
      name: dog.name,
      profile: profile.name,
      over: [...new Set([...of('over'), ...pupOver.map((each) => each.nutrient), ...bySafe('over')])],
      perhapsOver: [...of('perhaps', 'over'), ...bySafe('perhaps')],
      short: of('short'),
      perhaps: of('perhaps', 'short'),
      unknown: of('unknown'),
      low: lowAtRation(nrc, profileOf('nrc-adult'), [named]).map(
        (each) => `${each.nutrient}${each.perhaps ? ' (perhaps)' : ''}`,
      ),
      ...(needsCalcium
        ? calciumFor(balance.rows, kind === 'pup' ? 'is growing' : 'is nursing', pupOver)
        : { serious: undefined, growth: undefined }),
      energyUnknown: balance.energyUnknown,
      fit: fitOf(result, dog),
    };
  });
}

/** Whether the dog can eat what is planned on its first day, by the fullest of its recipes. */
function fitOf({ batches, read }: PlanResult, dog: PlanInputs['dogs'][number]): DogCheck['fit'] {
  const meals = read.plan.batches.flatMap((batch, at) => {
    const { figures } = nth(batches, at).bound;
    if (!(figures.finished > 0)) return [];
    const filled = mealsFilledBy(asIfHere(dog), read.firstDay, { batches: read.plan.batches, batch: at });
    return filled.map(({ id, kcal }) => ({ id, grams: (kcal * figures.finished) / figures.kcal }));
  });
  const ids = [...new Set(meals.map(({ id }) => id))];
  const grams = ids.map((id) => addUp(meals, (meal) => (meal.id === id ? meal.grams : 0)));
  return sayFit(eaterOn(dog, read.firstDay), grams);
}

/** Under this part of the least a shortage of calcium is serious (ours, no source). */
const SERIOUS = 0.5;

/** What is to be said of calcium to a dog that grows or nurses: over a most or under half of the least is serious. */
function calciumFor(
  rows: readonly BalanceRow[],
  does: 'is growing' | 'is nursing',
  pupOver: readonly TooMuchForPup[],
): Pick<DogCheck, 'serious' | 'growth'> {
  const row = rows.find(({ name }) => name === 'calcium');
  const most = pupOver.find(({ nutrient }) => nutrient === 'calcium')?.most ?? row?.most;
  const figure = (value: number) => `${writeNumber(value, 2)} g`;
  if (!row || row.least === undefined) return { serious: undefined, growth: undefined };
  if (row.amount === undefined)
    return { serious: undefined, growth: `${does}, and how much calcium this food holds is unknown.` };
  const has = `${does} and gets ${figure(row.amount)} of calcium in 1000 kcal`;
  if (most !== undefined && row.amount > most)
    return { serious: `${has}; at most ${figure(most)} is safe.`, growth: undefined };
  if (row.toward !== 'short') return { serious: undefined, growth: undefined };
  const said = `${has}${row.verdict === 'perhaps' ? ', as far as is known' : ''}; at least ${figure(row.least)} is needed.`;
  return row.amount < row.least * SERIOUS ? { serious: said, growth: undefined } : { serious: undefined, growth: said };
}

/** What must be seen before a plan is kept: calcium that is far off for a dog that grows or nurses. */
export const seriousIn = (checks: readonly DogCheck[]): { id: string; name: string; why: string }[] =>
  checks.flatMap(({ dogId, name, serious }) =>
    serious === undefined ? [] : [{ id: `calcium-${dogId}`, name, why: serious }],
  );

/** All that must be seen before a plan is kept, beside its hazards: calcium far off, and a pot that is hardly worth it. */
export function mustBeSeen(inputs: PlanInputs, lessStock: boolean, result: PlanResult, checks: readonly DogCheck[]) {
  const little = littleLeft(inputs, lessStock, result);
  return [...seriousIn(checks), ...(little ? [little] : [])];
}

/** The dogs for whom a plan is the same, nutrient by nutrient: said once for all of them. */
export function alike(checks: readonly DogCheck[]): readonly (readonly DogCheck[])[] {
  const groups = new Map<string, DogCheck[]>();
  for (const check of checks) {
    const key = JSON.stringify({ ...check, dogId: 0, name: '' });
    groups.set(key, [...(groups.get(key) ?? []), check]);
  }
  return [...groups.values()];
}

/** What swapping foods changes: the weight of the food, and what each dog is short of or has too much of. */
export interface SwapEffect {
  /** The part by which the finished weight moves: 0.04 is 4 % more for the same energy. */
  readonly weight: number;
  readonly dogs: readonly {
    readonly name: string;
    readonly worse: readonly string[];
    readonly better: readonly string[];
  }[];
}

/** A plan beside itself without its swaps; undefined where it has none. Source: as the checks themselves. */
export function swapEffect(inputs: PlanInputs, entry: PlanEntry, result: PlanResult): SwapEffect | undefined {
  if (entry.batches.every((batch) => Object.keys(batch.swaps ?? {}).length === 0)) return undefined;
  const plain = workOutPlan(inputs, { ...entry, batches: entry.batches.map((batch) => ({ ...batch, swaps: {} })) });
  if (!plain.ok) return undefined;
  const [before, after] = [checkDogs(inputs, plain.value), checkDogs(inputs, result)];
  const wrong = (check: DogCheck) => [
    ...check.over.map((nutrient) => `too much ${nutrient}`),
    ...check.short.map((nutrient) => `short of ${nutrient}`),
  ];
  return {
    weight: result.bound.finished / plain.value.bound.finished - 1,
    dogs: after.map((check, index) => {
      const [was, is] = [wrong(nth(before, index)), wrong(check)];
      return {
        name: check.name,
        worse: is.filter((each) => !was.includes(each)),
        better: was.filter((each) => !is.includes(each)),
      };
    }),
  };
}
