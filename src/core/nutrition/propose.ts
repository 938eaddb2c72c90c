import { solve } from 'yalps';
import { isWater, type Food } from '../food/food';
import { grams, type Grams } from '../quantity/units';
import { READINGS, RETINOL } from './balance-readings';
import { energyOf, type EnergyFactors } from './energy';
import type { Profile, Profiles } from './profiles';
import type { Portioned } from './totals';

/** A food that may be added, up to so many g. */
export interface Candidate {
  readonly food: Pick<Food, 'ndb' | 'name' | 'group' | 'per100'>;
  readonly cap: Grams;
  /** What one g costs, where the objective is cost. */
  readonly price?: number;
  /** What a level teaspoon of it weighs, where it is spooned. */
  readonly tspGrams?: number;
}

export const OBJECTIVES = ['fewest', 'weight', 'cost'] as const;
/** What is least: the number of things, their weight, or their cost. */
export type Objective = (typeof OBJECTIVES)[number];

/** So much of a food, as a spoon or a scale can measure it. */
export interface Addition {
  readonly ndb: string;
  readonly grams: Grams;
}

/** A limit that the additions cannot hold, and by how much of it they miss. */
export interface Relaxation {
  readonly name: string;
  readonly side: 'least' | 'most';
  /** The smallest part of the limit by which it must give way. */
  readonly by: number;
}

export interface Proposed {
  readonly additions: readonly Addition[];
  /** Empty where every limit that anything supplies is held, as exactly worked out. */
  readonly conflicts: readonly Relaxation[];
  /** Limits that are held exactly and missed once the amounts are rounded. */
  readonly missed: readonly Relaxation[];
  /** The search was given up after its limit of rounds or of time: there may be a better answer. */
  readonly ended: boolean;
  /** Bone is in the food: nothing is proposed for calcium or phosphorus, and nothing that is mainly that. */
  readonly boneIn: boolean;
  /** Nutrients with a least that neither the recipe nor a candidate supplies: dropped, and said. */
  readonly dropped: readonly string[];
}

/** A candidate's cap for a recipe, from its cap in g per 1000 kcal. */
export const capFor = (lines: readonly Portioned[], perThousand: number, factors: EnergyFactors): Grams =>
  grams((perThousand * energyOf(lines, factors)) / 1000);

/** One side of a nutrient's limit as a row of the programme: coefficients of each candidate, and the bound. */
export interface LimitRow {
  readonly name: string;
  readonly side: 'least' | 'most';
  readonly bound: number;
  readonly perGram: readonly number[];
  /** What the limit itself comes to for this recipe: the measure of a relaxation. */
  readonly whole: number;
}

/** The linear programme of a recipe, its candidates and a profile, in plain rows. */
export interface Programme {
  readonly rows: readonly LimitRow[];
  readonly caps: readonly number[];
  /** What one g of each candidate counts in the objective: 1 for weight, its price for cost. */
  readonly prices: readonly number[];
  readonly dropped: readonly string[];
}

/**
 * Writes down the linear programme: grams of each candidate between 0 and its cap, every nutrient between its least
 * and its most per 1000 kcal, where the candidates' own energy counts too. Values that were not measured count as 0
 * for a least, so that what is proposed is enough as far as is known. Source: handbook 3 (balancing).
 */
