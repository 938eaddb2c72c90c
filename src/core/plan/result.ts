import type { Explanation } from '../explanation';
import { fine, refused, type Outcome } from '../problem';
import { grams, type Grams } from '../quantity/units';
import { writeNumber, writeSum } from '../quantity/write';
import { energyKnown } from '../nutrition/energy';
import { linesOfWeights } from '../recipe/bases';
import { batchLines } from '../recipe/recipe';
import { bindPlan, wholeDays } from './bind';
import { unfilledMeals, type DogNeed } from './demand';
import { figuresOf } from './figures';
import type { PlanInputs } from './inputs';
import { keepingOf, type PlanKeeping } from './keeping';
import type { PlanEntry } from './plan-entry';
import { loadsOf } from './potfuls';
import { readPlan, type ReadBatch, type ReadPlan } from './read-plan';
import { driftOf, scaledForKitchen, type Drift, type ScaledLine } from './rounding';
import { LONGEST_PLAN_DAYS } from './scale';
import { shoppingList, type ShoppingItem } from './shopping';
import { plannedMinutes } from '../cook/learned';
import { stoveTime, type StoveTime } from './stove';
import { frozenRoom, type Bound, type BoundBatch, type ToPlan } from './to-plan';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** One line of a planned recipe, with what goes onto the scale. */
export interface TakenLine extends ScaledLine {
  /** Its place in the recipe. */
  readonly place: number;
  readonly of: ReadBatch['written'][number];
}

/** One recipe of a plan with its amounts. */
export interface PlannedBatch {
  readonly read: ReadBatch;
  readonly bound: BoundBatch;
  readonly takes: readonly TakenLine[];
  /** g bought of each line of the recipe, in its order, rounded where the plan says so. */
  readonly amounts: readonly Grams[];
}

/** A plan with everything that follows from it. */
export interface PlanResult {
  readonly read: ReadPlan;
  /** As it is cooked: rounded where the plan says so. */
  readonly bound: Bound;
  /** Whole feeding days. */
  readonly days: number;
  readonly needs: readonly DogNeed[];
  readonly batches: readonly PlannedBatch[];
  /** How far rounding moves it, taken or not, and the days that it then feeds. */
  readonly drift: Drift & { readonly days: number };
  readonly finished: {
    readonly low: number;
    readonly high: number;
    /** kcal in each g of it, all recipes together. */
    readonly density: { readonly perGram: number; readonly explanation: Explanation };
    readonly explanation: Explanation;
    /** Foods of which a macronutrient is unknown: the energy is at least what is said. */
    readonly energyUnknown: readonly string[];
  };
  readonly keeping: PlanKeeping;
  readonly stove: StoveTime;
  readonly shopping: readonly ShoppingItem[];
  /** Meals of the first day that no recipe of the plan fills. */
  readonly unfilled: readonly string[];
}

/** A plan that rounding leaves short by no more than this feeds its days all the same (handbook 1: more than 1 % is said). */
const ROUNDED_AWAY = 0.01;
/** What a press writes into a hole in whole g or things may fall short of by so much of it (ours, no source). */
const WHOLE_GRAMS = 0.001;

/** The days that so many kcal of each recipe feed, looked for around `about`: until the first of them is used up. */
function daysFed({ demand }: Pick<ToPlan, 'demand'>, kcal: readonly number[], about: number): number {
  const enough = (days: number) => demand.over(days).every(({ need }, batch) => need <= nth(kcal, batch) * (1 + 1e-9));
  let [low, high] = [0, Math.max(1, about)];
  while (enough(high) && high < 2 * LONGEST_PLAN_DAYS) [low, high] = [high, high * 1.25];
  for (let step = 0; step < 45; step++) {
    const middle = (low + high) / 2;
    if (enough(middle)) low = middle;
    else high = middle;
  }
  return low;
}

function takesOf(read: ReadBatch, bought: readonly number[], inputs: PlanInputs): TakenLine[] {
  const places = read.written.flatMap((_, place) => (nth(bought, place) > 0 ? [place] : []));
  const own = places.map((place) => nth(read.written, place));
  const scaled = scaledForKitchen(
    own,
    places.map((place) => grams(nth(bought, place))),
    inputs.set,
  );
  return scaled.map((line, index) => ({ ...line, place: nth(places, index), of: nth(own, index) }));
}

/** The recipes with their amounts rounded, and the plan's figures as they then are. */
function roundedPlan(read: ReadPlan, bound: Bound, inputs: PlanInputs, taken: boolean) {
  const near: (readonly Grams[])[] = [];
  const batches = read.plan.batches.map((batch, index): PlannedBatch => {
    const own = nth(bound.batches, index);
    const takes = takesOf(batch, own.figures.bought, inputs);
    const nearest = new Map(takes.map((take) => [take.place, take.rounded]));
    const rounded = batch.written.map((_, place) => nearest.get(place) ?? grams(0));
    near.push(rounded);
    if (!taken) return { read: batch, bound: own, takes, amounts: own.figures.bought.map(grams) };
    const figures = figuresOf(batch.recipe, rounded);
    const loads = loadsOf(batch, figures, own.at.loads);
    const frozen = own.figures.finished > 0 ? (own.frozen * figures.finished) / own.figures.finished : 0;
    return { read: batch, bound: { ...own, figures, loads, frozen }, takes, amounts: rounded };
  });
  const lines = (amounts: (batch: number) => readonly number[]) =>
    read.plan.batches.flatMap((batch, index) => linesOfWeights(batch.written, amounts(index)));
  const [exact, rounded] = [
    lines((batch) => nth(bound.batches, batch).figures.bought),
    lines((batch) => nth(near, batch)),
  ];
  const kcal = read.plan.batches.map((batch, index) => figuresOf(batch.recipe, nth(near, index)).kcal);
  return { batches, drift: { ...driftOf(exact, rounded, inputs.factors), days: daysFed(read.plan, kcal, bound.days) } };
}

