import fc from 'fast-check';
import { afterPowerCut, cycleState, turnIn, type CycleEvent } from './cycle';
import { energySoFar, forecastCycle, type PastCycle } from './cycle-time';

const HOUR = 3_600_000;
const loadedAt = new Date('2026-11-20T17:40:00Z');
const at = (hours: number) => new Date(loadedAt.getTime() + hours * HOUR);
const event = (id: number, kind: CycleEvent['kind'], hours: number, more: Partial<CycleEvent> = {}): CycleEvent => ({
  id,
  kind,
  at: at(hours),
  ...more,
});

test('a cycle runs while it has power; what was struck out did not happen', () => {
  const events = [event(1, 'power cut', 10), event(2, 'power back', 13), event(3, 'ended', 30)];
  expect(cycleState(loadedAt, events, at(40))).toMatchObject({ hours: 30, running: 27, endedAt: at(30) });
  const open = cycleState(loadedAt, [...events, event(4, 'struck', 31, { takesBack: 3 })], at(40));
  expect(open).toMatchObject({ hours: 40, running: 37, endedAt: undefined });
  expect(cycleState(loadedAt, [event(1, 'power cut', 10)], at(12)).cuts).toEqual([
    { from: at(10), to: undefined, hours: 2 },
  ]);
});

test('what the machine’s own clock says holds before ours', () => {
  const state = cycleState(loadedAt, [event(1, 'ended', 1, { value: 26.5 })], at(2));
  expect([state.hours, state.running]).toEqual([26.5, 26.5]);
  const cut = [event(1, 'power cut', 1), event(2, 'power back', 1, { value: 4 }), event(3, 'ended', 1, { value: 30 })];
  expect(cycleState(loadedAt, cut, at(2)).running).toBe(26);
});

// USDA: two hours above 4 °C (handbook 10, from memory).
test.each([
  [1.9, undefined, 'go on'],
  [2, undefined, 'look'],
  [5, 'ice', 'go on'],
  [5, 'cold', 'go on'],
  [5, 'dry', 'go on'],
  [1.9, 'warm', 'go on'],
  [2, 'warm', 'throw'],
] as const)('after %d h without power, %s: %s', (hours, like, is) => {
  expect(afterPowerCut(hours, like).is).toBe(is);
});

test('trays change places every two hours from the last time on, while it runs', () => {
  expect(turnIn(cycleState(loadedAt, [], at(1)), at(1))).toBeCloseTo(1);
  expect(turnIn(cycleState(loadedAt, [event(1, 'turned', 2)], at(5)), at(5))).toBeCloseTo(-1);
  expect(turnIn(cycleState(loadedAt, [event(1, 'ended', 2)], at(5)), at(5))).toBeUndefined();
});

describe('how long a cycle takes', () => {
  // Handbook 12: 20 to 50 h, about 1 kW in the mean (common practice, no source).
  test('without a cycle behind it, common practice says it, and how it is cut', () => {
    const usual = forecastCycle(4000, [], 'freeze-dried');
    expect([usual.low, usual.high, usual.of]).toEqual([20, 50, 0]);
    expect(usual.energy).toBeCloseTo(usual.hours);
    expect(forecastCycle(400, [], 'dehydrated', { form: 'jerky' })).toMatchObject({ low: 5, high: 10 });
    expect(forecastCycle(400, [], 'dehydrated', { form: 'jerky', watts: 400 }).energy).toBeCloseTo(7.5 * 0.4);
  });

  test('one cycle says it in proportion, and how unsure that is', () => {
    const one = forecastCycle(2000, [{ water: 4000, hours: 32, energy: 28 }], 'freeze-dried');
    expect(one.hours).toBeCloseTo(16);
    expect([one.low, one.high]).toEqual([expect.closeTo(12), expect.closeTo(20)]);
    expect(one.energy).toBeCloseTo(14);
  });

  test('cycles on a line are foretold by it, the band by what they are off it', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 12, noNaN: true }), fc.double({ min: 2, max: 9, noNaN: true }), (a, b) => {
        const past: PastCycle[] = [1, 2, 3, 4].map((kg) => ({ water: kg * 1000, hours: a + b * kg }));
        const found = forecastCycle(2500, past, 'freeze-dried');
        expect(found.hours).toBeCloseTo(a + b * 2.5, 6);
        expect(found.high - found.low).toBeLessThan(1e-6);
        // More water never takes less time.
        expect(forecastCycle(3500, past, 'freeze-dried').hours).toBeGreaterThan(found.hours);
      }),
    );
    const noisy: PastCycle[] = [
      { water: 1000, hours: 14 },
      { water: 2000, hours: 16 },
      { water: 3000, hours: 24 },
      { water: 4000, hours: 26 },
    ];
    const band = forecastCycle(2500, noisy, 'freeze-dried');
    expect(band.low).toBeLessThan(band.hours);
    expect(band.of).toBe(4);
  });
});

test('electricity by now: the meter holds, then what the machine takes an hour, and nothing where nobody knows', () => {
  const forecast = { energy: 30, hours: 20 };
  expect(energySoFar({ energy: 9, running: 10 }, forecast)).toBe(9);
  expect(energySoFar({ energy: undefined, running: 10 }, forecast)).toBe(15);
  expect(energySoFar({ energy: undefined, running: 10 }, undefined)).toBeUndefined();
});
