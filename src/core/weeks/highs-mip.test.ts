import fc from 'fast-check';
import { solve as solveByYalps } from 'yalps';
import { solverHere } from '../../../tests/fixtures/highs';
import { MipDraft, type SolveMip } from './mip';

let solve: SolveMip;
beforeAll(async () => {
  solve = await solverHere();
});

const LIMITS = { seconds: 20, gap: 0 };
const small = fc.integer({ min: 1, max: 9 });

test('property: small programmes cost what another solver says they cost, and keep every row', () => {
  const programmes = fc.record({
    cost: fc.array(small, { minLength: 3, maxLength: 5 }),
    rows: fc.array(
      fc.record({ terms: fc.array(small, { minLength: 5, maxLength: 5 }), least: fc.integer({ min: 1, max: 40 }) }),
      {
        minLength: 1,
        maxLength: 3,
      },
    ),
  });
  fc.assert(
    fc.property(programmes, ({ cost, rows }) => {
      const mip = new MipDraft();
      cost.forEach((each, column) => mip.column(each, 0, 12, column % 2 === 0));
      for (const { terms, least } of rows)
        mip.row(
          least,
          Infinity,
          cost.map((_, column) => [column, terms[column]!] as const),
        );
      const found = solve(mip, LIMITS);
      const other = solveByYalps({
        direction: 'minimize',
        objective: 'cost',
        constraints: Object.fromEntries([
          ...rows.map(({ least }, row) => [`row${row}`, { min: least }]),
          ...cost.map((_, column) => [`most${column}`, { max: 12 }]),
        ]),
        variables: Object.fromEntries(
          cost.map((each, column) => [
            `x${column}`,
            {
              cost: each,
              [`most${column}`]: 1,
              ...Object.fromEntries(rows.map(({ terms }, row) => [`row${row}`, terms[column]!])),
            },
          ]),
        ),
        integers: cost.flatMap((_, column) => (column % 2 === 0 ? [`x${column}`] : [])),
      });
      expect([found.impossible, found.cost === undefined]).toEqual([
        other.status === 'infeasible',
        other.status !== 'optimal',
      ]);
      if (found.cost === undefined) return;
      expect(found.cost).toBeCloseTo(other.result, 5);
      expect(found.bound).toBeCloseTo(found.cost, 5);
      for (const { terms, least } of rows)
        expect(found.values!.reduce((sum, value, column) => sum + value * terms[column]!, 0)).toBeGreaterThan(
          // HiGHS keeps a row to its own 1e-6, exactly that much at times.
          least - 1e-5,
        );
      found.values!.forEach(
        (value, column) => column % 2 === 0 && expect(Math.abs(value - Math.round(value))).toBeLessThan(1e-5),
      );
    }),
    { numRuns: 60 },
  );
});

// By hand: of weights 5, 4, 3 worth 10, 40, 30 a sack of 10 takes two of the second at most once each: 40 + 30 and 10 does not fit any more.
test('a sack by hand; rows that cannot be kept are proven, and a column’s bounds hold', () => {
  const sack = new MipDraft();
  for (const worth of [10, 40, 30]) sack.column(-worth, 0, 1, true);
  sack.row(-Infinity, 10, [
    [0, 5],
    [1, 4],
    [2, 3],
  ]);
  expect(solve(sack, LIMITS)).toMatchObject({ cost: -70, values: [0, 1, 1], impossible: false });
  sack.row(3, Infinity, [
    [0, 1],
    [1, 1],
    [2, 1],
  ]);
  expect(solve(sack, LIMITS)).toMatchObject({ cost: undefined, values: undefined, impossible: true });
});

test('terms of one column are added up; a row of nothing is left out unless it cannot be kept', () => {
  const draft = new MipDraft();
  draft.column(1, 0, 9);
  draft.row(4, Infinity, [
    [0, 1],
    [0, 1],
  ]);
  draft.row(-1, 1, []);
  expect(draft.rows).toHaveLength(1);
  expect(solve(draft, LIMITS).values![0]).toBeCloseTo(2, 9);
  draft.row(1, 2, []);
  expect(solve(draft, LIMITS).impossible).toBe(true);
});
