import { solve } from 'yalps';
import type { LimitRow, Programme } from './programme';
import { nth } from '../sure';

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
export function solveUnderCaps({ rows, caps, prices }: Programme, relaxed: boolean): Solved | undefined {
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
      ['price', perGram * nth(prices, index)],
      [`c${index}`, 1],
    ];
    for (const [at, row] of rows.entries()) {
      const value = nth(row.perGram, index);
      if (value !== 0) brings.push([nth(names, at), value / row.whole]);
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
    for (const index of passed) limits.set(`c${index}`, { max: nth(caps, index) });
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
    const least = nth(smallest, index);
    if (!(cap >= least)) return;
    constraints.set(`c${index}`, { max: 0 });
    constraints.set(`m${index}`, { min: 0 });
    const brings = rows.flatMap((row, at): [string, number][] =>
      row.perGram[index] === 0 ? [] : [[`r${at}`, nth(row.perGram, index) / row.whole]],
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
