import fc from 'fast-check';
import { COOLING_LIMITS, fitCooling, forecastCooling } from './cooling';
import type { HeatPoint } from './lethality';

const newton = (start: number, ambient: number, k: number) => (minutes: number) =>
  ambient + (start - ambient) * Math.exp(-k * minutes);
const read = (curve: (minutes: number) => number, times: readonly number[]): HeatPoint[] =>
  times.map((minutes) => ({ minutes, celsius: curve(minutes) }));
const fitted = (readings: readonly HeatPoint[], ambient: number) => {
  const fit = fitCooling(readings, ambient);
  if (!fit.ok) throw new Error(fit.problem.message);
  return fit.value;
};

// Handbook 8: from 57 °C in air of 4 °C, 21 °C in 2 h means k = 0.5685 an hour and 5 °C at 6.98 h, too late by an hour.
test('57 °C in air of 4 °C, 21 °C in two hours: 5 °C at 6.98 h, an hour too late', () => {
  const k = Math.log(53 / 17) / 120;
  expect(k * 60).toBeCloseTo(0.5685, 4);
  const fit = fitted(read(newton(57, 4, k), [0, 30, 60, 90]), 4);
  expect(fit.k * 60).toBeCloseTo(0.5685, 4);
  expect(fit.crossing(5)!.minutes / 60).toBeCloseTo(6.98, 2);
  const [first, second] = forecastCooling(fit, 0);
  expect(first).toMatchObject({ celsius: 21, allowed: 120, over: expect.closeTo(0, 6) });
  expect(second).toMatchObject({ celsius: 5, allowed: 360, verdict: 'missed', over: expect.closeTo(59, 0) });
});

test('two readings fit it exactly; its beginning is of the fit, and its limits count from the minute that they are told', () => {
  const curve = newton(80, 18, 0.004);
  const fit = fitted(read(curve, [20, 50]), 18);
  expect(fit.start).toBeCloseTo(80, 6);
  expect(fit.error).toBe(0.5);
  const passes = Math.log(62 / 39) / 0.004;
  const [first, second] = forecastCooling(fit, passes);
  expect(first.crossing!.minutes).toBeCloseTo(Math.log(62 / 3) / 0.004, 6);
  expect(first.over).toBeCloseTo(Math.log(62 / 3) / 0.004 - passes - 120, 6);
  // A room of 18 °C never makes 5 °C.
  expect(second).toEqual({ celsius: 5, allowed: 360, crossing: undefined, verdict: 'missed', over: undefined });
});

test('any curve without noise comes back as it was', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 95, noNaN: true }),
      fc.double({ min: -1, max: 25, noNaN: true }),
      fc.double({ min: 0.001, max: 0.05, noNaN: true }),
      fc.integer({ min: 2, max: 12 }),
      (start, ambient, k, count) => {
        const times = Array.from({ length: count }, (_, index) => 3 + index * 10);
        const fit = fitted(read(newton(start, ambient, k), times), ambient);
        expect(fit.k / k).toBeCloseTo(1, 5);
        expect(fit.start / start).toBeCloseTo(1, 5);
      },
    ),
  );
});

/** A seeded normal deviate (Box and Muller over mulberry32). */
function seeded(seed: number): () => number {
  const uniform = () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let mixed = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
}

test.each([
  ['two readings', [0, 20]],
  ['three readings', [0, 15, 30]],
  ['four readings', [0, 10, 20, 30]],
  ['ten readings', [0, 5, 10, 15, 20, 25, 30, 35, 40, 45]],
])('%s with a probe’s noise: the true time to 21 °C lies in the band in at least 85 of 100', (_, times) => {
  let [held, cases] = [0, 0];
  for (let seed = 1; cases < 300; seed++) {
    const noise = seeded(seed * 7919);
    const [start, ambient, k] = [57 + 3 * noise(), 4, 0.009 * Math.exp(0.3 * noise())];
    const curve = newton(start, ambient, k);
    const fit = fitCooling(
      read(curve, times).map((point) => ({ ...point, celsius: point.celsius + 0.5 * noise() })),
      ambient,
    );
    cases++;
    const crossing = fit.ok ? fit.value.crossing(COOLING_LIMITS.first.celsius) : undefined;
    const truth = Math.log((start - ambient) / (21 - ambient)) / k;
    if (crossing && crossing.low <= truth && truth <= crossing.high) held++;
  }
  expect(held).toBeGreaterThanOrEqual(0.85 * cases);
  // A band that holds everything says nothing.
  expect(held).toBeLessThan(cases);
});

test.each([
  ['one reading', [[0, 57]], 4, 'Two readings'],
  ['a time that goes back', [[10, 57], [5, 50]], 4, 'earlier time'], // prettier-ignore
  ['the same time twice', [[10, 57], [10, 50]], 4, 'earlier time'], // prettier-ignore
  ['colder than what is around it', [[0, 57], [60, 3]], 4, 'colder than what is around'], // prettier-ignore
  ['warmer in the ice bath', [[0, 40], [20, 44]], 0, 'does not cool'], // prettier-ignore
] as const)('%s is refused in a sentence', (_, readings, ambient, said) => {
  const points = readings.map(([minutes, celsius]) => ({ minutes, celsius }));
  expect(fitCooling(points, ambient)).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining(said) },
  });
});
