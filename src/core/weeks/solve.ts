import { nth } from '../sure';
import { dryersUsed } from './drying';
import type { Mip, MipAnswer, MipRow, SolveMip } from './mip';
import { atLeastCookDays, beyond, otherThan, weeksModel, type Segment, type WeeksModel } from './model';
import {
  candidatesOf,
  dryKey,
  toTenth,
  type Candidate,
  type WeeksAnswer,
  type WeeksCook,
  type WeeksPot,
  type WeeksProblem,
  fridgeOfAll,
} from './weeks';

/** Days that belong together: between them nothing changes but what is eaten. */
export function segmentsOf(problem: WeeksProblem): Segment[] {
  const { days } = problem;
  const candidates = candidatesOf(problem);
  const firstNew = candidates[0]?.from ?? days;
  const cuts = new Set([0, days]);
  const slow = freezesSlowly(problem, candidates);
  for (const { day, from } of candidates)
    for (const cut of [day + 2, from, ...(slow ? problem.recipes.map(({ fridgeDays }) => day + fridgeDays + 1) : [])])
      cuts.add(Math.min(days, cut));
  for (const { from, to } of problem.without)
    for (const cut of [from, to + 1]) cuts.add(Math.max(0, Math.min(days, cut)));
  for (const { last } of problem.stock) cuts.add(Math.max(0, Math.min(days, last + 1)));
  for (let cut = firstNew; cut < days; cut += 7) cuts.add(cut);
  const sorted = [...cuts].sort((a, b) => a - b);
  return sorted.slice(0, -1).map((from, index) => ({ from, to: nth(sorted, index + 1) - 1 }));
}

/** Whether a cook day may bring more than the freezer freezes while the fridge keeps it: only then does that count. */
function freezesSlowly(problem: WeeksProblem, candidates: readonly Candidate[]): boolean {
  const { freezer, recipes } = problem;
  if (!freezer) return false;
  const minutes = Math.max(0, ...candidates.map((each) => each.minutes));
  const most = Math.max(0, ...recipes.map((recipe) => Math.floor(minutes / recipe.minutes + 1e-9) * recipe.grams));
  return freezer.gramsADay * Math.max(1, fridgeOfAll(problem)) < most;
}

export const singleDays = (days: number): Segment[] =>
  Array.from({ length: days }, (_, day) => ({ from: day, to: day }));

export const STEPS = ['the fewest cook days', 'days and potfuls', 'what each dog eats on each day'] as const;

/** How far it is. */
export interface WeeksProgress {
  readonly step: (typeof STEPS)[number];
  /** Part by which a cheaper one could still be there; undefined: not known yet. */
  readonly gap: number | undefined;
  /** The best so far: its days and potfuls are found, who eats what on which day is still looked for. undefined: nothing yet. */
  readonly soFar: readonly WeeksCook[] | undefined;
}

/** Seconds that solving six weeks of three dogs may take; more dogs and weeks in proportion, up to the most. */
export const SECONDS = 10;
const MOST_SECONDS = 360;
const CHOICES_A_SECOND = 75;
/** Each dryer that is counted on makes it so many times longer. */
const DRYER_TAKES = 1.25;

/** Seconds that solving may take: longer where there is more to choose. Source: measured (bench `weeks-6`). */
export function secondsFor(problem: WeeksProblem): number {
  const choices = problem.days * problem.dogs.length * (problem.recipes.length + problem.stock.length);
  const longer = 1 + DRYER_TAKES * dryersUsed(problem).length;
  return Math.min(MOST_SECONDS, Math.ceil(Math.max(SECONDS, choices / CHOICES_A_SECOND) * longer));
}

/** g of a pot below which nothing is dried: sums of a solver are not exact. */
const A_CRUMB = 5;
/** An answer so near to the best is good enough. */
const NEAR = 0.01;
/** Of many dogs and weeks one within this is. */
const ROUGH = 0.05;

/** From this part of the time on a cook day more is allowed (ours, measured). */
const LATE = 0.5;

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
  const isLarge = fine.mip.whole.filter(Boolean).length > LARGE;
  const isCooked = new Set(coarse.cooked);
  onProgress({ step: STEPS[0], gap: undefined, soFar: undefined });
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
  onProgress({ step: STEPS[1], gap: undefined, soFar: undefined });
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
    onProgress({
      step: STEPS[2],
      gap: outline.cost === undefined ? undefined : gapOf(outline.cost, bound),
      soFar: soFarIn(coarse, problem, outline.values, on),
    });
    const lower = fixedTo(fine, on, fine.mip.lower);
    const upper = fixedTo(fine, on, fine.mip.upper);
    const daily: Mip = { ...fine.mip, lower, upper };
    const rough = isLarge ? byFortnights(daily, fine, solve, withinPart(left, 0.35)) : undefined;
    // One way did not find any, or none that is near the best: the other may.
    const whole =
      rough?.cost !== undefined && gapOf(rough.cost, bound) <= ROUGH
        ? rough
        : cheaper(rough, solve(daily, { seconds: left() * (isLarge ? 0.6 : 0.9), gap: NEAR, start: rough?.values }));
    if (whole.values && whole.cost !== undefined)
      best = { answer: readAnswer(fine, whole, problem, gapOf(whole.cost, bound)), cost: whole.cost };
    else {
      isProof &&= whole.impossible;
      rows.push(whole.impossible ? beyond(coarse, on) : otherThan(coarse, on));
      // A cook day more is found sooner than the few ways that may be left without it.
      if (now() - began > seconds * LATE) {
        rows.push(atLeastCookDays(coarse, on.filter(Boolean).length + 1));
        isProof = false;
      }
    }
  }
  return { answer: best?.answer, cost: best?.cost, bound: bound ?? fewest.bound, impossible: false };
}

