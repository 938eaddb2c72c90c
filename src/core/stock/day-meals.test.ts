import fc from 'fast-check';
import { addUp } from '../add-up';
import { dayMeals } from './day-meals';
import type { Drawn } from './draw';

const part = (key: string, grams: number, density = 1, water = 0): Drawn => ({
  key,
  code: key,
  grams,
  water,
  kcal: grams * density,
});
const meals = [
  { slotId: 1, kcal: 200 },
  { slotId: 2, kcal: 200 },
];
const grams = (of: ReturnType<typeof dayMeals>) => of.map(({ parts }) => parts.map((each) => [each.key, each.grams]));

test('one pack after the other; what is dry has its water in the same part', () => {
  expect(grams(dayMeals([part('K1', 150), part('K2', 250)], meals, new Map()))).toEqual([
    [
      ['K1', 150],
      ['K2', 50],
    ],
    [['K2', 200]],
  ]);
  const [first, second] = dayMeals([part('D1', 100, 4, 200)], meals, new Map());
  expect([first!.parts[0]!.water, second!.parts[0]!.water]).toEqual([100, 100]);
});

test('of what is kept apart every meal gets of each', () => {
  const plate = { of: 1, place: 0, usual: 0.5, parts: {} };
  const sources = new Map([
    ['A', { plate }],
    ['B', { plate: { ...plate, place: 1 } }],
  ]);
  expect(grams(dayMeals([part('A', 100), part('B', 300)], meals, sources))).toEqual([
    [
      ['A', 50],
      ['B', 150],
    ],
    [
      ['A', 50],
      ['B', 150],
    ],
  ]);
});

test('what a day takes of each pack is in its meals to the gram, whatever the meals are', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ grams: fc.integer({ min: 1, max: 900 }), density: fc.double({ min: 0.6, max: 5, noNaN: true }) }),
        { minLength: 1, maxLength: 5 },
      ),
      fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 1, maxLength: 5 }),
      (packs, kcals) => {
        const drawn = packs.map((each, index) => part(`K${index}`, each.grams, each.density));
        const day = dayMeals(
          drawn,
          kcals.map((kcal, slotId) => ({ slotId, kcal })),
          new Map(),
        );
        for (const { key, grams: all } of drawn)
          expect(
            addUp(
              day.flatMap(({ parts }) => parts.filter((each) => each.key === key)),
              (each) => each.grams,
            ),
          ).toBe(all);
      },
    ),
  );
});
