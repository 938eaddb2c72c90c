import fc from 'fast-check';
import { OF_ALL, OF_ONE, oneMore, waitOf, type Tries } from './waits';

const SECOND = 1000;
const HOUR = 3600 * SECOND;

test('three slips are free; then a second, two, four, up to an hour, and a day without one forgets', () => {
  const wrong = (times: number): Tries => ({ wrong: times, last: 0 });
  expect(waitOf(undefined, OF_ONE, 0)).toBe(0);
  expect([1, 2, 3, 4, 5].map((times) => waitOf(wrong(times), OF_ONE, 0))).toEqual([
    0,
    0,
    SECOND,
    2 * SECOND,
    4 * SECOND,
  ]);
  expect(waitOf(wrong(5), OF_ONE, 3 * SECOND)).toBe(SECOND);
  expect(waitOf(wrong(60), OF_ONE, 0)).toBe(HOUR);
  expect(waitOf(wrong(60), OF_ALL, 0)).toBe(HOUR / 4);
  expect(waitOf(wrong(60), OF_ONE, 24 * HOUR + 1)).toBe(0);
  expect(oneMore(wrong(60), 24 * HOUR + 1)).toEqual({ wrong: 1, last: 24 * HOUR + 1 });
});

// Arithmetic: a million PINs of six digits, tried as often as is allowed.
test('property: fewer than 9,000 PINs are looked at in a year from one address, however they are timed', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 10 * 60 * SECOND }), { minLength: 1, maxLength: 50 }), (pauses) => {
      let tries: Tries | undefined;
      let now = 0;
      let looked = 0;
      while (now < 365 * 24 * HOUR && looked < 20_000) {
        now += waitOf(tries, OF_ONE, now);
        tries = oneMore(tries, now);
        looked += 1;
        now += pauses[looked % pauses.length] ?? 0;
      }
      expect(looked).toBeLessThan(9_000);
    }),
    { numRuns: 20, seed: 17 },
  );
});