export function programmeOf(
  eaten: readonly Portioned[],
  candidates: readonly Candidate[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
): Programme {
  const lines = eaten.filter((line) => !isWater(line.food));
  const kcal = energyOf(lines, factors);
  const boneIn = holdsBone(lines);
  const energyPerGram = candidates.map(({ food }) => energyOf([{ food, grams: grams(1) }], factors));
  const rows: LimitRow[] = [];
  const dropped: string[] = [];
  for (const { name } of nutrients) {
    const limit = profile.limits[name];
    const reading = READINGS[name];
    if (!limit || (boneIn && IN_BONE.has(name))) continue;
    const inRecipe = (of: (typeof READINGS)[string]['of']) =>
      lines.reduce((sum, line) => sum + ((of(line.food.per100) ?? 0) * line.grams) / 100, 0);
    const perGram = (of: (typeof READINGS)[string]['of']) => candidates.map(({ food }) => (of(food.per100) ?? 0) / 100);
    const add = (side: 'least' | 'most', perThousand: number, of: (typeof READINGS)[string]['of']) => {
      const whole = (perThousand * kcal) / 1000;
      rows.push({
        name,
        side,
        bound: whole - inRecipe(of),
        perGram: perGram(of).map((value, index) => value - (perThousand * energyPerGram[index]!) / 1000),
        whole,
      });
    };
    const supplied = reading && (inRecipe(reading.of) > 0 || perGram(reading.of).some((value) => value > 0));
    if (!supplied) {
      if (limit.least !== undefined) dropped.push(name);
      continue;
    }
    if (limit.least !== undefined) add('least', limit.least, reading.of);
    if (limit.most !== undefined) add('most', limit.most, name === 'vitamin A' ? RETINOL : reading.of);
  }
  for (const ratio of profile.ratios ?? [])
    if (!boneIn || !(IN_BONE.has(ratio.of) || IN_BONE.has(ratio.to)))
      rows.push(...ratioRows(ratio, lines, candidates, profile, kcal));
  return {
    rows,
    caps: candidates.map((candidate) => candidate.cap),
    prices: candidates.map((candidate) => candidate.price ?? 1),
    dropped,
  };
}

/** What bone brings unmeasured, and a supplement of which this part is calcium or phosphorus brings on top. */
const IN_BONE: ReadonlySet<string> = new Set(['calcium', 'phosphorus']);
const MINERAL = 5_000;

const holdsBone = (lines: readonly Portioned[]) => lines.some(({ food }) => food.bone === true);

/** Whether a candidate is there for its calcium or phosphorus: over 5 % of its weight (ours, no source). */
const isBoneMineral = ({ food: { per100 } }: Candidate) =>
  (per100.calcium_mg ?? 0) > MINERAL || (per100.phosphorus_mg ?? 0) > MINERAL;

/** A proportion as rows: of − least × to ≥ 0, of − most × to ≤ 0; its own measure is the least of what it is to. */
function ratioRows(
  { name, of, to, least, most }: NonNullable<Profile['ratios']>[number],
  lines: readonly Portioned[],
  candidates: readonly Candidate[],
  profile: Profile,
  kcal: number,
): LimitRow[] {
  const whole = ((profile.limits[to]?.least ?? 1) * kcal) / 1000;
  const row = (side: LimitRow['side'], times: number): LimitRow => {
    const per100 = ({ food }: { readonly food: Pick<Food, 'per100'> }) =>
      (READINGS[of]!.of(food.per100) ?? 0) - times * (READINGS[to]!.of(food.per100) ?? 0);
    return {
      name,
      side,
      bound: -lines.reduce((sum, line) => sum + (per100(line) * line.grams) / 100, 0),
      perGram: candidates.map((candidate) => per100(candidate) / 100),
      whole,
    };
  };
  return [...(least === undefined ? [] : [row('least', least)]), ...(most === undefined ? [] : [row('most', most)])];
}

/** Few programmes ever cycle: only one that does not come to an end is solved again with an eye on it. */
const QUICK = { maxPivots: 3_000 } as const;
const OPTIONS = { checkCycles: true, maxPivots: 100_000 } as const;

interface Solved {
  readonly grams: readonly number[];
  /** Of each row, the part of its limit by which it gives way. */
  readonly slack: readonly number[];
  /** Given up at its limit of rounds or time. */
  readonly ended: boolean;
}

/**
 * Solves the programme; with `relaxed`, every row may give way at a price of 1 for the whole of its limit. Rows are in
 * parts of their own limit, so that IU and mg weigh alike. Undefined where nothing holds.
 *
 * Caps are rows of their own for the solver, and few of them ever bind: only those that an answer passes are put in,
 * until none is passed. What then comes out is the least of all answers under all caps.
 */
function solveUnderCaps({ rows, caps, prices }: Programme, relaxed: boolean): Solved | undefined {
  const limits = new Map<string, { min?: number; max?: number }>(
    rows.map(({ side, bound, whole }, index) => [
      `r${index}`,
      side === 'least' ? { min: bound / whole } : { max: bound / whole },
    ]),
  );
  // Where rows may give way, weight only decides between answers that give way alike.
  const perGram = relaxed ? 1e-6 : 1;
  // Lists of pairs, not objects: over the whole food table that is four times as fast.
  const names = rows.map((_, index) => `r${index}`);
  const variables: [string, [string, number][]][] = [];
  caps.forEach((cap, index) => {
    if (!(cap > 0)) return;
    const brings: [string, number][] = [
      ['price', perGram * prices[index]!],
      [`c${index}`, 1],
    ];
    for (const [at, row] of rows.entries()) {
      const value = row.perGram[index]!;
      if (value !== 0) brings.push([names[at]!, value / row.whole]);
    }
    variables.push([`x${index}`, brings]);
  });
  if (relaxed)
    rows.forEach(({ side }, index) =>
      variables.push([
        `s${index}`,
        [
          ['price', 1],
          [`r${index}`, side === 'least' ? 1 : -1],
        ],
      ]),
    );
  let found = new Map<string, number>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const constraints = new Map(limits);
    const model = { direction: 'minimize' as const, objective: 'price', constraints, variables };
    const quick = solve(model, QUICK);
    const solution = quick.status === 'optimal' || quick.status === 'infeasible' ? quick : solve(model, OPTIONS);
    if (solution.status !== 'optimal') return undefined;
    found = new Map(solution.variables);
    // A cap that is a row already is held as well as floating point can: to ask for it again would never end.
    const passed = caps.flatMap((cap, index) =>
      (found.get(`x${index}`) ?? 0) > cap * (1 + 1e-9) && !limits.has(`c${index}`) ? [index] : [],
    );
    if (passed.length === 0) return solvedOf(found, caps, rows, false);
    for (const index of passed) limits.set(`c${index}`, { max: caps[index]! });
  }
  return solvedOf(found, caps, rows, true);
}

