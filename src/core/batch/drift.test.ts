import type { WeighedTake } from './observations';
import { driftFromPlan, driftInPercent } from './drift';

const take = (words: string, planned: number, weighed: number, kcal: number): WeighedTake => ({
  name: words,
  words,
  planned,
  weighed,
  component: 0,
  // kcal by protein alone: 4 a gram.
  parts: [
    {
      text: words,
      food: { ndb: '0', name: words, group: 'Beef', per100: { protein_g: kcal / 4, fat_g: 0, carbohydrate_g: 0 } },
      part: 'muscle',
      moment: 'cook',
      share: 1,
    },
  ],
});

test('within 5 % of the plan nothing is said; beyond it the batch’s energy is said anew (worked by hand)', () => {
  expect(driftFromPlan([take('meat', 1000, 1049, 200)], '4-9-4')).toBeUndefined();
  const drift = driftFromPlan([take('meat', 1000, 1100, 200), take('root', 500, 500, 80)], '4-9-4')!;
  // 2000 + 400 kcal planned, 2200 + 400 went in: 8 % more.
  expect(drift.lines).toEqual([{ name: 'meat', planned: 1000, weighed: 1100 }]);
  expect([drift.planned, drift.weighed]).toEqual([expect.closeTo(2400, 6), expect.closeTo(2600, 6)]);
  expect(driftInPercent(drift)).toBe(8);
});

test('something that was not planned counts, and what was left out too', () => {
  expect(driftFromPlan([take('meat', 1000, 1000, 200), take('more', 0, 50, 200)], '4-9-4')?.lines).toHaveLength(1);
  expect(driftInPercent(driftFromPlan([take('meat', 1000, 0, 200)], '4-9-4')!)).toBe(-100);
});
