import { capital, writeWeight, writeNumber } from '../quantity/write';
import { kilocalories, type Kilocalories, type UnitSet } from '../quantity/units';
import type { Explanation } from '../explanation';
import type { Outcome } from '../problem';
import { dayEnergy } from './day-energy';
import { rationOn, type Dog } from './dog';
import type { RationMethod } from './method';
import { projectedWeight } from './growth';
import { restingEnergy } from './resting-energy';
import { setBy } from './schools/schools';
import { lifeStage } from './stage';
import { targetOf, wantedRate } from './target';
import { countingWeighIns, trendOf, type Trend } from './trend';
import { gramsAWeek, kcalForRate, upkeepOf, type IntakeOn, type Upkeep } from './upkeep';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { sure } from '../sure';

/** What the scale suggests. The cook accepts, adapts or ignores it. */
export interface Proposal {
  readonly kind: 'keep' | 'change' | 'wait' | 'vet';
  readonly title: string;
  readonly said: string;
  readonly from: Kilocalories;
  /** What the day is to become; only where it is to change. */
  readonly to: Kilocalories | undefined;
  readonly explanation: Explanation;
}

/** A step is never larger than a fifth of the day (common practice, no source). */
const LARGEST_STEP = 0.2;
/** A change below this part of the day is not worth the trouble. */
const SMALLEST_STEP = 0.03;
/** An intake this far from the ration is not what was set. */
const STRAYED = 0.1;
/** Beyond this half-band, as a part of the upkeep, the fit says nothing. */
const TOO_UNCERTAIN = 0.15;

