import { parseIngredient } from 'parse-ingredient';
import {
  kitchenLines,
  notebookLines,
  testFoods,
  testMeasures,
  testWords,
} from '../../../tests/fixtures/reference-files';
import { indexFoods } from '../food/search';
import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';
import { readFoundLine, type LineReader } from './found-line';
import { readFreeLine } from './free-line';

const foods = testFoods();
const words = testWords(foods);
const measures = testMeasures();
const byNdb = new Map(foods.map((food) => [food.ndb, food]));
const reader = (set: UnitSet): LineReader => ({
  set,
  words,
  index: indexFoods(foods, words),
  own: [],
  named: [],
  knownOf: (key) => {
    const food = byNdb.get(key);
    return food && { food, measures: measures.get(key) ?? [] };
  },
});
const us = reader('us');
const metric = reader('metric');
const asksFood = (line: ReturnType<typeof readFoundLine>) =>
  line.asks?.some(({ about }) => about !== 'amount') ?? false;

// Source: tests/fixtures/notebook-lines.json, older than the first reader.
test.each(notebookLines())('$line', ({ line, food, grams }) => {
  const read = readFoundLine(line, us);
  expect(read.known?.food.name.slice(0, food.length)).toBe(food);
  if (grams === 'ask') expect(read.grams).toBeNull();
  else expect(Math.abs(read.grams! - grams)).toBeLessThan(Math.max(0.01, grams * 0.0005));
});

// Source: tests/fixtures/kitchen-lines.csv, written before this reader; grams by the table's measures (USDA SR 24), by
// data/kitchen-counts.csv and the units of NIST Handbook 44. Which row a cook means is common practice, no source.
describe.each([
  ['us', us],
  ['metric', metric],
] as const)('two hundred lines in a household of %s measures', (set, own) => {
  test.each(kitchenLines())('$line', (row) => {
    const read = readFoundLine(row.line, own);
    if (row.kind === 'clear') {
      expect(row.food.split('|')).toContain(read.entry.ndb);
      expect(asksFood(read)).toBe(false);
    } else expect(asksFood(read) || read.entry.words === true).toBe(true);
    const expected = set === 'us' ? row.us_g : row.metric_g;
    if (expected !== '') expect(Math.abs(read.grams! / Number(expected) - 1)).toBeLessThan(0.03);
  });
});

// The ten lines that once became another food without a question.
test.each([
  ['1 egg', '01123', false],
  ['rice, cooked', '20045', true],
  ['1 kg potatoes', '11352', false],
  ['2 lb skinless thighs', '05096', true],
  ['100 g sardines', '15088', true],
  ['1 cup canned pumpkin', '11424', false],
  ['a pound of hamburger', '23572', true],
  ['4 turkey necks', '05179', true],
  ['lamb bones', '', false],
  ['500 g of rabbit', '17177', false],
])('“%s”', (line, ndb, asked) => {
  const read = readFoundLine(line, us);
  expect(read.entry.ndb).toBe(ndb);
  expect(asksFood(read)).toBe(asked);
});

test('a household that has said what rice means is not asked again', () => {
  const own = [{ words: 'rice', ndb: '20036', ask: [], note: '', own: true }];
  const read = readFoundLine('2 cups rice', { ...us, own });
  expect(read).toMatchObject({ asks: null, grams: 370, entry: { ndb: '20036' } });
  expect(readFoundLine('2 cups cooked rice', { ...us, own }).asks).not.toBeNull();
});

test('compound or element is asked, and each has its own weight (Ca 40.078 in CaCO3 100.086, IUPAC)', () => {
  const carbonate = { ndb: 'S0001', name: 'Calcium carbonate', group: 'Supplement', per100: { calcium_mg: 40_040 } };
  const own: LineReader = {
    ...us,
    knownOf: (key) => (key === 'S0001' ? { food: carbonate, measures: [] } : us.knownOf(key)),
  };
  const read = readFoundLine('500 mg calcium', own);
  expect(read.asks).toMatchObject([{ about: 'compound' }]);
  expect(parseFloat(read.choices[0]!.amount!)).toBeCloseTo(0.5 / (40.078 / 100.086), 2);
  expect(read.choices[1]!.amount).toBeUndefined();
});