/**
 * A typed plan with all that follows from it: amounts, loads, days, what the freezer and the stove are asked for, and
 * what is bought. Refuses at its field what cannot be planned. Pure: screen, store, print and timing ask the same.
 */
export function workOutPlan(inputs: PlanInputs, entry: PlanEntry): Outcome<PlanResult> {
  const read = readPlan(inputs, entry);
  if (!read.ok) return read;
  const { binding } = read.value;
  // Days whose food is in the store already ask for no pot.
  if (entry.lessStock && binding.by === 'days') {
    const need = addUp(read.value.plan.demand.over(binding.days), (batch) => batch.need);
    if (read.value.plan.demand.dogs > 0 && need < 1)
      return refused(
        'The store holds enough for these days: nothing is left to cook. Cook for more days, or plan it without the store.',
        'lessStock',
      );
  }
  const exact = bindPlan(read.value.plan, read.value.binding);
  if (!exact.ok) return exact;
  const { plan, cookDay, firstDay, dogs } = read.value;
  const { batches, drift } = roundedPlan(read.value, exact.value, inputs, entry.rounded);
  const bound: Bound = {
    ...exact.value,
    batches: batches.map((batch) => batch.bound),
    finished: addUp(batches, (batch) => batch.bound.figures.finished),
    // Days that were typed stay the days, whatever rounding takes off or adds.
    ...(entry.rounded && binding.by !== 'days' ? { days: drift.days } : {}),
  };
  // What rounding takes off the last day is no day less.
  const within = binding.by === 'days' ? 0 : entry.rounded ? ROUNDED_AWAY : WHOLE_GRAMS;
  const days = wholeDays(bound.days * (1 + within));
  const total = (of: (batch: PlannedBatch) => number) => addUp(batches, (batch) => of(batch));
  return fine({
    read: read.value,
    bound,
    days,
    needs: plan.demand.byDog(days),
    batches,
    drift,
    finished: {
      low: total((batch) => batch.bound.figures.finishedLow),
      high: total((batch) => batch.bound.figures.finishedHigh),
      density: densityOf(
        total((batch) => batch.bound.figures.kcal),
        bound.finished,
      ),
      explanation: explainFinished(batches, bound),
      energyUnknown: energyKnown(
        batches.flatMap(({ read: batch, amounts }) => batchLines(linesOfWeights(batch.written, amounts))),
        inputs.factors,
      ).unknown,
    },
    keeping: keepingOf({
      days: bound.days,
      firstDay,
      fridgeFeedingDays: Math.min(...plan.batches.map((batch) => batch.fridgeFeedingDays)),
      frozenGrams: total((batch) => batch.bound.frozen),
      room: frozenRoom(plan, bound),
      freezer: inputs.freezer,
      frozenBestBy: plan.batches.flatMap(({ frozenBestBy }) => frozenBestBy ?? []).sort()[0],
    }),
    stove: stoveTime(
      batches.flatMap(({ read: batch, bound: own }) =>
        batch.vessels.map((vessel, place) => {
          const component = batch.of.components[place];
          const said = batch.of.components.length > 1 ? `${component?.name ?? ''} of ${batch.name}` : batch.name;
          return {
            name: said,
            vessel,
            loads: own.loads[place],
            ...(component ? plannedMinutes(component, batch.of.learned ?? []) : { minutes: undefined }),
          };
        }),
      ),
    ),
    shopping: shoppingList(
      batches.flatMap(({ read: batch, amounts }) =>
        batch.written.map((line, place) => ({ recipe: batch.name, line, grams: nth(amounts, place) })),
      ),
      inputs.set,
      { ...inputs, cookDay },
    ),
    unfilled: unfilledMeals(dogs, firstDay, plan.batches),
  });
}

const densityOf = (kcal: number, finished: number): PlanResult['finished']['density'] => ({
  perGram: kcal / finished,
  explanation: {
    title: `${writeNumber(kcal / finished, 4)} kcal/g expected`,
    steps: [
      { what: 'energy in the pot', sum: `${writeNumber(kcal, 0)} kcal` },
      { what: 'finished food, as predicted', sum: `${writeNumber(finished, 0)} g` },
    ],
    source: 'A prediction: the weighed pot takes its place.',
  },
});

function explainFinished(batches: readonly PlannedBatch[], bound: Bound): Explanation {
  return {
    title: `${writeSum(bound.finished)} of finished food`,
    steps: batches.map(({ read, bound: own }) => ({
      what: read.name,
      sum: `${writeSum(own.figures.inPot)} × ${writeNumber(own.figures.finished / own.figures.inPot, 3)} = ${writeSum(own.figures.finished)} (${writeSum(own.figures.finishedLow)} to ${writeSum(own.figures.finishedHigh)})`,
    })),
    source: [...new Set(batches.map(({ read }) => `${read.name}: ${read.recipe.guess.source}`))].join('; ') + '.',
  };
}
