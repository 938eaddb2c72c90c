import { unusualYield } from './unusual';

test('a pot far from this recipe’s others is asked about, one like them is not', () => {
  // Two pots of 86 and 88 %: mean 87, 3 × 1.4 is less than the tenth that any pot may stray.
  expect(unusualYield(870, 1000, [0.86, 0.88])).toBeUndefined();
  expect(unusualYield(780, 1000, [0.86, 0.88])).toBeUndefined();
  expect(unusualYield(620, 1000, [0.86, 0.88])).toEqual({
    part: 0.62,
    low: expect.closeTo(0.77, 6) as number,
    high: expect.closeTo(0.97, 6) as number,
    pots: 2,
  });
});

test('pots that differ much may differ on; of a single pot little is known, of none nothing', () => {
  expect(unusualYield(600, 1000, [0.6, 0.9])).toBeUndefined();
  expect(unusualYield(800, 1000, [0.9])).toBeUndefined();
  expect(unusualYield(700, 1000, [0.9])?.pots).toBe(1);
  expect(unusualYield(100, 1000, [])).toBeUndefined();
  expect(unusualYield(100, 0, [0.9])).toBeUndefined();
});
