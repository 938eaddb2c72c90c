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
}

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
  /** Empty where every limit that anything supplies is held. */
  readonly conflicts: readonly Relaxation[];
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

/** Less than this is not weighed in a kitchen (common practice, no source). */
const SMALLEST = 0.05;

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
  const energyPerGram = candidates.map(({ food }) => energyOf([{ food, grams: grams(1) }], factors));
  const rows: LimitRow[] = [];
  const dropped: string[] = [];
  for (const { name } of nutrients) {
    const limit = profile.limits[name];
    const reading = READINGS[name];
    if (!limit) continue;
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
  for (const ratio of profile.ratios ?? []) rows.push(...ratioRows(ratio, lines, candidates, profile, kcal));
  return {
    rows,
    caps: candidates.map((candidate) => candidate.cap),
    prices: candidates.map((candidate) => candidate.price ?? 1),
    dropped,
  };
}

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

const OPTIONS = { checkCycles: true, maxPivots: 100_000 } as const;

interface Solved {
  readonly grams: readonly number[];
  /** Of each row, the part of its limit by which it gives way. */
  readonly slack: readonly number[];
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
  for (;;) {
    const constraints = new Map(limits);
    const solution = solve({ direction: 'minimize', objective: 'price', constraints, variables }, OPTIONS);
    if (solution.status !== 'optimal') return undefined;
    const found = new Map(solution.variables);
    const grams = caps.map((_, index) => found.get(`x${index}`) ?? 0);
    const passed = grams.flatMap((mass, index) => (mass > caps[index]! * (1 + 1e-9) ? [index] : []));
    if (passed.length === 0) return { grams, slack: rows.map((_, index) => found.get(`s${index}`) ?? 0) };
    for (const index of passed) limits.set(`c${index}`, { max: caps[index]! });
  }
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

/**
 * Which additions, at least in weight or in cost where the candidates have a price, bring every nutrient between its least and its most. Where none can, the limits
 * that stand in each other's way, with the smallest parts by which they must give way.
 *
 * Takes the lines that are eaten, the candidates with their caps in g, the nutrients, one profile and the household's
 * energy factors; returns g. Source: linear programming; handbook 3.
 */
export function propose(
  eaten: readonly Portioned[],
  candidates: readonly Candidate[],
  nutrients: Profiles['nutrients'],
  profile: Profile,
  factors: EnergyFactors,
): Proposed {
  const programme = programmeOf(eaten, candidates, nutrients, profile, factors);
  const met = leastSum(programme);
  const relaxed = met ? undefined : leastRelaxed(programme);
  const amounts = met ?? relaxed!.grams;
  return {
    additions: candidates.flatMap(({ food }, index) =>
      amounts[index]! >= SMALLEST ? [{ ndb: food.ndb, grams: grams(amounts[index]!) }] : [],
    ),
    conflicts: programme.rows.flatMap(({ name, side }, index) =>
      relaxed && relaxed.slack[index]! > 1e-6 ? [{ name, side, by: relaxed.slack[index]! }] : [],
    ),
    dropped: programme.dropped,
  };
}
