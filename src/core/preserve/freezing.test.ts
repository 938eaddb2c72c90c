import fc from 'fast-check';
import { freezeTime, loadFreezer, plankHours } from './freezing';

// Singh & Heldman, Introduction to Food Engineering, by handbook 10, from memory: a sphere of 7 cm freezes in 0.72 h.
test('Plank’s equation: the worked example of a sphere', () => {
  const hours = plankHours({
    shape: 'sphere',
    thickness: 0.07,
    density: 1000,
    latent: 250_000,
    freezesAt: -1.25,
    air: -40,
    surface: 50,
    conductivity: 1.2,
  });
  expect(hours).toBeCloseTo(0.72, 2);
});

// Handbook 10: ρ 1050, water 0.72, Tf −1.5, air −18, h 8, k 1.4, from both sides.
test.each([
  [2, 5.5],
  [5, 14.2],
  [8, 23.7],
])('a slab of %d cm freezes through in %d h', (centimetres, hours) => {
  const pack = { form: 'flat bag', centimetres, sides: 2, fan: false, water: 0.72 } as const;
  expect(freezeTime(pack).hours).toBeCloseTo(hours, 0.7);
  // From one side it is as a slab twice as thick; a fan is faster, cubes are fastest.
  expect(freezeTime({ ...pack, sides: 1 }).hours).toBeCloseTo(
    freezeTime({ ...pack, centimetres: centimetres * 2 }).hours,
    9,
  );
  expect(freezeTime({ ...pack, fan: true }).hours).toBeLessThan(freezeTime(pack).hours);
  expect(freezeTime({ ...pack, form: 'cubes' }).hours).toBeLessThan(freezeTime(pack).hours / 2);
});

/** The fewest days by trying every day for every pack. */
function fewest(packs: readonly number[], aDay: number): number {
  const best = (at: number, loads: readonly number[]): number => {
    if (at === packs.length) return loads.length;
    const grams = packs[at]!;
    const into = loads.map((load, day) =>
      load + grams <= aDay
        ? best(
            at + 1,
            loads.map((each, own) => (own === day ? each + grams : each)),
          )
        : Infinity,
    );
    return Math.min(best(at + 1, [...loads, grams]), ...into);
  };
  return best(0, []);
}

test('no day takes more than the freezer can freeze, and no fewer days would do (against an exhaustive search)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 50, max: 900 }), { minLength: 1, maxLength: 7 }),
      fc.integer({ min: 900, max: 1800 }),
      (packs, aDay) => {
        const plan = loadFreezer(packs, aDay)!;
        const loads = Array.from({ length: plan.days }, (_, day) =>
          packs.reduce((sum, grams, index) => (plan.dayOf[index] === day ? sum + grams : sum), 0),
        );
        expect(Math.max(...loads)).toBeLessThanOrEqual(aDay);
        expect(Math.min(...loads)).toBeGreaterThan(0);
        expect(plan.days).toBe(fewest(packs, aDay));
      },
    ),
    { numRuns: 60 },
  );
  expect(loadFreezer([900, 1200], 1000)).toBeUndefined();
  expect(loadFreezer([], 1000)).toEqual({ days: 0, dayOf: [] });
});

test('sixty packs are planned at once', () => {
  const packs = Array.from({ length: 60 }, (_, index) => 300 + ((index * 37) % 250));
  const plan = loadFreezer(packs, 3300)!;
  expect(plan.days).toBe(Math.ceil(packs.reduce((a, b) => a + b, 0) / 3300));
});

test('what goes in lukewarm takes longer, and a thick pack very much so', () => {
  const pack = { form: 'tub', sides: 2, fan: false, water: 0.72 } as const;
  const later = (centimetres: number) =>
    freezeTime({ ...pack, centimetres, from: 20 }).hours - freezeTime({ ...pack, centimetres }).hours;
  expect(later(2)).toBeGreaterThan(0.3);
  expect(later(6)).toBeGreaterThan(2 * later(2));
  // By hand: 3 cm from both sides, lumped: ρ·c·(d/2)/h · ln(38/18) = 1040 × 3600 × 0.015 / 8 × 0.747 = 1.46 h; the middle is later.
  expect(later(3)).toBeGreaterThan(1.46);
  expect(later(3)).toBeLessThan(2.2);
  // Cold from the fridge is what Plank counts from.
  expect(freezeTime({ ...pack, centimetres: 3, from: 4 }).hours).toBeCloseTo(
    freezeTime({ ...pack, centimetres: 3 }).hours,
    9,
  );
});
