import { z } from 'zod';
import type { Dog } from '../dog/dog';
import { addDays, type LocalDate } from '../calendar/local-date';
import { homeEnergyOn } from '../dog/meals';
import { weightOn } from '../dog/day-energy';
import type { Explanation } from '../explanation';
import type { EnergyFactors } from '../nutrition/energy';
import { fine, refused, type Outcome } from '../problem';
import { writeNumber, writeSum } from '../quantity/write';
import { boughtAt, linesAt, type At } from '../recipe/bases';
import { recipeSheet } from '../recipe/sheet';
import type { WrittenLine } from '../recipe/written';
import { energyOverScale, explainNeeds, LONGEST_PLAN_DAYS, scaleOf, type DogNeed, type RecipeEnergy } from './scale';

/** What a plan is bound by: the rest follows. Weights in g of finished food, except what is at hand: as bought. */
export const bindingSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('days'), days: z.number() }),
  z.object({ by: z.literal('weight'), grams: z.number() }),
  z.object({ by: z.literal('containers'), count: z.number(), grams: z.number() }),
  z.object({ by: z.literal('at hand'), line: z.number().int().min(0), grams: z.number() }),
]);
export type Binding = Readonly<z.infer<typeof bindingSchema>>;

/** What dogs need over the first so many days, which need not be whole: kcal of home-cooked food, and kg × days. */
export type DaySums = (days: number) => { readonly need: number; readonly kgDays: number };

/** Sums day by day, each day reckoned once however often it is asked for. */
export function daySums(
  dogs: readonly (Dog & { readonly id: number })[],
  first: LocalDate,
  recipeId?: number,
): DaySums {
  const sums = [{ need: 0, kgDays: 0 }];
  const upTo = (days: number) => {
    while (sums.length <= days) {
      const day = addDays(first, sums.length - 1);
      const before = sums.at(-1)!;
      sums.push({
        need: dogs.reduce((sum, dog) => sum + homeEnergyOn(dog, day, recipeId), before.need),
        kgDays: dogs.reduce((sum, dog) => sum + weightOn(dog, day) / 1000, before.kgDays),
      });
    }
    return sums[days]!;
  };
  return (days) => {
    const whole = Math.floor(days);
    const part = days - whole;
    const from = upTo(whole);
    if (part === 0) return from;
    const to = upTo(whole + 1);
    return {
      need: from.need + part * (to.need - from.need),
      kgDays: from.kgDays + part * (to.kgDays - from.kgDays),
    };
  };
}

/** What a plan is made of, whatever binds it. */
export interface ToPlan {
  readonly written: readonly WrittenLine[];
  /** How many dogs, and what they need over the days. */
  readonly dogs: number;
  readonly sums: DaySums;
  readonly factors: EnergyFactors;
  readonly choices?: At['choices'];
  /** g of finished food for each g that goes in. */
  readonly kept: number;
}

/** The plan's figures at one number of days, which need not be whole. */
export interface Bound {
  readonly days: number;
  readonly at: At;
  /** g of finished food, as predicted. */
  readonly finished: number;
  /** g of each written line, as bought. */
  readonly bought: readonly number[];
  /** Of the finished food. */
  readonly explanation: Explanation;
  /** kcal that the dogs need, and the recipe's energy over the scale. */
  readonly need: number;
  readonly energy: RecipeEnergy;
}

/** A tenth of what goes in boils away until this kitchen has weighed a pot of it (common practice, no source). */
export const USUALLY_KEPT = 0.9;

/** The figures of a plan for so many days. */
function atDays(plan: ToPlan, days: number): Outcome<Bound> {
  const { need, kgDays } = plan.sums(days);
  const around = { dogDays: plan.dogs * days, kgDays, loads: 1, choices: plan.choices };
  const energy = energyOverScale(plan.written, around, plan.factors);
  const scale = scaleOf(need, energy);
  if (!scale.ok) return scale;
  const at = { ...around, scale: scale.value };
  const { inPot } = recipeSheet(linesAt(plan.written, at), plan.factors);
  const finished = inPot * plan.kept;
  return fine({
    days,
    at,
    finished,
    bought: boughtAt(plan.written, at),
    need,
    energy,
    explanation: {
      title: `${writeSum(finished)} of finished food`,
      steps: [
        { what: `needed in ${writeNumber(days, 2)} days`, sum: `${writeNumber(need, 1)} kcal` },
        ...(energy.fixed > 0
          ? [{ what: 'from lines by dog, day and load', sum: `${writeNumber(energy.fixed, 1)} kcal` }]
          : []),
        { what: 'the recipe as written', sum: `${writeNumber(energy.perScale, 2)} kcal` },
        { what: 'scale', sum: `× ${scale.value.toFixed(4)}` },
        { what: 'goes into the pot', sum: writeSum(inPot) },
        {
          what: 'is there at the end',
          sum: `${writeSum(inPot)} × ${writeNumber(plan.kept, 3)} = ${writeSum(finished)}`,
        },
      ],
      source:
        'Each dog’s ration in force, summed day by day; the part that boils away by this kitchen’s last weighed pot, before that a tenth (common practice, no source).',
    },
  });
}

