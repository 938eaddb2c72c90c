import { fine, refused, type Outcome } from '../problem';
import type { At } from '../recipe/bases';
import { figuresAt, kcalAt } from './figures';
import { loadsAsked, loadsOf } from './potfuls';
import { LONGEST_PLAN_DAYS, scaleOf } from './scale';
import type { Bound, BoundBatch, ToPlan } from './to-plan';
import type { Wanted } from './bindings/binding';
import { wantedBy, type Binding } from './bindings/bindings';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

type LoadCounts = readonly (readonly number[])[];

/** The figures of a plan for so many days, with so many loads. */
function atDays(plan: ToPlan, days: number, counts: LoadCounts): Outcome<Bound> {
  const asked = plan.demand.over(days);
  const batches: BoundBatch[] = [];
  for (const [index, batch] of plan.batches.entries()) {
    const { need, dogDays, kgDays } = nth(asked, index);
    if (!(need > 0))
      return refused(`No meal of these days is left for ${batch.name}: rations or the stock fill them.`, 'recipeId');
    const around: At = { scale: 0, dogDays, kgDays, loads: nth(counts, index), choices: batch.choices };
    const energy = { fixed: kcalAt(batch.parts, around), perScale: batch.parts.perScale.kcal };
    const scale = scaleOf(need, energy);
    if (!scale.ok) return scale;
    const at = { ...around, scale: scale.value };
    const figures = figuresAt(batch.parts, at);
    batches.push({
      at,
      figures,
      need,
      energy,
      loads: [],
      frozen:
        figures.finished * (1 - nth(plan.demand.over(Math.min(days, batch.fridgeFeedingDays)), index).need / need),
    });
  }
  return fine({
    days,
    batches,
    need: addUp(batches, (batch) => batch.need),
    finished: addUp(batches, (batch) => batch.figures.finished),
  });
}

/**
 * The plan at which a figure comes to what is wanted: the one solver behind every binding. All figures rise with the
 * days; the day is found by doubling and halving, the rest of it by proportion within the day.
 */
export function whereFigureIs(plan: ToPlan, { wanted, figure }: Wanted, counts: LoadCounts): Outcome<Bound> {
  const ask = (days: number) => atDays(plan, days, counts);
  let [low, high] = [0, 1];
  for (;;) {
    const bound = ask(high);
    if (bound.ok && figure(bound.value) >= wanted) break;
    if (high === LONGEST_PLAN_DAYS) {
      if (!bound.ok) return bound;
      return refused(`That feeds these dogs for more than ${LONGEST_PLAN_DAYS} days. Check the amount.`, 'binding');
    }
    low = high;
    high = Math.min(LONGEST_PLAN_DAYS, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const bound = ask(middle);
    if (bound.ok && figure(bound.value) >= wanted) high = middle;
    else low = middle;
  }
  let best = ask(high);
  if (!best.ok) return best;
  const lower = low === 0 ? undefined : ask(low);
  let from = lower?.ok ? figure(lower.value) : 0;
  let to = figure(best.value);
  for (let step = 0; step < 80 && Math.abs(to - wanted) > Math.abs(wanted) * 1e-12; step++) {
    // Every third step halves, should the proportion creep.
    const days = step % 3 === 2 ? (low + high) / 2 : low + ((wanted - from) / (to - from)) * (high - low);
    const bound = ask(days);
    if (bound.ok && figure(bound.value) >= wanted * (1 - 1e-13)) {
      [best, high, to] = [bound, days, figure(bound.value)];
    } else {
      [low, from] = [days, bound.ok ? figure(bound.value) : from];
    }
    if (high - low < 1e-12) break;
  }
  // Squeezed against days that cannot be planned: what stands in their way is the answer.
  const squeezed = low > 0 && (high - low < 1e-9 || Math.abs(to - wanted) > Math.abs(wanted) * 1e-9);
  const edge = squeezed ? ask(low) : best;
  return edge.ok ? best : edge;
}

/**
 * A plan bound by days, finished weight or volume, containers, pieces of a raw weight, dryer trays, one ingredient at
 * hand, the freezer's free space or full potfuls; every binding asks the same solver (`solve`). Loads and scale feed
 * each other where a line is bound to a load: solved again with more loads until they agree.
 *
 * Days may come out as a fraction: what is left over after whole days is a short pack. Refuses at its field what
 * cannot bind. Source: arithmetic; prediction of the yield as each recipe's guess says.
 */
export function bindPlan(plan: ToPlan, binding: Binding, solve = whereFigureIs): Outcome<Bound> {
  if (plan.demand.dogs === 0) return refused('Choose at least one dog to cook for.', 'dogIds');
  const wanted = wantedBy(plan, binding);
  if (!wanted.ok) return wanted;
  const ask = (counts: LoadCounts) => solve(plan, wanted.value, counts);
  const asked = (bound: Bound, counts: LoadCounts): LoadCounts =>
    plan.batches.map((batch, index) => loadsAsked(batch, nth(bound.batches, index).figures, nth(counts, index)));
  let counts: LoadCounts = plan.batches.map((batch) => batch.vessels.map(() => 1));
  let bound = ask(counts);
  if (!bound.ok) return bound;
  const most = asked(bound.value, counts);
  if (isMore(most, counts)) {
    // What a load brings along makes room elsewhere: more loads never ask for more. So as many as one load asks for
    // are enough, what those ask for are too few or just right, and from there it is one more at a time.
    const enough = ask(most);
    if (!enough.ok) return enough;
    counts = asked(enough.value, most);
    for (bound = ask(counts); bound.ok; bound = ask(counts)) {
      const needed = asked(bound.value, counts);
      if (!isMore(needed, counts)) break;
      counts = counts.map((own, batch) =>
        own.map((loads, place) => loads + Number(sure(nth(needed, batch)[place]) > loads)),
      );
    }
    if (!bound.ok) return bound;
  }
  const batches = bound.value.batches.map((batch, index) => ({
    ...batch,
    loads: loadsOf(nth(plan.batches, index), batch.figures, nth(counts, index)),
  }));
  return fine({ ...bound.value, batches });
}

/** Whether some component asks for more loads than it has. */
const isMore = (asked: LoadCounts, counts: LoadCounts) =>
  asked.some((own, batch) => own.some((loads, place) => loads > sure(nth(counts, batch)[place])));

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