/** The lines of the set on which a general reader (parse-ingredient 3.0.0) takes another amount than we do, and why. */
const APART: Readonly<Record<string, string>> = {
  '1# beef liver': 'it does not know # as a pound',
  '1 whole chicken (about 4 lb)': 'it leaves the weight in brackets to the name, we weigh by it',
  '1 can pink salmon (14.75 oz)': 'it reads one can, we what the can holds',
  '2 (15 oz) cans pumpkin': 'it reads the count without the cans, we two cans of 15 oz',
  '1 bag frozen peas (16 oz)': 'it reads one bag, we what the bag holds',
  '1 package frozen spinach (10 oz)': 'it reads one package, we what it holds',
  '3 lb 7 oz goat': 'it reads the pounds alone',
  '1 lb + 4 oz ground lamb': 'it reads the first of the two alone',
  '1,5 kg beef heart': 'it takes the comma for thousands: 15 kg',
  '4 carrots (about 1/2 lb)': 'it leaves the weight in brackets to the name, we weigh by it',
  '2 T. apple cider vinegar': 'it does not know T. as a tablespoon',
};

test('a general reader of ingredient lines agrees wherever it reads the whole amount', () => {
  const apart: string[] = [];
  let same = 0;
  for (const { line } of kitchenLines()) {
    const [theirs] = parseIngredient(line);
    const free = readFreeLine(line, 'us');
    const ours = free && readQuantity(free.amount, 'us');
    if (!theirs?.quantity || !ours?.ok) continue;
    const upper = theirs.quantity2 ?? theirs.quantity;
    const bare = `${theirs.quantity}-${upper} ${theirs.unitOfMeasureID ?? ''}`;
    const read = readQuantity(theirs.quantity2 ? bare : `${theirs.quantity} ${theirs.unitOfMeasureID ?? ''}`, 'us');
    const size = (quantity: { low: number; high: number }) => quantity.low + quantity.high;
    const agrees = read.ok && Math.abs(size(read.value) / size(ours.value) - 1) < 0.005;
    if (agrees) same++;
    else apart.push(line);
  }
  expect(apart.sort()).toEqual(Object.keys(APART).sort());
  expect(same).toBeGreaterThan(130);
});

test.each([
  'For the sauce:',
  'lots of love',
  '4 cups bone broth',
  '1 tsp kelp powder',
  '1 quart chicken stock',
  '12345',
])('“%s” is no food of the table: it stays words', (line) =>
  expect(readFoundLine(line, us)).toMatchObject({ entry: { words: true }, asks: null, grams: null }),
);

test('what was matched by a part of its words only is asked about', () => {
  expect(readFoundLine('2 lb goat shoulder, cubed', us).asks).not.toBeNull();
  expect(readFoundLine('2 lb goat', us).asks).toBeNull();
});

test('a range stays a range', () => {
  const free = readFreeLine('6–9 oz kale', 'us')!;
  expect(readQuantity(free.amount, 'us')).toMatchObject({ value: { low: 6 * 28.349523125, high: 9 * 28.349523125 } });
});

// Forms of amounts: by hand, NIST Handbook 44.
test.each([
  ['2 T olive oil', '2 T', 'olive oil'],
  ['4 carrots (about 1/2 lb)', '1/2 lb', 'carrots'],
  ['a 15 oz can of pumpkin', 'a 15 oz can', 'pumpkin'],
  ['2 (15 oz) cans pumpkin', '2 (15 oz) cans', 'pumpkin'],
  ['a couple of bananas', 'a couple of', 'bananas'],
  ['half an apple', 'half an', 'apple'],
  ['a 5-lb bag of brown rice', 'a 5-lb bag', 'brown rice'],
  ['beef heart 1 lb', '1 lb', 'beef heart'],
  ['2 x 400g tins chopped tomatoes', '2 x 400g tins', 'chopped tomatoes'],
])('%s', (line, amount, food) => expect(readFreeLine(line, 'us')).toMatchObject({ amount, food }));
