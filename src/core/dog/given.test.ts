import fc from 'fast-check';
import { addUp } from '../add-up';
import { addDays, type LocalDate } from '../calendar/local-date';
import { lessOf, readGiven, takenOff, worryOf, type GivenEntry, type Less } from './given';

const DAY = '2026-11-27' as LocalDate;
const entry = (over: Partial<GivenEntry>): GivenEntry => ({
  kind: 'treat',
  name: 'liver chip',
  amount: '',
  measure: 'kcal',
  label: '',
  ...over,
});
const meals = (kcal: readonly number[], day = DAY): Less[] =>
  kcal.map((each, index) => ({ day, slotId: index + 1, kcal: each }));

// A label prints kcal per piece, per 100 g or per cup: arithmetic.
test.each([
  [{ amount: '40 kcal' }, 40, '40 kcal'],
  [{ amount: '3', measure: 'piece', label: '12' }, 36, '3 pieces at 12 kcal per piece'],
  [{ amount: '15', measure: '100 g', label: '380' }, 57, '15 g at 380 kcal per 100 g'],
  [{ amount: '1/2', measure: 'cup', label: '300' }, 150, '0.5 cups at 300 kcal per cup'],
] as const)('%j is %i kcal', (over, kcal, said) => {
  expect(readGiven(entry(over))).toEqual({ ok: true, value: { kind: 'treat', name: 'liver chip', kcal, said } });
});

test('what nobody knows is unknown, and never none; each problem stands at its field', () => {
  expect(readGiven(entry({ measure: 'unknown' }))).toMatchObject({ value: { kcal: undefined, said: 'kcal unknown' } });
  const read = readGiven(entry({ name: ' ', amount: 'some', measure: 'piece', label: '' }));
  expect(read.ok ? [] : read.problems.map(({ field }) => field)).toEqual(['name', 'amount', 'label']);
  expect(readGiven(entry({ amount: '0' })).ok).toBe(false);
});

test('of the meals that are to come today each gives its part, and tomorrow what is more than they hold', () => {
  const [today, tomorrow] = [meals([300]), meals([200, 300], addDays(DAY, 1))];
  expect(takenOff(60, today, tomorrow)).toEqual({ less: [{ ...today[0], kcal: 60 }], over: 0 });
  expect(takenOff(400, today, tomorrow)).toEqual({
    less: [today[0], { ...tomorrow[0], kcal: 40 }, { ...tomorrow[1], kcal: 60 }],
    over: 0,
  });
  expect(takenOff(900, today, tomorrow).over).toBe(100);
});

test('nothing is taken twice, no meal comes below nothing, and all of it is accounted for', () => {
  const day = fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 5 });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 3000 }), day, day, (kcal, first, second) => {
      const [today, tomorrow] = [meals(first), meals(second, addDays(DAY, 1))];
      const { less, over } = takenOff(kcal, today, tomorrow);
      expect(addUp(less, (each) => each.kcal) + over).toBeCloseTo(kcal, 6);
      for (const meal of [...today, ...tomorrow])
        expect(lessOf(less, meal.day, meal.slotId)).toBeLessThanOrEqual(meal.kcal + 1e-6);
      // Tomorrow pays only for what today cannot.
      if (less.some((each) => each.day > DAY))
        for (const meal of today) expect(lessOf(less, DAY, meal.slotId)).toBeCloseTo(meal.kcal, 6);
    }),
  );
});

test('what can hurt by its name is said with the vet, what it does not get as perhaps', () => {
  const hazard = {
    id: 'chocolate',
    level: 'never' as const,
    name: 'chocolate',
    why: 'theobromine',
    words: ['chocolate'],
    foods: [],
    source: 'ASPCA, from memory',
  };
  const avoid = {
    id: 1,
    what: { kind: 'protein' as const, protein: 'chicken' },
    label: 'chicken',
    reason: 'reaction' as const,
    since: DAY,
  };
  const dog = { avoids: [avoid], vetNotes: [] };
  expect(worryOf('a bit of dark chocolate', [hazard], dog)).toBe('chocolate: theobromine. Call your vet.');
  expect(worryOf('Chicken strip', [hazard], dog)).toBe('Perhaps what it does not get: chicken (reaction).');
  expect(worryOf('carrot', [hazard], dog)).toBeUndefined();
});