const number = writeNumber;
const signed = (value: number, decimals = 1) =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${number(Math.abs(value), decimals)}`;

/**
 * What a dog's weigh-ins suggest for its ration: keep it, or change it by so many kcal, with reason and figures.
 *
 * Takes the dog, the day and what it really ate (kcal/day, undefined where unknown). Growing, pregnant, nursing and
 * ill dogs are left to their formula and the vet. Source: safe loss 1–2 % a week (common practice); energy balance at
 * 7.7 kcal per g of body mass (our assumption).
 */
export function proposalFor(dog: Dog, day: LocalDate, intakeOn: IntakeOn, set: UnitSet): Proposal {
  const energy = dayEnergy(dog, day);
  const base = { from: energy.kcal, to: undefined };
  const lastScore = countingWeighIns(dog.weighIns).findLast(
    (entry) => entry.bodyCondition !== undefined,
  )?.bodyCondition;
  const nothing = (title: string): Explanation => ({ title, steps: [], source: 'Your weigh-ins.' });
  if (lastScore !== undefined && lastScore <= 3) {
    const title = 'See a vet';
    return {
      ...base,
      kind: 'vet',
      title,
      said: `Body condition ${lastScore} is thin: find out why before feeding more.`,
      explanation: nothing(title),
    };
  }
  const stage = lifeStage(dog, day);
  if (stage.kind === 'pup') return growing(dog, day, energy.kcal, set);
  if (stage.kind === 'gestation' || stage.kind === 'lactation') {
    const title = 'Weigh every week';
    return {
      ...base,
      kind: 'keep',
      title,
      said: `Its ration follows the formula for ${stage.kind}; the vet says the rest.`,
      explanation: nothing(title),
    };
  }
  const trend = trendOf(dog.weighIns);
  if (!trend.ok) {
    const title = 'Weigh on';
    return { ...base, kind: 'wait', title, said: trend.problem.message, explanation: nothing(title) };
  }
  return fromTrend(dog, day, trend.value, upkeepOf(dog.weighIns, intakeOn), set);
}

function growing(dog: Dog, day: LocalDate, from: Kilocalories, set: UnitSet): Proposal {
  const [before, last] = countingWeighIns(dog.weighIns).slice(-2);
  const adult = sure(dog.expectedAdultWeight);
  const base = { kind: 'keep' as const, from, to: undefined };
  if (!before || !last) {
    const title = 'Weigh every week';
    return {
      ...base,
      title,
      said: 'A pup’s ration follows its weight.',
      explanation: { title, steps: [], source: 'NRC 2006.' },
    };
  }
  const age = (date: LocalDate) => daysBetween(dog.birthDate, date);
  const expected = projectedWeight({ grams: before.grams, ageDays: age(before.date) }, adult, age(last.date));
  const off = (last.grams / expected - 1) * 100;
  const title = Math.abs(off) <= 5 ? 'Growing as expected' : off > 0 ? 'Ahead of its curve' : 'Behind its curve';
  return {
    ...base,
    kind: Math.abs(off) <= 5 ? 'keep' : 'vet',
    title,
    said:
      Math.abs(off) <= 5
        ? `${writeWeight(last.grams, set)} where ${writeWeight(expected, set)} were expected; the ration moves with the scale.`
        : `${writeWeight(last.grams, set)} where ${writeWeight(expected, set)} were expected, ${signed(off)} %: weigh again, and show the vet.`,
    explanation: {
      title,
      steps: [
        { what: 'expected', sum: `${number(expected / 1000, 2)} kg` },
        { what: 'weighed', sum: `${number(last.grams / 1000, 2)} kg` },
      ],
      source: 'Gompertz curve through the weigh-in before (ages from memory); 5 % is ours.',
    },
  };
}

function fromTrend(dog: Dog, day: LocalDate, trend: Trend, fitted: Outcome<Upkeep>, set: UnitSet): Proposal {
  const from = dayEnergy(dog, day).kcal;
  const weight = trend.weight;
  const target = targetOf(dog, day)?.weight;
  const wanted = wantedRate(weight, target, trend.percentAWeek);
  const steps = [
    {
      what: 'trend',
      sum: `${signed(trend.percentAWeek, 2)} % a week, ± ${number(trend.standardError, 2)}, from ${trend.count} weigh-ins`,
    },
    { what: 'wanted', sum: `${signed(wanted.rate, 1)} % a week: ${wanted.why}` },
  ];
  const source =
    'Energy balance at 7.7 kcal per g of body mass (our assumption); safe loss 1–2 % a week (common practice).';
  const rate = `${Math.abs(trend.percentAWeek) < 0.05 ? 'Its weight stands still' : `It ${trend.percentAWeek < 0 ? 'loses' : 'gains'} ${number(Math.abs(trend.percentAWeek))} % a week`}`;

  let needed: number;
  let found: string;
  if (fitted.ok) {
    const { kcal, uncertainty, intake, days, knownDays } = fitted.value;
    steps.push(
      { what: `eaten, ${knownDays} of ${days} days known`, sum: `${number(intake)} kcal a day` },
      { what: 'its own upkeep', sum: `${number(kcal, 0)} ± ${number(uncertainty, 0)} kcal a day` },
    );
    if (uncertainty > kcal * TOO_UNCERTAIN) {
      return {
        kind: 'wait',
        title: 'Too uncertain yet',
        said: `${rate}, but its own upkeep may be anything from ${number(kcal - uncertainty, 0)} to ${number(kcal + uncertainty, 0)} kcal. Weigh on.`,
        from,
        to: undefined,
        explanation: { title: 'Too uncertain yet', steps, source },
      };
    }
    needed = kcal + kcalForRate(gramsAWeek(weight, wanted.rate));
    steps.push({
      what: 'for the wanted rate',
      sum: `${number(kcal, 0)} ${signed(needed - kcal, 0)} = ${number(needed, 0)} kcal`,
    });
    found = `${rate} on ${number(intake, 0)} kcal: its own upkeep is ${number(kcal - uncertainty, 0)} to ${number(kcal + uncertainty, 0)}.`;
  } else {
    const change = wanted.holds(trend.percentAWeek)
      ? 0
      : kcalForRate(gramsAWeek(weight, wanted.rate - trend.percentAWeek));
    needed = from + change;
    steps.push(
      { what: 'own upkeep', sum: fitted.problem.message },
      { what: 'for the wanted rate', sum: `${number(from, 0)} ${signed(change, 0)} = ${number(needed, 0)} kcal` },
    );
    found = `${rate}. ${fitted.problem.message}`;
  }
  const floor = restingEnergy(target !== undefined && target < weight ? target : weight);
  const held = wanted.holds(trend.percentAWeek);
  if (!held && needed < from && from < floor * 1.01) {
    const title = 'See a vet';
    return {
      kind: 'vet',
      title,
      said: `${found} ${number(from, 0)} kcal are already no more than the resting energy of its target: less goes by the vet.`,
      from,
      to: undefined,
      explanation: {
        title,
        steps: [...steps, { what: 'resting energy of the target', sum: `${number(floor, 0)} kcal` }],
        source,
      },
    };
  }
  const step = Math.min(from * (1 + LARGEST_STEP), Math.max(from * (1 - LARGEST_STEP), needed));
  const prescribed = prescribedRange(dog, day);
  const unbound = Math.max(Math.min(floor, from), step);
  const limited = prescribed ? Math.min(Math.max(unbound, prescribed[0]), prescribed[1]) : unbound;
  const to = Math.round(limited / 5) * 5;
  if (to !== Math.round(needed / 5) * 5) {
    steps.push({ what: 'held to a fifth a step and to resting energy', sum: `${number(unbound, 0)} kcal` });
  }
  if (prescribed && limited !== unbound) {
    steps.push({
      what: 'held to the range that was prescribed',
      sum: `${number(prescribed[0], 0)} to ${number(prescribed[1], 0)} kcal`,
    });
  }
  const small = Math.abs(to - from) < from * SMALLEST_STEP;
  if (small && !held && prescribed && Math.abs(unbound - from) >= from * SMALLEST_STEP) {
    const title = 'Ask who set it';
    const range = `${number(prescribed[0], 0)} to ${number(prescribed[1], 0)} kcal`;
    return {
      kind: 'vet',
      title,
      said: `${found} ${unbound < from ? 'Less' : 'More'} than ${range} would be needed: that is for whoever set the range.`,
      from,
      to: undefined,
      explanation: { title, steps, source },
    };
  }
  if (small || held) {
    const strayed = fitted.ok && Math.abs(fitted.value.intake / from - 1) > STRAYED;
    const title = strayed && !held ? 'Feed what is set' : 'Keep it';
    const why = held
      ? wanted.why
      : strayed
        ? `set are ${number(from, 0)} kcal, and that is about right`
        : 'the change would be too small to matter';
    return {
      kind: 'keep',
      title,
      said: `${found} ${capital(why)}.`,
      from,
      to: undefined,
      explanation: { title, steps, source },
    };
  }
  // What it eats is what a change is felt against: a day that rises below what strayed into the bowl is no "more".
  const eats = fitted.ok ? fitted.value.intake : from;
  const strayed = fitted.ok && Math.abs(eats / from - 1) > STRAYED;
  if (strayed && Math.abs(needed - from) < Math.abs(needed - eats) && Math.abs(to - from) < from * 2 * SMALLEST_STEP) {
    const title = 'Feed what is set';
    return {
      kind: 'keep',
      title,
      said: `${found} Set are ${number(from, 0)} kcal, and that is about right.`,
      from,
      to: undefined,
      explanation: { title, steps, source },
    };
  }
  const opposed = to > from !== to > eats;
  const title = opposed
    ? `${number(to, 0)} kcal a day: ${to < eats ? 'less' : 'more'} than the ${number(eats, 0)} it eats`
    : `${to > from ? 'More' : 'Less'}: ${number(to, 0)} kcal a day`;
  const aim = target === undefined ? '' : ` Target ${writeWeight(target, set)}.`;
  return {
    kind: 'change',
    title,
    said: `${found} ${capital(wanted.why)}: ${signed(to - from, 0)} kcal a day.${aim}`,
    from,
    to: kilocalories(to),
    explanation: { title, steps, source },
  };
}

/** The kcal range that a vet or a nutritionist set, where one is in force. */
function prescribedRange(dog: Dog, day: LocalDate): readonly [number, number] | undefined {
  const { method } = rationOn(dog, day);
  return method.kind === 'school' && setBy(method.school) !== undefined ? dayEnergy(dog, day).range : undefined;
}

/** The method that a ration gets when its day becomes `kcal`: a prescribed range stays; `whose` figure it is goes with it. */
export function methodFor(
  method: RationMethod,
  kcal: number,
  whose: 'weigh-ins' | 'the cook' = 'weigh-ins',
): RationMethod {
  const by = whose === 'weigh-ins' ? { by: 'weigh-ins' as const } : {};
  if (method.kind !== 'school' || setBy(method.school) === undefined) return { kind: 'kcal', kcal, ...by };
  return { kind: 'school', school: method.school, food: method.food, kcal, ...by };
}
