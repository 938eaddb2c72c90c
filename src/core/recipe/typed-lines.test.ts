import { testFoods, testMeasures } from '../../../tests/fixtures/reference-files';
import { readLineAmount } from './entry';

/**
 * Amounts as cooks type them, of foods of the table, with the grams they stand for in a US household. Source of the
 * grams: household measures of USDA SR 24 and the units of NIST Handbook 44, by hand; ranges count as their middle
 * (common practice, no source).
 */
const SHEET: readonly [typed: string, ndb: string, grams: number][] = [
  // deer, ground
  ['1 kg', '17343', 1000],
  ['2 lb', '17343', 907.18],
  ['2 1/2 lb', '17343', 1133.98],
  ['4.6 lb', '17343', 2086.52],
  ['3 lb 7 oz', '17343', 1559.22],
  ['a pound', '17343', 453.59],
  ['half a pound', '17343', 226.8],
  ['6-9 oz', '17343', 212.62],
  ['6 to 9 oz', '17343', 212.62],
  ['1,200 g', '17343', 1200],
  // barley, pearled: a cup is 200 g
  ['1 cup', '20005', 200],
  ['1 1/2 cups', '20005', 300],
  ['1½ c', '20005', 300],
  ['¾ cup', '20005', 150],
  ['a quarter cup', '20005', 50],
  ['a quarter cup and two tablespoons', '20005', 75],
  ['2 tbsp', '20005', 25],
  ['two cups', '20005', 400],
  // carrots: a cup chopped is 128 g, large 72 g, medium 61 g, small 50 g
  ['1 cup', '11124', 128],
  ['2 large', '11124', 144],
  ['3 medium', '11124', 183],
  ['3', '11124', 183],
  ['1 small', '11124', 50],
  ['1 dozen', '11124', 732],
  // eggs: large 50 g, medium 44 g, extra large 56 g; an egg of no size is a large one (data/kitchen-counts.csv)
  ['2 large', '01123', 100],
  ['1 extra large', '01123', 56],
  ['2 dozen', '01123', 1200],
  ['2 eggs', '01123', 100],
  // canola oil: tbsp 14 g, tsp 4.5 g, cup 218 g
  ['1 tbsp', '04582', 14],
  ['1 tablespoon', '04582', 14],
  ['2 tsp', '04582', 9],
  ['2 tbsp + 1 tsp', '04582', 32.67],
  ['1/2 cup', '04582', 109],
  // kale: a cup chopped is 67 g
  ['3 cups', '11233', 201],
  // potato: large 369 g, medium 213 g, small 170 g
  ['1 large', '11352', 369],
  ['2 medium', '11352', 426],
  // frozen peas: a cup is 134 g, a package 284 g
  ['1 package', '11312', 284],
  ['half a bag (16 oz)', '11312', 226.8],
  // chicken liver: one is 44 g
  ['5 livers', '05027', 220],
  // pollock, walleye: a fillet is 77 g
  ['4 fillets', '15066', 308],
  // water
  ['3 cups', '14411', 709.76],
  ['800 ml', '14411', 800],
  ['1 quart', '14411', 946.35],
  ['half a litre', '14411', 500],
];

const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const measures = testMeasures();

test.each(SHEET)('%s of %s is %d g', (typed, ndb, expected) => {
  const read = readLineAmount(typed, foods.get(ndb)!, measures.get(ndb) ?? [], 'us');
  if (!read.ok) throw new Error(read.problem.message);
  expect(Math.abs(read.value.grams - expected)).toBeLessThan(Math.max(0.01, expected * 0.0005));
});

test.each([
  ['a handful', '11233'],
  ['a splash', '04582'],
  ['2 scoops', '20005'],
  ['1 head', '17343'],
  ['a bunch', '20005'],
])('%s of %s asks to be weighed, and is never 0', (typed, ndb) => {
  const read = readLineAmount(typed, foods.get(ndb)!, measures.get(ndb) ?? [], 'us');
  expect(read).toMatchObject({ ok: false, problem: { field: 'amount' } });
  if (!read.ok) expect(read.problem.message).toMatch(/Write a weight/);
});
