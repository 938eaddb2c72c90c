import fc from 'fast-check';
import { dogOf, kilograms } from '../../../tests/fixtures/dogs';
import { addDays, clockIn, dayIn, instantAt, readLocalDate, type LocalDate } from '../calendar/local-date';
import { writeAge } from './ages';
import { dayEnergy } from './day-energy';
import { readDogEntry, type DogEntry } from './entry';
import { fillingAlone } from './filling';
import { readMeals } from './meals-entry';
import { homeEnergyOn, mealsOn, mealsStand, usualMeals } from './meals';

const TODAY = '2026-11-25' as LocalDate;

// Meals a day: common practice, no source (handbook 2).
test('two meals for adults, three to six months, four for younger pups and for nursing dogs', () => {
  expect([60, 120, 182, 183, 2000].map((age) => usualMeals(age))).toEqual([4, 3, 3, 2, 2]);
  expect(usualMeals(2000, 'lactation')).toBe(4);
});

test('a pup’s meals a day move by themselves: three at four months, two from six', () => {
  const pup = dogOf(8, TODAY, { birthDate: addDays(TODAY, -122), expectedAdultWeight: kilograms(19) });
  const namesOn = (days: number) => mealsOn(pup, addDays(TODAY, days)).map((meal) => meal.name);
  expect(namesOn(0)).toEqual(['breakfast', 'lunch', 'supper']);
  expect(namesOn(61)).toEqual(['breakfast', 'supper']);
});

test('the meals of a day bring its home-cooked energy, less what is added in the bowl, never below 0', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 1, maxLength: 5 }),
      fc.double({ min: 0, max: 900, noNaN: true }),
      (weights, kcalPerUnit) => {
        const whole = weights.reduce((total, each) => total + each, 0);
        const dog = dogOf(20, TODAY, {
          ration: { meals: weights.map((each, index) => ({ slotId: index + 1, fraction: each / whole })) },
          bowlLines: [{ id: 1, what: 'oil', unit: 'tsp', rule: { by: 'flat', amount: 1 }, slotId: 1, kcalPerUnit }],
        });
        const meals = mealsOn(dog, TODAY);
        const given = meals.reduce((total, meal) => total + meal.kcal, 0);
        const home = dayEnergy(dog, TODAY).homeKcal;
        for (const meal of meals) expect(meal.kcal).toBeGreaterThanOrEqual(0);
        if (meals.some((meal) => meal.overfull)) expect(given).toBeGreaterThan(home - kcalPerUnit);
        else expect(given).toBeCloseTo(home - kcalPerUnit, 6);
      },
    ),
  );
});

test('a meal of another recipe is left out of a plan; a bowl line whose meal is not fed goes into the last one', () => {
  const dog = dogOf(20, TODAY, {
    ration: {
      meals: [
        { slotId: 1, fraction: 0.25, recipeId: 7 },
        { slotId: 5, fraction: 0.75 },
      ],
    },
    bowlLines: [{ id: 1, what: 'kelp', unit: 'tsp', rule: { by: 'flat', amount: 0.125 }, slotId: 3 }],
  });
  const home = dayEnergy(dog, TODAY).homeKcal;
  expect(homeEnergyOn(dog, TODAY, fillingAlone(7))).toBeCloseTo(home, 6);
  expect(homeEnergyOn(dog, TODAY, fillingAlone(8))).toBeCloseTo(home * 0.75, 6);
  expect(mealsOn(dog, TODAY).map((meal) => meal.additions.length)).toEqual([0, 1]);
});

test('the next meal is the latest whose time has come; one before it, or before one that was fed, was missed', () => {
  const [breakfast, supper] = mealsOn(dogOf(20, TODAY), TODAY);
  const at = (clock: string, ...fed: readonly number[]) => {
    const { toCome, missed } = mealsStand([breakfast!, supper!], new Set(fed), clock);
    return [toCome.map(({ name }) => name), missed.map(({ name }) => name)];
  };
  expect(at('06:00')).toEqual([['breakfast', 'supper'], []]);
  expect(at('12:00')).toEqual([['breakfast', 'supper'], []]);
  expect(at('16:30')).toEqual([['supper'], ['breakfast']]);
  expect(at('08:00', breakfast!.id)).toEqual([['supper'], []]);
  // After supper nothing comes back: neither is it next, nor is a treat taken off it.
  for (const clock of ['12:00', '18:30', '23:50']) expect(at(clock, supper!.id)).toEqual([[], ['breakfast']]);
  expect(at('20:00', breakfast!.id, supper!.id)).toEqual([[], []]);
});

const entry: DogEntry = {
  name: 'Test',
  birthDate: '2022-03-01',
  weight: '20 kg',
  neutered: true,
  work: 'none',
  proneToGain: false,
  expectedAdultWeight: '',
  meals: '',
};

test('an entry becomes a dog with a weigh-in and a ration of today', () => {
  const read = readDogEntry(entry, 'metric', TODAY);
  expect(read).toMatchObject({
    ok: true,
    value: { weight: 20_000, meals: undefined, dog: { weighIns: [{ date: TODAY, grams: 20_000 }] } },
  });
});

test.each([
  [{ name: '' }, 'name'],
  [{ birthDate: 'soon' }, 'birthDate'],
  [{ weight: '900' }, 'weight'],
  [{ expectedAdultWeight: 'big' }, 'expectedAdultWeight'],
  [{ birthDate: '2026-08-25' }, 'expectedAdultWeight'],
  [{ birthDate: '2026-11-20' }, 'birthDate'],
  [{ meals: '7' }, 'meals'],
])('%j is refused at %s', (change, field) => {
  const read = readDogEntry({ ...entry, ...change }, 'metric', TODAY);
  expect(read.ok ? [] : read.problems.map((problem) => problem.field)).toContain(field);
});

test('days and clocks follow the household’s zone, over a change of the clocks', () => {
  expect(dayIn(new Date('2026-11-25T23:30:00Z'), 'Europe/Oslo')).toBe('2026-11-26');
  expect(dayIn(new Date('2026-11-25T23:30:00Z'), 'America/New_York')).toBe('2026-11-25');
  expect(clockIn(new Date('2026-07-01T10:00:00Z'), 'Europe/Oslo')).toBe('12:00');
  // The clocks go back on 25 October 2026: the same wall time is an hour further from UTC before it.
  expect(instantAt('2026-10-24' as LocalDate, '18:00', 'Europe/Oslo').toISOString()).toBe('2026-10-24T16:00:00.000Z');
  expect(instantAt('2026-10-25' as LocalDate, '18:00', 'Europe/Oslo').toISOString()).toBe('2026-10-25T17:00:00.000Z');
  expect(addDays('2026-10-24' as LocalDate, 2)).toBe('2026-10-26');
});

test.each(['2026-02-30', '26-1-1', 'today', ''])('%p is no day', (text) => expect(readLocalDate(text)).toBeUndefined());

test.each([
  ['2019-08-01', '7 years'],
  ['2026-07-26', '4 months'],
  ['2026-10-01', '7 weeks'],
])('born on %s: %s', (birth, words) => expect(writeAge(birth as LocalDate, TODAY)).toBe(words));

test('meals that do not make a day say what they make', () => {
  const row = { slotId: null, name: 'meal', clock: '07:30', percent: '30', recipeId: null };
  expect(readMeals({ usual: false, rows: [row, { ...row, name: 'supper', clock: '18:00' }] })).toMatchObject({
    ok: false,
    problems: [{ field: 'rows', message: 'The meals add up to 60 %, not to 100 %.' }],
  });
});