/**
 * The plan at which a figure comes to what is wanted. The one solver behind every binding: between two whole days all
 * figures are linear in the days, so that the day is found by halving and the rest of it by one proportion.
 */
function whereFigureIs(plan: ToPlan, wanted: number, figure: (bound: Bound) => number): Outcome<Bound> {
  // First doubled until it is enough, so that only the days that are asked for are reckoned.
  let [low, high] = [0, 1];
  for (;;) {
    const bound = atDays(plan, high);
    if (!bound.ok) return bound;
    if (figure(bound.value) >= wanted) break;
    if (high === LONGEST_PLAN_DAYS)
      return refused(`That feeds these dogs for more than ${LONGEST_PLAN_DAYS} days. Check the amount.`, 'amount');
    low = high;
    high = Math.min(LONGEST_PLAN_DAYS, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const bound = atDays(plan, middle);
    if (!bound.ok) return bound;
    if (figure(bound.value) > wanted) high = middle;
    else low = middle;
  }
  const upper = atDays(plan, high);
  const lower = low === 0 ? undefined : atDays(plan, low);
  if (!upper.ok) return upper;
  if (lower && !lower.ok) return lower;
  const [from, to] = [lower ? figure(lower.value) : 0, figure(upper.value)];
  return atDays(plan, low + (wanted - from) / (to - from));
}

/**
 * A plan bound by days, by finished weight, by containers, or by how much of one ingredient is at hand; every binding
 * asks the same solver. Days may come out as a fraction: what is left over after whole days is a short pack.
 *
 * Refuses at its field what cannot bind: no dog, no day, no weight, a line that the plan does not take.
 * Source: arithmetic; prediction of the yield as `kept` says.
 */
export function bindPlan(plan: ToPlan, binding: Binding): Outcome<Bound> {
  if (plan.dogs === 0) return refused('Choose at least one dog to cook for.', 'dogIds');
  if (binding.by === 'days') {
    if (!(binding.days > 0)) return refused('Cook for at least one day.', 'days');
    if (binding.days > LONGEST_PLAN_DAYS) return refused(`Cook for ${LONGEST_PLAN_DAYS} days at the most.`, 'days');
    return whereFigureIs(plan, binding.days, (bound) => bound.days);
  }
  if (!(binding.grams > 0)) return refused('How much? A weight above 0.', 'amount');
  if (binding.by === 'weight') return whereFigureIs(plan, binding.grams, (bound) => bound.finished);
  if (binding.by === 'containers') {
    if (!Number.isInteger(binding.count) || binding.count < 1)
      return refused('How many containers? A whole number from 1.', 'count');
    return whereFigureIs(plan, binding.count * binding.grams, (bound) => bound.finished);
  }
  const { line } = binding;
  const one = atDays(plan, 1);
  if (!one.ok) return one;
  if (!((one.value.bought[line] ?? 0) > 0)) return refused('This plan takes none of it. Choose another line.', 'line');
  return whereFigureIs(plan, binding.grams, (bound) => bound.bought[line]!);
}

/** How many containers of so many g a plan fills, and what is left for a short one, in g. */
export function containersOf(
  finished: number,
  grams: number,
): { readonly full: number; readonly left: number; readonly all: number } {
  const full = Math.floor(finished / grams + 1e-9);
  const left = Math.max(0, finished - full * grams);
  return { full, left, all: left > 0.5 ? full + 1 : full };
}

/** The whole days that a plan feeds, at least one; a hair less than a day is that day. */
export const wholeDays = (days: number): number => Math.max(1, Math.floor(days + 1e-6));

/** Where the scale comes from: each dog's days, what they need in all, and what the recipe brings. */
export const explainScale = (needs: readonly DogNeed[], bound: Bound): Explanation =>
  explainNeeds(needs, bound.need, bound.energy, bound.at.scale);
