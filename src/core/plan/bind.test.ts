import fc from 'fast-check';
import { dogOf } from '../../../tests/fixtures/dogs';
import { testFoods, testMeasures } from '../../../tests/fixtures/reference-files';
import { addDays, type LocalDate } from '../calendar/local-date';
import { homeEnergyOn } from '../dog/meals';
import { energyOf } from '../nutrition/energy';
import { grams } from '../quantity/units';
import { readLines } from '../recipe/entry';
import { linesAt } from '../recipe/bases';
import { bindPlan, containersOf, daySums, type Binding, type Bound, type ToPlan } from './bind';

const TODAY = '2026-11-25' as LocalDate;
const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const measures = testMeasures();
const { written } = readLines(
  [
    { amount: '2 lb', ndb: '17168', part: 'muscle', moment: 'cook', refuse: '10' },
    { amount: '1 cup', ndb: '20005', part: 'carbohydrate', moment: 'cook' },
    { amount: '2 cups', ndb: '14411', part: 'liquid', moment: 'cook', basis: 'line', perAmount: '1 cup', perLine: 1 },
    { amount: '1 large', ndb: '01123', part: 'egg', moment: 'cook', basis: 'dog and day' },
    { amount: '1 tsp', ndb: '04582', part: 'fat', moment: 'stir-in', basis: 'animal protein', perAmount: '1 lb' },
    { amount: '5 g', ndb: '12220', part: 'fat', moment: 'stir-in', basis: 'finished food', perAmount: '1 kg' },
  ],
  (key) => {
    const food = foods.get(key);
    return food && { food, measures: measures.get(key) ?? [] };
  },
  'us',
);
const pup = {
  ...dogOf(8, TODAY, {
    birthDate: addDays(TODAY, -122),
    expectedAdultWeight: grams(19_000),
    neutered: false,
  }),
  id: 2,
};
const DOGS = [dogOf(20, TODAY), pup];
const plan: ToPlan = {
  written,
  dogs: DOGS.length,
  sums: daySums(DOGS, TODAY),
  factors: '4-9-4',
  kept: 0.92,
};
const bound = (binding: Binding, of = plan): Bound => {
  const answer = bindPlan(of, binding);
  if (!answer.ok) throw new Error(answer.problem.message);
  return answer.value;
};

test('a plan bound one way, then bound by any figure that it gave, comes back the same', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 60, noNaN: true }), fc.integer({ min: 1, max: 40 }), (days, count) => {
      const first = bound({ by: 'days', days });
      const again: Binding[] = [
        { by: 'weight', grams: first.finished },
        { by: 'containers', count, grams: first.finished / count },
        { by: 'at hand', line: 0, grams: first.bought[0]! },
        { by: 'at hand', line: 3, grams: first.bought[3]! },
      ];
      for (const binding of again) {
        const second = bound(binding);
        expect(second.days / days).toBeCloseTo(1, 6);
        expect(second.at.scale / first.at.scale).toBeCloseTo(1, 6);
        second.bought.forEach((mass, index) => expect(Math.abs(mass - first.bought[index]!)).toBeLessThan(0.1));
      }
    }),
    { numRuns: 40 },
  );
});

test('mass and energy are conserved, and each line holds to its basis within 0.1 g', () => {
  for (const days of [1, 5, 14]) {
    const { at, bought, finished } = bound({ by: 'days', days });
    const lines = linesAt(written, at);
    const need = DOGS.reduce(
      (sum, dog) =>
        sum +
        Array.from({ length: days }, (_, day) => homeEnergyOn(dog, addDays(TODAY, day))).reduce((a, b) => a + b, 0),
      0,
    );
    expect(energyOf(lines, '4-9-4') / need).toBeCloseTo(1, 9);
    expect(finished).toBeCloseTo(lines.reduce((sum, line) => sum + line.grams, 0) * 0.92, 6);
    // A cup of water in the US set is 236.6 g; two to each cup (200 g) of barley. A large egg is 50 g (USDA SR 24).
    expect(Math.abs(bought[2]! - (bought[1]! / 200) * 2 * 236.5882365)).toBeLessThan(0.1);
    expect(Math.abs(bought[3]! - 2 * days * 50)).toBeLessThan(0.1);
    const animal = bought[0]! * 0.9 + bought[3]!;
    expect(Math.abs(bought[4]! - (animal / 453.59237) * 4.5)).toBeLessThan(0.1);
    const rest = bought[0]! * 0.9 + bought[1]! + bought[2]! + bought[3]! + bought[4]!;
    expect(Math.abs(bought[5]! - rest / 200)).toBeLessThan(0.1);
  }
});

test('containers: the full ones, and what is left for a short one', () => {
  expect(containersOf(2310, 450)).toEqual({ full: 5, left: 60, all: 6 });
  expect(containersOf(2250, 450)).toEqual({ full: 5, left: 0, all: 5 });
});

test.each([
  [{ ...plan, dogs: 0 }, { by: 'days', days: 3 }, 'dogIds'],
  [plan, { by: 'days', days: 0 }, 'days'],
  [plan, { by: 'days', days: 10_000 }, 'days'],
  [plan, { by: 'weight', grams: 0 }, 'amount'],
  [plan, { by: 'weight', grams: 1e9 }, 'amount'],
  [plan, { by: 'containers', count: 0, grams: 450 }, 'count'],
  [plan, { by: 'containers', count: 1.5, grams: 450 }, 'count'],
  [plan, { by: 'at hand', line: 9, grams: 450 }, 'line'],
  [{ ...plan, written: [] }, { by: 'weight', grams: 450 }, 'recipeId'],
] as const)('what cannot bind is refused at its field', (of, binding, field) => {
  expect(bindPlan(of as ToPlan, binding as Binding)).toMatchObject({ ok: false, problem: { field } });
});
