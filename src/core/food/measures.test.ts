import { readQuantity } from '../quantity/read';
import { testFoods, testMeasures } from '../../../tests/fixtures/reference-files';
import { densityOf, resolveGrams } from './measures';

const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const measures = testMeasures();

function resolve(text: string, ndb: string) {
  const read = readQuantity(text, 'us');
  if (!read.ok) throw new Error(read.problem.message);
  return resolveGrams(read.value, foods.get(ndb)!, measures.get(ndb) ?? []);
}

// Source of the expected grams: household measures of USDA SR 24, read from the table by hand.
test.each([
  ['1 cup', '11124', 128], // carrot: the first, "cup chopped"
  ['2 large', '01123', 100], // a large egg is 50 g
  ['2', '01123', 100], // a bare egg is a large one, 50 g
  ['1 1/2 cups', '20005', 300], // pearled barley, 200 g a cup
  ['1 tbsp', '04582', 14], // canola oil: a tablespoon is 14 g
  ['1 cup', '14411', 236.5882365], // water is 1 g/mL
  ['1 medium', '11352', 213], // "Potato medium (2-1/4" …)"
  ['3', '11080', 246], // "beet (2" dia)" is 82 g
  ['350 g', '17168', 350],
])('%s of %s is %d g', (text, ndb, expected) => {
  const found = resolve(text, ndb);
  if (!found.ok) throw new Error(found.problem.message);
  expect(Math.abs(found.value.grams - expected)).toBeLessThan(0.01);
});

test.each([
  ['1 cup', '17168'], // goat has ounces and pounds only
  ['2 heads', '17343'],
  ['3', '17168'],
  ['4000 cups', '20005'],
])('%s of %s is refused, and says what to write instead', (text, ndb) => {
  const found = resolve(text, ndb);
  expect(found).toMatchObject({ ok: false });
  if (!found.ok) expect(found.problem.message).toMatch(/weight|amount/);
});

test('a yield measure is never taken for a raw amount', () => {
  const offenders = [...measures].filter(([ndb, list]) => {
    const food = foods.get(ndb);
    if (!food) return false;
    const density = densityOf(food, list);
    return density !== undefined && /yield/i.test(density.from);
  });
  expect(offenders).toEqual([]);
});
