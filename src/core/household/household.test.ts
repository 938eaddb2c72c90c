import fc from 'fast-check';
import { readMealTimes, slotsAt, USUAL_MEAL_TIMES } from './meal-times';
import { nextSetup, setupOf, type SetupFacts } from './setup';
import { USUAL_SLOTS } from '../dog/meals';

describe('meal times', () => {
  test('at the usual times a dog gets the usual five slots', () => {
    expect(slotsAt(USUAL_MEAL_TIMES)).toEqual(USUAL_SLOTS.map(({ name, clock }) => ({ name, clock })));
  });

  test('whatever the three times are, the five slots are in the order of the day', () => {
    const minutes = fc.integer({ min: 0, max: 1439 });
    fc.assert(
      fc.property(fc.uniqueArray(minutes, { minLength: 3, maxLength: 3 }), (three) => {
        const [a, b, c] = [...three]
          .sort((x, y) => x - y)
          .map((each) => {
            const hours = String(Math.floor(each / 60)).padStart(2, '0');
            return `${hours}:${String(each % 60).padStart(2, '0')}`;
          });
        const read = readMealTimes({ breakfast: a!, lunch: b!, supper: c! });
        if (!read.ok) throw new Error(read.problem.message);
        const clocks = slotsAt(read.value).map(({ clock }) => clock);
        expect([clocks[0], clocks[2], clocks[4]]).toEqual([a, b, c]);
        for (const clock of clocks) expect(clock).toMatch(/^([01]\d|2[0-3]):[0-5]\d$/);
        expect(clocks).toEqual([...clocks].sort());
      }),
    );
  });
});

test('the way in goes on step by step, and is gone once measures are said and a bowl was fed', () => {
  const nothing: SetupFacts = {
    measuresSaid: false,
    dog: undefined,
    recipe: undefined,
    hasKitchen: false,
    pot: undefined,
    fed: false,
  };
  const at = (part: Partial<SetupFacts>) => nextSetup(setupOf({ ...nothing, ...part })!)!;
  const had = { measuresSaid: true, dog: 'Otto', recipe: 'Stew' };
  expect(at({}).key).toBe('measures');
  expect(at({ measuresSaid: true }).href).toBe('/dogs/new');
  expect(at({ measuresSaid: true, dog: 'Otto' }).key).toBe('recipe');
  expect(at(had).key).toBe('kitchen');
  // A pot that is planned goes past the kitchen; the next act is that pot.
  expect(at({ ...had, pot: { id: 7, state: 'cooking', packed: false } })).toMatchObject({
    key: 'pot',
    href: '/batches/7',
  });
  expect(at({ ...had, pot: { id: 7, state: 'weighed', packed: true } }).key).toBe('bowl');
  expect(nextSetup(setupOf({ ...nothing, ...had })!, 'kitchen')?.key).toBe('pot');
  expect(setupOf({ ...nothing, ...had, fed: true })).toBeUndefined();
  expect(setupOf({ ...nothing, fed: true })).toBeDefined();
});
