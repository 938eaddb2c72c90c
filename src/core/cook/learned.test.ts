import fc from 'fast-check';
import { cookedTask as cooked, START } from '../../../tests/fixtures/cooked-task';
import { COOLING_LIMITS } from '../heat/cooling';
import type { PanState, Stretch } from '../heat/pans';
import { cookedHabit, cooledHabits, learnedOf, plannedMinutes, type Learned } from './learned';

const at = (minutes: number) => new Date(START.getTime() + minutes * 60_000);
/** A pan that cools by Newton's law, read so often: T(t) = Ta + (T0 − Ta) · e^(−kt), k per hour. */
const pan = (
  k: number,
  readings: number,
  { where = 'ice water', ambient = 0, ...over }: Partial<PanState & Stretch> = {},
): PanState => ({
  key: '0.0',
  name: 'pot',
  pouredAt: START,
  again: false,
  depth: undefined,
  readings: Array.from({ length: readings }, (_, index) => ({
    id: index,
    at: at(index * 20),
    celsius: 57 * Math.exp((-k * index * 20) / 60),
  })),
  kept: undefined,
  timer: undefined,
  stretches: [{ since: START, where, ambient }],
  ...over,
});
const POT = [{ name: 'pot', loads: 2 }];

test('a day teaches how long its loads were on, and its pans’ own curves', () => {
  const learned = learnedOf(POT, { tasks: [cooked(0, 50), cooked(1, 54)] }, [pan(0.9, 4), pan(0.9, 1)])!;
  expect(learned.cooked).toEqual([{ name: 'pot', minutes: 52 }]);
  // ln(57 ÷ 21) ÷ 0.9 h = 66.6 min (closed form of Newton's law); a pan that was read once teaches nothing.
  expect(learned.cooled).toHaveLength(1);
  expect(learned.cooled[0]!.minutes).toBeCloseTo((Math.log(57 / 21) / 0.9) * 60, 1);
  expect(learned.cooled[0]!.k).toBeCloseTo(0.9, 3);
});

test('nothing timed and nothing measured teaches nothing; what stands in a warm room never comes to 21 °C', () => {
  expect(learnedOf(POT, { tasks: [] }, [])).toBeUndefined();
  const warm = pan(0.9, 3, { where: 'counter', ambient: COOLING_LIMITS.first.celsius + 2 });
  const readings = warm.readings.map((each) => ({ ...each, celsius: each.celsius + 24 }));
  expect(learnedOf(POT, { tasks: [] }, [{ ...warm, readings }])).toBeUndefined();
});

test('the plan takes this kitchen’s minutes from the second pot on, and says on how many they stand', () => {
  const day = (minutes: number): Learned => ({ cooked: [{ name: 'pot', minutes }], cooled: [] });
  const recipe = { name: 'pot', minutes: 40 };
  expect(plannedMinutes(recipe, [])).toEqual({ minutes: 40 });
  expect(plannedMinutes(recipe, [day(52)])).toEqual({ minutes: 40 });
  expect(plannedMinutes({ name: 'pot' }, [day(52)])).toMatchObject({ minutes: 52, by: { of: 1, spread: undefined } });
  // 48, 52, 56: mean 52, sample deviation 4 (elementary statistics).
  expect(plannedMinutes(recipe, [day(48), day(52), day(56)])).toEqual({
    minutes: 52,
    by: { mean: 52, spread: 4, of: 3 },
  });
  expect(cookedHabit([day(50)], 'another')).toBeUndefined();
});

test('pans are told apart by where they stand, and a mean lies among what it is of (property)', () => {
  const one = fc.record({
    where: fc.constantFrom('fridge' as const, 'ice water' as const),
    minutes: fc.double({ min: 10, max: 600, noNaN: true }),
    k: fc.double({ min: 0.1, max: 4, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(one, { minLength: 1, maxLength: 20 }), (cooled) => {
      const habits = cooledHabits([{ cooked: [], cooled }]);
      expect(habits.reduce((sum, { of }) => sum + of, 0)).toBe(cooled.length);
      for (const { where, mean, k } of habits) {
        const own = cooled.filter((each) => each.where === where);
        for (const [value, all] of [
          [mean, own.map(({ minutes }) => minutes)],
          [k, own.map((each) => each.k)],
        ] as const) {
          expect(value).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
          expect(value).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
        }
      }
    }),
  );
});