/** Seconds that are left, of a part of those that are left now. */
const withinPart = (left: () => number, part: number): (() => number) => {
  const rest = left() * (1 - part);
  return () => Math.max(0.2, left() - rest);
};

/** The cheaper of two answers to one programme. */
const cheaper = (one: MipAnswer | undefined, other: MipAnswer): MipAnswer =>
  one?.cost !== undefined && one.cost <= (other.cost ?? Infinity) ? one : other;

/** More yes and no than this are not decided at once (ours, measured). */
const LARGE = 900;
const FORTNIGHT = 14;

/**
 * The single days of many dogs, fortnight after fortnight: those before stand, those after may still be eaten in parts. Not always the
 * best, but whole. Takes the programme with its cook days fixed.
 */
function byFortnights(mip: Mip, { eaten, potfuls, dry }: WeeksModel, solve: SolveMip, left: () => number): MipAnswer {
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
      ...dry.cycles.flat(),
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

/** What an outline cooks, to a tenth of a potful: what is in a pot already may be a part of one. */
const soFarIn = (
  { candidates, potfuls }: WeeksModel,
  { recipes }: WeeksProblem,
  values: readonly number[],
  on: readonly boolean[],
): WeeksCook[] =>
  candidates.flatMap(({ day }, at) => {
    if (!nth(on, at)) return [];
    const pots = recipes.map(({ recipeId }, recipe) => ({
      recipeId,
      potfuls: toTenth(nth(values, nth(nth(potfuls, at), recipe))),
    }));
    return [{ day, pots: pots.filter((pot) => pot.potfuls > 0) }];
  });

/** Part of a cost by which a cheaper one could still be there. Source: arithmetic. */
export const gapOf = (cost: number, bound: number): number =>
  Math.max(0, (cost - bound) / Math.max(1e-9, Math.abs(cost)));

/** The bounds of the columns, with cooking on exactly these days. */
function fixedTo({ cooked }: WeeksModel, on: readonly boolean[], bounds: readonly number[]): number[] {
  const own = [...bounds];
  cooked.forEach((column, at) => (own[column] = on[at] === true ? 1 : 0));
  return own;
}

function readAnswer(
  { candidates, potfuls, eaten, cooked, dry }: WeeksModel,
  { values = [] }: MipAnswer,
  { recipes, days }: WeeksProblem,
  gap: number,
): WeeksAnswer {
  const at = (column: number | undefined): number => (column === undefined ? 0 : nth(values, column));
  const cooks = candidates.flatMap(({ day, said }, own): WeeksCook[] => {
    const pots = recipes.flatMap(({ recipeId, grams, kcal }, recipe): WeeksPot[] => {
      const exact = at(nth(nth(potfuls, own), recipe));
      const count = said ? exact : Math.round(exact);
      const dried = dry.dryers.flatMap(({ equipmentId }, dryer) => {
        const mass = at(nth(nth(nth(dry.dried, own), recipe), dryer)) * (grams / kcal);
        return mass > A_CRUMB ? [{ equipmentId, grams: mass }] : [];
      });
      return count > 0 ? [{ recipeId, potfuls: count, ...(dried.length > 0 ? { dried } : {}) }] : [];
    });
    const cycles = dry.dryers.flatMap(({ equipmentId }, dryer) =>
      pots.some((pot) => pot.dried?.some((each) => each.equipmentId === equipmentId))
        ? [{ equipmentId, cycles: Math.round(at(nth(nth(dry.cycles, own), dryer))) }]
        : [],
    );
    return pots.length > 0 || (said?.pots && at(nth(cooked, own)) > 0.5)
      ? [{ day, pots, ...(cycles.length > 0 ? { cycles } : {}) }]
      : [];
  });
  const isDried = (recipeId: number, equipmentId: number) =>
    cooks.some(({ pots }) =>
      pots.some((pot) => pot.recipeId === recipeId && pot.dried?.some((each) => each.equipmentId === equipmentId)),
    );
  const dryEaten = recipes.flatMap(({ recipeId }, recipe) =>
    dry.dryers.flatMap(({ equipmentId }, dryer) =>
      isDried(recipeId, equipmentId)
        ? [[dryKey(recipeId, equipmentId), nth(nth(dry.drawn, recipe), dryer).map((column) => Math.max(0, at(column)))]]
        : [],
    ),
  );
  return {
    cooks,
    ...(dryEaten.length > 0 ? { dryEaten: Object.fromEntries(dryEaten) as WeeksAnswer['dryEaten'] } : {}),
    eats: Object.fromEntries(
      eaten.map(({ dog, sources }) => [
        dog.dogId,
        Array.from({ length: days }, (_, day) => sources.find(({ columns }) => at(columns[day]) > 0.5)?.key),
      ]),
    ),
    gap,
  };
}
