import fc from 'fast-check';
import { judge, judgeRatio, sayVerdict } from './verdict';

// What is said from what is known is ours (common practice, no source); the limits are made up.
const LIMIT = { least: 10, most: 20 };

test.each([
  [12, 1, 1, 'met', 'met'],
  [12, 0.3, 1, 'perhaps', 'met'],
  [12, 1, 0.8, 'perhaps', 'met'],
  [9, 1, 1, 'short', 'short'],
  [9, 0.3, 1, 'perhaps', 'short'],
  // Unknown energy makes a figure per 1000 kcal too large: what is short so is short all the more.
  [9, 1, 0.5, 'short', 'short'],
  [21, 1, 1, 'over', 'over'],
  [21, 0.9, 1, 'perhaps', 'over'],
  [21, 1, 0.5, 'perhaps', 'over'],
  [undefined, 0, 1, 'unknown', undefined],
] as const)('%s at coverage %s, energy known of %s: %s', (amount, coverage, energy, verdict, toward) => {
  expect(judge(LIMIT, { amount, coverage }, energy)).toEqual({ verdict, toward });
});

test('vitamin A of which no retinol is known is perhaps too much', () => {
  const known = { amount: 25, coverage: 1 };
  expect(judge(LIMIT, known, 1, { amount: undefined, coverage: 0, atWorst: 25 })).toEqual({
    verdict: 'perhaps',
    toward: 'over',
  });
  expect(judge(LIMIT, known, 1, { amount: 3, coverage: 1, atWorst: 3 })).toEqual({ verdict: 'met', toward: 'met' });
});

test('a proportion is as well known as the less known of its sides', () => {
  const ratio = judgeRatio({ least: 1, most: 2 }, { amount: 3, coverage: 0.4 }, { amount: 1, coverage: 1 });
  expect(ratio).toMatchObject({ value: 3, coverage: 0.4, verdict: 'perhaps', toward: 'over' });
  expect(judgeRatio({ least: 1 }, { amount: 3, coverage: 1 }, { amount: undefined, coverage: 0 }).verdict).toBe(
    'unknown',
  );
  expect(sayVerdict(ratio)).toBe('perhaps too much');
});

test('more knowledge never turns a plain verdict into perhaps', () => {
  const part = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.double({ min: 0, max: 40, noNaN: true }), part, part, part, (amount, coverage, energy, more) => {
      const before = judge(LIMIT, { amount, coverage }, energy);
      const after = judge(LIMIT, { amount, coverage: Math.max(coverage, more) }, Math.max(energy, more));
      if (before.verdict !== 'perhaps') expect(after).toEqual(before);
      expect(after.toward).toBe(before.toward);
    }),
  );
});
