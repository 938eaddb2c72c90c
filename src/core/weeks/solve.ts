import { nth } from '../sure';
import type { MipAnswer, MipRow, SolveMip } from './mip';
import { atLeastCookDays, otherThan, weeksModel, type Segment, type WeeksModel } from './model';
import { candidatesOf, type WeeksAnswer, type WeeksProblem } from './weeks';

/** Days that belong together: between them nothing changes but what is eaten. */
export function segmentsOf(problem: WeeksProblem): Segment[] {
  const { days } = problem;
  const candidates = candidatesOf(problem);
  const firstNew = candidates[0]?.from ?? days;
  const cuts = new Set([0, days]);
  for (const { day, from } of candidates) for (const cut of [day + 2, from]) cuts.add(Math.min(days, cut));
  for (const { from, to } of problem.without)
    for (const cut of [from, to + 1]) cuts.add(Math.max(0, Math.min(days, cut)));
  for (const { last } of problem.stock) cuts.add(Math.max(0, Math.min(days, last + 1)));
  for (let cut = firstNew; cut < days; cut += 7) cuts.add(cut);
  const sorted = [...cuts].sort((a, b) => a - b);
  return sorted.slice(0, -1).map((from, index) => ({ from, to: nth(sorted, index + 1) - 1 }));
}

export const singleDays = (days: number): Segment[] =>
  Array.from({ length: days }, (_, day) => ({ from: day, to: day }));

/** How far it is: cook days and gap of the best so far. */
export interface WeeksProgress {
  readonly best: WeeksAnswer | undefined;
  /** Part by which a cheaper one could still be there; undefined: not known yet. */
  readonly gap: number | undefined;
}

/** Seconds that solving may take in all. */
export const SECONDS = 10;
/** An answer so near to the best is good enough. */
const NEAR = 0.01;

export interface SolvedWeeks {
  /** undefined: nothing keeps all limits, or nothing was found in time. */
  readonly answer: WeeksAnswer | undefined;
  readonly cost: number | undefined;
  readonly bound: number;
  /** It is proven that nothing keeps all limits. */
  readonly impossible: boolean;
}

/**
 * When to cook what, and what each dog eats on each day.
 *
 * First the fewest cook days that are possible at all; then days and potfuls by segments, a cost that no answer can be below; then the
 * single days around these cook days. Where no single days go with them, the next best cook days. Takes the problem, whoever solves a
 * programme, the seconds that it may take, and who is told of what is found. Source: arithmetic.
 */
export function solveWeeks(
  problem: WeeksProblem,
  solve: SolveMip,
  seconds: number = SECONDS,
  onProgress: (progress: WeeksProgress) => void = () => undefined,
  now: () => number = () => performance.now() / 1000,
): SolvedWeeks {
  const began = now();
  const left = () => Math.max(0.2, seconds - (now() - began));
  const coarse = weeksModel(problem, segmentsOf(problem));
  const fine = weeksModel(problem, singleDays(problem.days));
  const isCooked = new Set(coarse.cooked);
  const fewest = solve(
    { ...coarse.mip, cost: coarse.mip.cost.map((_, column) => (isCooked.has(column) ? 1 : 0)) },
    { seconds: left() * 0.35, gap: 0, within: 0.99 },
  );
  if (fewest.impossible) return { answer: undefined, cost: undefined, bound: Infinity, impossible: true };
  const rows: MipRow[] = [atLeastCookDays(coarse, Math.ceil(fewest.bound - 1e-6))];
  let bound: number | undefined;
  let best: { readonly answer: WeeksAnswer; readonly cost: number } | undefined;
  let start = fewest.values;
  while (best === undefined && (bound === undefined || now() - began < seconds)) {
    const outline = solve(
      { ...coarse.mip, rows: [...coarse.mip.rows, ...rows] },
      { seconds: left() * 0.55, gap: NEAR, start },
    );
    start = undefined;
    bound ??= outline.bound;
    if (outline.impossible) return { answer: undefined, cost: undefined, bound: Infinity, impossible: true };
    if (outline.values === undefined) break;
    const on = coarse.cooked.map((column) => nth(outline.values ?? [], column) > 0.5);
    onProgress({ best: undefined, gap: undefined });
    const whole = solve(
      { ...fine.mip, lower: fixedTo(fine, on, fine.mip.lower), upper: fixedTo(fine, on, fine.mip.upper) },
      { seconds: left() * 0.9, gap: NEAR },
    );
    if (whole.values && whole.cost !== undefined)
      best = { answer: readAnswer(fine, whole, problem, gapOf(whole.cost, bound)), cost: whole.cost };
    else rows.push(otherThan(coarse, on));
  }
  if (best) onProgress({ best: best.answer, gap: best.answer.gap });
  return { answer: best?.answer, cost: best?.cost, bound: bound ?? fewest.bound, impossible: false };
}

const gapOf = (cost: number, bound: number): number => Math.max(0, (cost - bound) / Math.max(1e-9, Math.abs(cost)));

/** The bounds of the columns, with cooking on exactly these days. */
function fixedTo({ cooked }: WeeksModel, on: readonly boolean[], bounds: readonly number[]): number[] {
  const own = [...bounds];
  cooked.forEach((column, at) => (own[column] = on[at] === true ? 1 : 0));
  return own;
}

function readAnswer(
  { candidates, potfuls, eaten, cooked }: WeeksModel,
  { values = [] }: MipAnswer,
  { recipes, days }: WeeksProblem,
  gap: number,
): WeeksAnswer {
  return {
    cooks: candidates.flatMap(({ day, said }, at) => {
      const pots = recipes.flatMap(({ recipeId }, recipe) => {
        const exact = nth(values, nth(nth(potfuls, at), recipe));
        const count = said ? exact : Math.round(exact);
        return count > 0 ? [{ recipeId, potfuls: count }] : [];
      });
      return pots.length > 0 || (said?.pots && nth(values, nth(cooked, at)) > 0.5) ? [{ day, pots }] : [];
    }),
    eats: Object.fromEntries(
      eaten.map(({ dog, sources }) => [
        dog.dogId,
        Array.from(
          { length: days },
          (_, day) =>
            sources.find(({ columns }) => {
              const column = columns[day];
              return column !== undefined && nth(values, column) > 0.5;
            })?.key,
        ),
      ]),
    ),
    gap,
  };
}