/** More rounds of caps than candidates are never needed; beyond this the answer is given as it stands. */
const MOST_ROUNDS = 200;

const solvedOf = (
  found: ReadonlyMap<string, number>,
  caps: readonly number[],
  rows: readonly LimitRow[],
  ended: boolean,
): Solved => ({
  grams: caps.map((cap, index) => Math.min(cap, found.get(`x${index}`) ?? 0)),
  slack: rows.map((_, index) => found.get(`s${index}`) ?? 0),
  ended,
});

/** No search for the fewest things takes longer; then the best so far is said. */
const MOST_MS = 8000;

/**
 * The fewest candidates that hold every row, each at least its smallest measurable amount, as a mixed-integer programme:
 * a candidate is in or out, and then between that amount and its cap. `slack` loosens each row by a part of its limit.
 * Of equally few the lightest comes out, as far as a thousandth of a thing weighs. Undefined where nothing holds.
 */
export function fewest(
  { rows, caps }: Programme,
  smallest: readonly number[],
  slack: readonly number[] = [],
): Solved | undefined {
  const constraints = new Map<string, { min?: number; max?: number }>();
  rows.forEach(({ side, bound, whole }, index) => {
    const loose = (slack[index] ?? 0) * (1 + 1e-6) + 1e-9;
    constraints.set(`r${index}`, side === 'least' ? { min: bound / whole - loose } : { max: bound / whole + loose });
  });
  const heaviest = Math.max(1, ...caps);
  const variables: [string, [string, number][]][] = [];
  const binaries: string[] = [];
  caps.forEach((cap, index) => {
    const least = smallest[index]!;
    if (!(cap >= least)) return;
    constraints.set(`c${index}`, { max: 0 });
    constraints.set(`m${index}`, { min: 0 });
    const brings = rows.flatMap((row, at): [string, number][] =>
      row.perGram[index] === 0 ? [] : [[`r${at}`, row.perGram[index]! / row.whole]],
    );
    variables.push([`x${index}`, [['things', 1e-3 / heaviest], [`c${index}`, 1], [`m${index}`, 1], ...brings]]);
    variables.push([
      `y${index}`,
      [
        ['things', 1],
        [`c${index}`, -cap],
        [`m${index}`, -least],
      ],
    ]);
    binaries.push(`y${index}`);
  });
  const solution = solve(
    { direction: 'minimize', objective: 'things', constraints, variables, binaries },
    // The count is what matters: within a twentieth no fewer things are possible up to twenty of them.
    { ...OPTIONS, timeout: MOST_MS, tolerance: 0.05 },
  );
  if (solution.status !== 'optimal' && solution.status !== 'timedout') return undefined;
  if (solution.variables.length === 0 && solution.status === 'timedout') return undefined;
  return solvedOf(new Map(solution.variables), caps, rows, solution.status === 'timedout');
}

/** The least weight (or cost) of additions, in g of each, that holds every row; undefined where nothing does. */
export const leastSum = (programme: Programme): readonly number[] | undefined =>
  solveUnderCaps(programme, false)?.grams;

/**
 * The smallest giving way: the limits are relaxed, each in parts of itself, so that the sum of the parts is least;
 * of what then remains free the least weight is taken (its price is a millionth).
 */
export function leastRelaxed(programme: Programme): Solved {
  const solved = solveUnderCaps(programme, true);
  if (!solved) throw new Error('a programme whose rows all may give way has an answer');
  return solved;
}

/** A spoon measures eighths of a teaspoon up to two tablespoons; a scale tenths below 10 g and whole g above. */
const spoonStep = ({ tspGrams }: Candidate) => (tspGrams === undefined ? undefined : tspGrams / 8);
const MOST_SPOONS = 6 * 8;
/** Steps that rounding is mended by, at most. */
const MOST_STEPS = 40;

