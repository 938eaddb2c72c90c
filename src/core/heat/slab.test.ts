import fc from 'fast-check';
import { COOKED_FOOD, coolSlab, SURFACE_TRANSFER, timeDownTo, type Slab } from './slab';

const pan = (centimetres: number, sides: 1 | 2 = 2): Slab => ({ depth: centimetres / 100, sides, food: COOKED_FOOD });
const FRIDGE = { celsius: 4, transfer: SURFACE_TRANSFER.fridge };
const ICE = { celsius: 0, transfer: SURFACE_TRANSFER['ice water'] };
const ROOM = { celsius: 18, transfer: SURFACE_TRANSFER['still room air'] };

// Handbook 12: the exact series of the plane wall, computed independently of the project; hours from 57 °C.
test.each([
  ['3 cm in the fridge', pan(3), FRIDGE, 2.03, 6.9],
  ['4 cm in the fridge', pan(4), FRIDGE, 2.82, 9.52],
  ['5 cm in the fridge', pan(5), FRIDGE, 3.67, 12.3],
  ['9 cm in the fridge', pan(9), FRIDGE, 7.64, 25.07],
  ['5 cm in the fridge, from above alone', pan(5, 1), FRIDGE, 8.78, 28.68],
  ['5 cm in ice water', pan(5), ICE, 0.72, 1.55],
  ['9 cm in ice water', pan(9), ICE, 2.23, 4.82],
  ['9 cm in ice water, from one side', pan(9, 1), ICE, 8.7, 18.78],
  ['5 cm in a room of 18 °C', pan(5), ROOM, 9.68, undefined],
])('%s: to 21 °C and to 5 °C within two in a hundred', (_, slab, around, to21, to5) => {
  const curve = coolSlab(slab, 57, around, 30 * 60);
  expect(Math.abs(timeDownTo(curve, 21)! / 60 / to21 - 1)).toBeLessThan(0.02);
  if (to5 === undefined) expect(timeDownTo(curve, 5)).toBeUndefined();
  else expect(Math.abs(timeDownTo(curve, 5)! / 60 / to5 - 1)).toBeLessThan(0.02);
});

/** The first twelve terms of the plane wall's exact series (Carslaw and Jaeger), by bisection of ζ tan ζ = Bi. */
function exactCentre(depth: number, transfer: number, seconds: number): number {
  const half = depth / 2;
  const biot = (transfer * half) / COOKED_FOOD.conductivity;
  const fourier = (COOKED_FOOD.conductivity / COOKED_FOOD.density / COOKED_FOOD.capacity / half ** 2) * seconds;
  let sum = 0;
  for (let term = 0; term < 12; term++) {
    let [low, high] = [term * Math.PI, term * Math.PI + Math.PI / 2 - 1e-12];
    for (let turn = 0; turn < 80; turn++) {
      const middle = (low + high) / 2;
      if (middle * Math.tan(middle) < biot) low = middle;
      else high = middle;
    }
    sum += ((4 * Math.sin(low)) / (2 * low + Math.sin(2 * low))) * Math.exp(-(low ** 2) * fourier);
  }
  return sum;
}

test('any pan in anything: within half a degree of the exact series, and its energy is what went out', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1.5, max: 12, noNaN: true }),
      fc.double({ min: 5, max: 400, noNaN: true }),
      fc.double({ min: -2, max: 25, noNaN: true }),
      fc.double({ min: 30, max: 90, noNaN: true }),
      (depth, transfer, celsius, start) => {
        const slab = pan(depth);
        const curve = coolSlab(slab, start, { celsius, transfer }, 240);
        for (const place of [120, 480]) {
          const exact = celsius + (start - celsius) * exactCentre(slab.depth, transfer, curve.minutes[place]! * 60);
          expect(Math.abs(curve.core[place]! - exact)).toBeLessThan(0.5);
          const stored = COOKED_FOOD.density * COOKED_FOOD.capacity * slab.depth * (start - curve.mean[place]!);
          expect(curve.heatOut[place]! / stored).toBeCloseTo(1, 6);
        }
      },
    ),
    { numRuns: 40 },
  );
});

test('a shallower pan, or one that gives off heat on both sides, is never slower', () => {
  const to21 = (slab: Slab) => timeDownTo(coolSlab(slab, 57, FRIDGE, 40 * 60, 2), 21)!;
  expect([2, 3, 4, 6, 8].map((depth) => to21(pan(depth)))).toEqual(
    [2, 3, 4, 6, 8].map((depth) => to21(pan(depth))).sort((a, b) => a - b),
  );
  expect(to21(pan(4))).toBeLessThan(to21(pan(4, 1)));
});
