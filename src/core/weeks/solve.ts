import { nth } from '../sure';
import type { Mip, MipAnswer, MipRow, SolveMip } from './mip';
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

export const STEPS = ['the fewest cook days', 'days and potfuls', 'what each dog eats on each day'] as const;

/** How far it is. */
export interface WeeksProgress {
  readonly step: (typeof STEPS)[number];
  /** Part by which a cheaper one could still be there; undefined: not known yet. */
  readonly gap: number | undefined;
}

/** Seconds that solving six weeks of three dogs may take; more dogs and weeks in proportion, up to the most. */
export const SECONDS = 10;
const MOST_SECONDS = 360;
const CHOICES_A_SECOND = 75;

/** Seconds that solving may take: longer where there is more to choose. Source: measured (bench `weeks-6`). */
export const secondsFor = (problem: WeeksProblem): number =>
  Math.min(
    MOST_SECONDS,
    Math.max(
      SECONDS,
      Math.ceil(
        (problem.days * problem.dogs.length * (problem.recipes.length + problem.stock.length)) / CHOICES_A_SECOND,
      ),
    ),
  );

/** An answer so near to the best is good enough. */
const NEAR = 0.01;
/** Of many dogs and weeks one within this is. */
const ROUGH = 0.05;

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
  const isLarge = fine.mip.cost.length > LARGE;
  const isCooked = new Set(coarse.cooked);
  onProgress({ step: STEPS[0], gap: undefined });
  const fewest = solve(
    { ...coarse.mip, cost: coarse.mip.cost.map((_, column) => (isCooked.has(column) ? 1 : 0)) },
    { seconds: left() * (isLarge ? 0.12 : 0.35), gap: 0, within: 0.99 },
  );
  if (fewest.impossible) return { answer: undefined, cost: undefined, bound: Infinity, impossible: true };
  const rows: MipRow[] = [atLeastCookDays(coarse, Math.ceil(fewest.bound - 1e-6))];
  let bound: number | undefined;
  let best: { readonly answer: WeeksAnswer; readonly cost: number } | undefined;
  let start = fewest.values;
  // Cook days that were passed over for want of time are no proof that they do not go.
  let isProof = true;
  onProgress({ step: STEPS[1], gap: undefined });
  while (best === undefined && (bound === undefined || now() - began < seconds)) {
    const outline = solve(
      { ...coarse.mip, rows: [...coarse.mip.rows, ...rows] },
      { seconds: left() * (isLarge ? 0.2 : 0.55), gap: isLarge ? ROUGH : NEAR, start },
    );
    start = undefined;
    bound ??= outline.bound;
    if (outline.impossible) return { answer: undefined, cost: undefined, bound: Infinity, impossible: isProof };
    if (outline.values === undefined) break;
    const on = coarse.cooked.map((column) => nth(outline.values ?? [], column) > 0.5);
    onProgress({ step: STEPS[2], gap: outline.cost === undefined ? undefined : gapOf(outline.cost, bound) });
    const lower = fixedTo(fine, on, fine.mip.lower);
    const upper = fixedTo(fine, on, fine.mip.upper);
    const daily: Mip = { ...fine.mip, lower, upper };
    const atOnce = (part: number) => solve(daily, { seconds: left() * part, gap: NEAR });
    let whole = isLarge ? byFortnights(daily, fine, solve, left) : atOnce(0.9);
    // One way did not find any: the other may.
    if (!whole.values && isLarge) whole = atOnce(0.6);
    if (whole.values && whole.cost !== undefined)
      best = { answer: readAnswer(fine, whole, problem, gapOf(whole.cost, bound)), cost: whole.cost };
    else {
      isProof &&= whole.impossible;
      rows.push(otherThan(coarse, on));
    }
  }
  return { answer: best?.answer, cost: best?.cost, bound: bound ?? fewest.bound, impossible: false };
}

/** More yes and no than this are not decided at once (ours, measured). */
const LARGE = 900;
const FORTNIGHT = 14;

/**
 * The single days of many dogs, fortnight after fortnight: those before stand, those after may still be eaten in parts. Not always the
 * best, but whole. Takes the programme with its cook days fixed.
 */
function byFortnights(mip: Mip, { eaten, potfuls }: WeeksModel, solve: SolveMip, left: () => number): MipAnswer {
  const lower = [...mip.lower];
  const upper = [...mip.upper];
  const columnsOf = (day: number) =>
    eaten.flatMap(({ sources }) => sources.flatMap(({ columns }) => columns[day] ?? []));
  const days = eaten[0]?.sources[0]?.columns.length ?? 0;
  let answer: MipAnswer = { cost: undefined, bound: -Infinity, values: undefined, impossible: true };
  for (let from = 0; from < days; from += FORTNIGHT) {
    const now = new Set([
      ...Array.from({ length: FORTNIGHT }, (_, day) => columnsOf(from + day)).flat(),
      ...potfuls.flat(),
    ]);
    const rounds = Math.ceil((days - from) / FORTNIGHT);
    answer = solve(
      { ...mip, lower, upper, whole: mip.whole.map((whole, column) => whole && now.has(column)) },
      { seconds: Math.max(left() / rounds, left() * 0.4), gap: ROUGH },
    );
    if (!answer.values) return answer;
    for (let day = from; day < from + FORTNIGHT; day++)
      for (const column of columnsOf(day)) lower[column] = upper[column] = Math.round(nth(answer.values, column));
  }
  return answer;
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
