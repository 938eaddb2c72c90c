import fc from 'fast-check';
import { leftOf, type InBowl } from './left';

const bowl = fc.array(
  fc.record({
    amount: fc.integer({ min: 1, max: 9000 }),
    waterMl: fc.integer({ min: 0, max: 900 }),
    kcal: fc.double({ min: 1, max: 2000, noNaN: true }),
  }),
  { minLength: 1, maxLength: 4 },
);
const sum = (of: readonly { readonly amount: number; readonly kcal: number }[], key: 'amount' | 'kcal') =>
  of.reduce((total, each) => total + each[key], 0);

test('whatever is left, no part leaves more than was in it, and its kcal are in proportion', () => {
  fc.assert(
    fc.property(bowl, fc.double({ min: 0.01, max: 1, noNaN: true }), (parts: readonly InBowl[], part) => {
      const left = leftOf(parts, { part });
      if (!left.ok) {
        // Less than half a tenth of a gram of each is nothing.
        expect(Math.max(...parts.map(({ amount }) => amount * part))).toBeLessThan(0.5 + 1e-9);
        return;
      }
      for (const [index, { amount, kcal }] of left.value.entries()) {
        const own = parts[index]!;
        expect(amount).toBeLessThanOrEqual(own.amount);
        expect(Math.abs(amount - own.amount * part)).toBeLessThanOrEqual(0.5);
        expect(kcal).toBeCloseTo((own.kcal * amount) / own.amount, 6);
      }
    }),
  );
});

test('weighed, the water that was put back is in it: half of 100 g dry with 270 mL is 185 g', () => {
  const dry = [{ amount: 1000, waterMl: 270, kcal: 400 }];
  expect(leftOf(dry, { grams: 185 })).toEqual({ ok: true, value: [{ amount: 500, kcal: 200 }] });
  // The scale and the bowl differ by a little; the bowl itself on the scale is a slip.
  expect(leftOf(dry, { grams: 372 })).toMatchObject({ ok: true, value: [{ amount: 1000 }] });
  expect(leftOf(dry, { grams: 640 })).toMatchObject({ ok: false, problem: { field: 'much' } });
});

test.each([0, -5, Number.NaN])('%d g left is nothing', (grams) => {
  expect(leftOf([{ amount: 1000, waterMl: 0, kcal: 100 }], { grams })).toMatchObject({ ok: false });
});

test('refused, all of it is left', () => {
  const parts = [
    { amount: 1234, waterMl: 0, kcal: 150 },
    { amount: 567, waterMl: 100, kcal: 90 },
  ];
  const left = leftOf(parts, { part: 1 });
  expect(left.ok && [sum(left.value, 'amount'), sum(left.value, 'kcal')]).toEqual([1801, 240]);
});
