import { plainRecipe, recipeOf } from '../../../tests/fixtures/plans';
import type { LineEntry } from '../recipe/entry-schema';
import { figuresOf, measuredRecipe } from './figures';

const cook = (amount: string, ndb: string, part: LineEntry['part'], over: Partial<LineEntry> = {}): LineEntry => ({
  amount,
  ndb,
  part,
  moment: 'cook',
  ...over,
});
const predicted = (lines: readonly LineEntry[], pots: readonly number[] = []) => {
  const recipe = measuredRecipe(recipeOf(1, lines).written, pots, '4-9-4');
  return figuresOf(
    recipe,
    recipe.written.map((line) => line.grams),
  );
};

// Handbook 7, from memory: ground meat 0.72–0.75, poultry 0.72, fish 0.80, liver 0.70, eggs 0.95, roots 0.92, greens 0.75.
test.each([
  ['17343', 'muscle', 720, 750],
  ['05062', 'muscle', 700, 750],
  ['15066', 'muscle', 770, 830],
  ['13325', 'secreting organ', 680, 720],
  ['01123', 'egg', 930, 970],
  ['11298', 'vegetable', 900, 940],
  ['11233', 'vegetable', 700, 800],
] as const)('1 kg of %s baked without water leaves between %d and %d g', (ndb, part, low, high) => {
  const figures = predicted([cook('1 kg', ndb, part)]);
  expect(figures.finishedLow).toBeCloseTo(low, 6);
  expect(figures.finishedHigh).toBeCloseTo(high, 6);
  expect(figures.finished).toBeGreaterThanOrEqual(low);
  expect(figures.finished).toBeLessThanOrEqual(high);
});

// Handbook 7, from memory: dry rice or barley comes to 2.8–3.3 times its weight.
test('grain alone drinks its water up, and never weighs more than went in', () => {
  expect(predicted([cook('300 g', '20005', 'carbohydrate'), cook('1 kg', '14411', 'liquid')])).toMatchObject({
    finishedLow: expect.closeTo(840, 6),
    finished: expect.closeTo(915, 6),
    finishedHigh: expect.closeTo(990, 6),
  });
  const little = predicted([cook('300 g', '20005', 'carbohydrate'), cook('300 g', '14411', 'liquid')]);
  expect(little.finished).toBeCloseTo(600, 6);
});

test('a lidded pot loses a tenth, what is stirred in stays, and vessels are reckoned apart', () => {
  const figures = predicted([
    cook('1 kg', '17343', 'muscle'),
    cook('1 kg', '14411', 'liquid'),
    cook('100 g', '04582', 'fat', { moment: 'stir-in' }),
    cook('1 kg', '11298', 'vegetable', { component: 1 }),
  ]);
  expect(figures.finished).toBeCloseTo(2000 * 0.9 + 100 + 920, 6);
  expect(figures.weights).toEqual([2000, 1000]);
});

test('the household’s own pots take the place of the table, with their spread', () => {
  const went = 2100;
  const figures = (pots: readonly number[]) => {
    const recipe = measuredRecipe(plainRecipe().written, pots, '4-9-4');
    return {
      ...figuresOf(
        recipe,
        recipe.written.map((line) => line.grams),
      ),
      ...recipe.guess,
    };
  };
  expect(figures([0.8]).finished).toBeCloseTo(went * 0.8, 6);
  expect(figures([0.8]).source).toBe('your last weighed pot');
  const two = figures([0.8, 0.9]);
  expect(two.finished).toBeCloseTo(went * 0.85, 6);
  // The sample's standard deviation of 0.8 and 0.9 is 0.0707.
  expect(two.finishedHigh - two.finished).toBeCloseTo(went * 0.0707107, 3);
  expect(two.pots).toBe(2);
});

// Handbook 7, from memory: roots 0.92; grain without poured water drinks nothing, and is taken as a root is.
test.each([
  ['11352', 'carbohydrate'],
  ['20005', 'carbohydrate'],
] as const)('1 kg of %s baked without water leaves between 900 and 940 g', (ndb, part) => {
  expect(predicted([cook('1 kg', ndb, part)])).toMatchObject({
    finishedLow: expect.closeTo(900, 6),
    finishedHigh: expect.closeTo(940, 6),
  });
});
