import { notebookLines, testFoods, testFoodWords, testMeasures } from '../../../tests/fixtures/reference-files';
import { matchFood } from '../food/match';
import { indexFoods } from '../food/search';
import { readLineAmount } from './entry';
import { readFreeLine } from './free-line';

const index = indexFoods(testFoods(), testFoodWords());
const measures = testMeasures();

const read = (line: string) => {
  const free = readFreeLine(line, 'us');
  const match = free && matchFood(free.food, free.preparation, index);
  const amount =
    match &&
    readLineAmount(
      free.amount,
      match.food,
      measures.get(match.food.ndb) ?? [],
      'us',
      `${free.food} ${free.preparation}`,
    );
  return { free, match, amount };
};

// Source: beside the lines, in tests/fixtures/notebook-lines.json, which is older than the reader.
test.each(notebookLines())('$line', ({ line, food, grams }) => {
  const { match, amount } = read(line);
  expect(match?.food.name.slice(0, food.length)).toBe(food);
  if (grams === 'ask') {
    expect(amount).toMatchObject({ ok: false, problem: { field: 'amount' } });
  } else {
    if (!amount?.ok) throw new Error(amount?.problem.message ?? 'no food');
    expect(Math.abs(amount.value.grams - (grams as number))).toBeLessThan(Math.max(0.01, (grams as number) * 0.0005));
  }
});

// More forms, with the grams by hand from the same measures (USDA SR 24; NIST Handbook 44).
test.each([
  ['2 1/2 lb goat shoulder, cubed', 'Goat, raw', 1133.98],
  ['Carrots, 2 cups chopped', 'Carrots, raw', 256],
  ['Carrots, 1 cup grated', 'Carrots, raw', 110],
  ['beef heart 1 lb', 'Beef, variety meats and by-products, heart, raw', 453.59],
  ['2 cans of pumpkin (15 oz each)', 'Pumpkin, raw', 850.49],
  ['5 eggs with shells', 'Egg, whole, raw', 220],
  ['3 sticks celery', 'Celery, raw', 120],
  ['1 lb pasture-raised chicken breast', 'Chicken, broilers or fryers, breast', 453.59],
  ['2 cups brown rice, cooked', 'Rice, brown, long-grain, cooked', 390],
  ['3) 800 ml water', 'Water', 800],
  ['2 lb ground turkey', 'Ground turkey', 907.18],
  ['1 1/4 cups millet', 'Millet, raw', 250],
  ['3 tbsp coconut oil', 'Oil, coconut', 40.8],
  ['1 cup blueberries', 'Blueberries, raw', 148],
  ['2 sweet potatoes', 'Sweet potato, raw', 260],
  ['10 oz green beans', 'Beans, snap, green, raw', 283.5],
  ['1/2 tsp ground turmeric', 'Spices, turmeric, ground', 1.1],
  ['1 zucchini', 'Squash, summer, zucchini', 196],
] as const)('%s', (line, food, grams) => {
  const { match, amount } = read(line);
  expect(match?.food.name.slice(0, food.length)).toBe(food);
  if (!amount?.ok) throw new Error('no amount');
  expect(Math.abs(amount.value.grams - grams)).toBeLessThan(Math.max(0.01, grams * 0.0005));
});

test.each([
  'For the sauce:',
  'lots of love',
  '4 cups bone broth',
  '1 tsp kelp powder',
  '1 quart chicken stock',
  '12345',
])('“%s” is no food of the table: it stays words', (line) => expect(read(line).match).toBeUndefined());

test('what was matched by a part of its words only is said to be unsure', () => {
  expect(read('2 lb goat shoulder, cubed').match).toMatchObject({ sure: false });
  expect(read('2 lb goat').match).toMatchObject({ sure: true });
});

test('a range stays a range', () => {
  const { amount } = read('6–9 oz kale');
  expect(amount).toMatchObject({ value: { quantity: { low: 6 * 28.349523125, high: 9 * 28.349523125 } } });
});
