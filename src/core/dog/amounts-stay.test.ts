import { dogOf } from '../../../tests/fixtures/dogs';
import { addDays, type LocalDate } from '../calendar/local-date';
import { portionOf } from '../portion/dog-portions';
import { energyDensity, grams } from '../quantity/units';
import { checkAgeAndWeight } from './ages';
import { readBands } from './bands-entry';
import { dayEnergy } from './day-energy';
import type { FoodFacts } from './food-facts';
import { readBowlLine, type BowlLineEntry } from './keeping-entry';
import { badgeLetters } from './letters';
import type { RationMethod } from './method';
import { methodFor } from './proposal';
import { withFood } from './with-food';

const DAY = '2026-11-25' as LocalDate;
const FOOD: FoodFacts = { name: 'Pot', recipeId: 7, density: 1.2, rawDensity: 1.0, measured: false, gramsPerCup: 240 };
const cups: RationMethod = { kind: 'school', school: { kind: 'like for like', cups: 0.75 }, food: FOOD };
const eater = (method: RationMethod) => dogOf(5, DAY, { ration: { method } });
const filling = { batches: [{ recipeId: 7, share: 1, meals: 'every meal' as const }], batch: 0 };

// By hand: ¾ cup of 240 g is 180 g, whatever the pot comes to.
test.each([1.0, 1.2, 1.35, 1.8])('¾ cup stays ¾ cup when the pot holds %d kcal/g', (density) => {
  const dog = eater(cups);
  expect(portionOf(dog, DAY, energyDensity(density), filling).gramsADay).toBeCloseTo(180, 9);
  const now = withFood(dog, 7, { density });
  expect(dayEnergy(now, DAY).kcal).toBeCloseTo(180 * density, 9);
  expect(dayEnergy(withFood(dog, 8, { density }), DAY).kcal).toBeCloseTo(180 * 1.2, 9);
});

// Handbook 9: pieces of a fixed raw weight weigh less when cooked (common practice, no source); 1 oz is 28.3495 g.
test('pieces are of a raw weight: their kcal are those of the raw food, and cooked they weigh less', () => {
  const dog = eater({
    kind: 'school',
    school: { kind: 'pieces', ounces: 1, poundsOfDogPerPiece: 8, meals: 2 },
    food: FOOD,
  });
  const raw = (5000 / 453.59237 / 8) * 2 * 28.349523125;
  expect(dayEnergy(dog, DAY).kcal).toBeCloseTo(raw * 1.0, 6);
  expect(portionOf(dog, DAY, energyDensity(1.2), filling).gramsADay).toBeCloseTo((raw * 1.0) / 1.2, 6);
});

test('a proposal that is taken is recorded as that, and not as the vet’s', () => {
  expect(methodFor({ kind: 'table' }, 500)).toEqual({ kind: 'kcal', kcal: 500, by: 'weigh-ins' });
  const range: RationMethod = {
    kind: 'school',
    school: { kind: 'prescribed', low: 450, high: 600, unit: 'kcal', by: 'the vet' },
    food: FOOD,
  };
  const taken = methodFor(range, 500);
  expect(dayEnergy(eater(taken), DAY).because).toBe('from your weigh-ins, within what the vet set');
  expect(dayEnergy(eater(methodFor(range, 500, 'the cook')), DAY).because).toBe('set by the vet');
});

test('tags: a letter, two where it is shared, a number where the name is', () => {
  const letters = badgeLetters(['Otto', 'Bramble', 'Birk', 'Wren', 'Wren'].map((name, id) => ({ id, name })));
  expect([...letters.values()]).toEqual(['O', 'Br', 'Bi', 'W1', 'W2']);
});

// Weaning begins at about three weeks (from memory).
test.each([
  [20, false],
  [21, true],
])('a pup of %d days may eat cooked food: %p', (days, may) => {
  const pup = { birthDate: addDays(DAY, -days), weight: grams(900), expectedAdultWeight: grams(19_000) };
  expect(checkAgeAndWeight(pup, DAY).ok).toBe(may);
});

// Ages at which dogs of a size are grown: from memory (growth.ts); a giant until 18 months.
test.each([
  [10, 60, 'asked'],
  [17, 45, 'asked'],
  [19, 45, 'fine'],
  [10, 6, 'fine'],
  [8, 6, 'asked'],
])('at %d months and %d kg an expected adult weight is %s', (months, kg, said) => {
  const born = addDays(DAY, -Math.round(months * 30.44));
  expect(checkAgeAndWeight({ birthDate: born, weight: grams(kg * 1000) }, DAY).ok).toBe(said === 'fine');
});

test.each([
  [['under 15 lb', '15-30 lb', '30 lb and more']],
  [['up to 15 lb', '15 to 30 lb', 'over 30 lb']],
  [['15 lb', '30 lb', '30 lb or more']],
])('bands as they are printed: %p', (rows) => {
  const read = readBands(
    rows.map((weight) => ({ weight, amount: '1' })),
    'us',
  );
  if (!read.ok) throw new Error(read.problem.message);
  expect(read.value.map(({ upTo }) => upTo && Math.round(upTo))).toEqual([6804, 13608, undefined]);
});

describe('a bowl line', () => {
  const line: BowlLineEntry = {
    what: 'fish oil',
    unit: 'mL',
    by: 'body weight',
    amount: '1',
    perKg: '20 lb',
    bands: [],
    slotId: 1,
    kcal: '',
  };
  test.each([
    ['20 lb', 'metric', 9.0718474],
    ['20', 'us', 9.0718474],
    ['10', 'metric', 10],
  ] as const)('for each %s (%s)', (perKg, set, kg) => {
    const read = readBowlLine({ ...line, perKg }, set);
    expect(read.ok && read.value.rule.by === 'body weight' && read.value.rule.perKg).toBeCloseTo(kg, 6);
  });
  test('calcium asks whether it is the element or a compound', () => {
    expect(readBowlLine({ ...line, what: 'Calcium' }, 'us')).toMatchObject({
      ok: false,
      problems: [{ field: 'what' }],
    });
    expect(readBowlLine({ ...line, what: 'calcium carbonate' }, 'us').ok).toBe(true);
  });
});
