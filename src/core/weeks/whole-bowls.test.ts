import fc from 'fast-check';
import { inWholeBowls } from './whole-bowls';

/** Every choice of bowls, one after the other. */
function bestOf(kcal: number, bowls: readonly number[]): number {
  let most = 0;
  for (let chosen = 0; chosen < 2 ** bowls.length; chosen++) {
    const sum = bowls.reduce((own, bowl, at) => own + (chosen & (1 << at) ? bowl : 0), 0);
    if (sum <= kcal && sum > most) most = sum;
  }
  return most;
}

test('packs for five bowls and a bit fill five bowls', () => {
  expect(inWholeBowls(5.4 * 300, Array<number>(20).fill(300))).toBeCloseTo(1500, -1);
  expect(inWholeBowls(299, [300, 300])).toBe(0);
  expect(inWholeBowls(300, [300, 300])).toBe(300);
  // One of each is nearer than two of the small one.
  expect(inWholeBowls(1300, [1191, 369, 369])).toBeCloseTo(1191, -1);
});

test('a dog that needs nothing takes nothing', () => {
  expect(inWholeBowls(500, [])).toBe(0);
  expect(inWholeBowls(500, [0, 0])).toBe(0);
});

test('never less than the best choice of bowls, and hardly more than the best of packs that are a little larger', () => {
  const bowls = fc.array(fc.double({ min: 0, max: 2000, noNaN: true }), { maxLength: 10 });
  fc.assert(
    fc.property(fc.double({ min: 1, max: 8000, noNaN: true }), bowls, (kcal, own) => {
      const a = (own.length * kcal) / 2000;
      const said = inWholeBowls(kcal, own);
      expect(said).toBeGreaterThanOrEqual(bestOf(kcal, own) - 1e-6);
      expect(said).toBeLessThanOrEqual(Math.min(kcal, bestOf(kcal + a, own) + a) + 1e-6);
    }),
  );
});