/** The step by which so much of a candidate is measured, in g (common practice, no source). */
function stepOf(candidate: Candidate, mass: number): number {
  const spoon = spoonStep(candidate);
  if (spoon !== undefined && spoon >= 0.1 && mass <= spoon * MOST_SPOONS) return spoon;
  return mass < 10 ? 0.1 : 1;
}

/** The least of a candidate that a kitchen can measure, in g. */
export const smallestOf = (candidate: Candidate): number => Math.max(0.1, spoonStep(candidate) ?? 0.1);

/** How far rows are missed by these amounts, in parts of their limits; what floating point may lose is none. */
function missedBy({ rows }: Programme, amounts: readonly number[]): readonly number[] {
  return rows.map(({ side, bound, perGram, whole }) => {
    const brought = perGram.reduce((sum, value, index) => sum + value * amounts[index]!, 0);
    const by = (side === 'least' ? bound - brought : brought - bound) / whole;
    return by > 1e-6 ? by : 0;
  });
}

/**
 * Amounts as they can be measured: each up to its next step, then a step up or down where rounding missed a limit.
 * Caps are kept. Source: common practice, no source.
 */
export function measurable(programme: Programme, candidates: readonly Candidate[], exact: readonly number[]): number[] {
  const step = (index: number) => stepOf(candidates[index]!, exact[index]!);
  const up = exact.map((mass, index) => {
    if (mass < smallestOf(candidates[index]!) / 2) return 0;
    const steps = Math.ceil(mass / step(index) - 1e-6);
    const most = Math.floor(programme.caps[index]! / step(index) + 1e-9);
    return Math.max(1, Math.min(steps, Math.max(1, most))) * step(index);
  });
  const wrong = (amounts: readonly number[]) => missedBy(programme, amounts).reduce((sum, by) => sum + by, 0);
  const least = wrong(exact) + 1e-9;
  let best = up;
  // A step up or down at a time, the one that helps most, until rounding misses nothing or nothing helps.
  for (let round = 0; round < MOST_STEPS && wrong(best) > least; round++) {
    const tries = best.flatMap((mass, index) =>
      mass === 0
        ? []
        : [mass + step(index), mass - step(index)]
            .filter((next) => next > 0 && next <= programme.caps[index]! * (1 + 1e-9))
            .map((next) => best.map((each, at) => (at === index ? next : each))),
    );
    const next = tries.sort((a, b) => wrong(a) - wrong(b))[0];
    if (!next || wrong(next) >= wrong(best) - 1e-9) break;
    best = next;
  }
  return best.map((mass) => Number(mass.toFixed(4)));
}

/**
 * Which additions bring every nutrient between its least and its most: the fewest things, or the least in weight or in
 * cost, in amounts that a spoon or a scale can measure, checked again after rounding. Where none can, the limits that
 * stand in each other's way, with the smallest parts by which they must give way. With bone of unknown content in the
 * food nothing is proposed for calcium and phosphorus.
 *
 * Takes the lines that are eaten, the candidates with their caps in g, the nutrients, one profile, the household's
 * energy factors and what is to be least; returns g. Source: linear and mixed-integer programming; handbook 3.
 */
export function propose(
  eaten: readonly Portioned[],
  all: readonly Candidate[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
  objective: Objective = 'weight',
): Proposed {
  const boneIn = holdsBone(eaten);
  const candidates = boneIn ? all.filter((candidate) => !isBoneMineral(candidate)) : all;
  const programme = programmeOf(eaten, candidates, nutrients, profile, factors);
  const met = solveUnderCaps(programme, false);
  const relaxed = met ? undefined : leastRelaxed(programme);
  const light = met ?? relaxed!;
  const few =
    objective === 'fewest' ? fewest(programme, candidates.map(smallestOf), relaxed ? relaxed.slack : []) : undefined;
  const solved = few ?? light;
  const amounts = measurable(programme, candidates, solved.grams);
  const before = missedBy(programme, solved.grams);
  const after = missedBy(programme, amounts);
  const given = (by: number, index: number): Relaxation[] => {
    const { name, side } = programme.rows[index]!;
    return by > 0 ? [{ name, side, by }] : [];
  };
  return {
    additions: candidates.flatMap(({ food }, index) =>
      amounts[index]! > 0 ? [{ ndb: food.ndb, grams: grams(amounts[index]!) }] : [],
    ),
    conflicts: relaxed ? relaxed.slack.flatMap((by, index) => given(by > 1e-6 ? by : 0, index)) : [],
    missed: after.flatMap((by, index) => given(by - before[index]! > 1e-3 ? by : 0, index)),
    ended: solved.ended,
    boneIn,
    dropped: programme.dropped,
  };
}
