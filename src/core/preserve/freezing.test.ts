import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import { dueInFreezer, freezingDays, takenByDay, type Freezes } from './freezing-plan';
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

test('what a freezer takes already comes first: no day takes more than it freezes, and no fewer days would do', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 50, max: 900 }), { minLength: 1, maxLength: 5 }),
      fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 3 }),
      (packs, taken) => {
        const plan = loadFreezer(packs, 1000, taken)!;
        const on = (day: number) => packs.reduce((sum, grams, at) => (plan.dayOf[at] === day ? sum + grams : sum), 0);
        for (let day = 0; day < plan.days; day++) {
          if (on(day) > 0) expect(on(day) + (taken[day] ?? 0)).toBeLessThanOrEqual(1000);
        }
        // What is taken is packs that lie where they lie: with them, no fewer days hold all of it.
        const ways = (at: number, loads: readonly number[]): number => {
          if (at === packs.length)
            return loads.reduce((last, load, day) => (load > (taken[day] ?? 0) ? day + 1 : last), 0);
          return Math.min(
            ...loads.flatMap((load, day) =>
              load + packs[at]! <= 1000
                ? [
                    ways(
                      at + 1,
                      loads.map((own, place) => (place === day ? own + packs[at]! : own)),
                    ),
                  ]
                : [],
            ),
          );
        };
        expect(plan.days).toBe(
          ways(
            0,
            Array.from({ length: packs.length + 3 }, (_, day) => taken[day] ?? 0),
          ),
        );
      },
    ),
    { numRuns: 60 },
  );
});

test('of what waits for a freezer as much goes in today as it freezes in a day, and no pack is lost', () => {
  // A freezer of 54 L takes 2218 g in 24 h in the mean: 1150 g for 28 L (NCHFP, from memory).
  const freezer = { id: 7, litres: 54 };
  const pack = (grams: number, freezeOn: string, over: Partial<Freezes> = {}): Freezes => ({
    grams,
    placeId: 1,
    placeKind: 'fridge',
    since: '2026-11-20' as LocalDate,
    freezeOn: freezeOn as LocalDate,
    freezeIn: 7,
    ...over,
  });
  const today = '2026-11-25' as LocalDate;
  // Two days were forgotten: 5.4 kg are due by their dates.
  const packs = ['2026-11-23', '2026-11-24', '2026-11-25'].flatMap((on) => [pack(900, on), pack(900, on)]);
  const { due, later, next } = dueInFreezer(packs, freezer, today);
  expect([due.map(({ grams }) => grams), later.length, next]).toEqual([[900, 900], 4, '2026-11-26']);
  const had = pack(1500, '2026-11-24', { placeId: 7, placeKind: 'freezer', since: today });
  expect(dueInFreezer([...packs, had], freezer, today).due).toEqual([]);
  // What was found there is frozen.
  expect(dueInFreezer([...packs, { ...had, found: { isDated: true } }], freezer, today).due).toHaveLength(2);
  expect(dueInFreezer([pack(4000, '2026-11-25')], freezer, today).due).toHaveLength(1);
  expect(dueInFreezer(packs, { id: 7, litres: undefined }, today).due).toHaveLength(6);
  // A calendar says the same: 2 of 900 g a day from today on, though all six were due by today.
  expect(freezingDays(packs, [freezer], today).map(({ on }) => on)).toEqual(
    ['2026-11-25', '2026-11-26', '2026-11-27'].flatMap((on) => [on, on]),
  );
  expect(takenByDay([...packs, had, pack(300, '2026-11-27')], 7, today)).toEqual([1500 + 5400, 0, 300]);
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
