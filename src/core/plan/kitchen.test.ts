import fc from 'fast-check';
import { readQuantity } from '../quantity/read';
import { readCount, readScale } from '../quantity/typed';
import { grams, type UnitSet } from '../quantity/units';
import { toWeigh, writePounds, writeSum, writeWeight } from '../quantity/write';
import { testFoods, testMeasures } from '../../../tests/fixtures/reference-files';
import { resolveGrams } from '../food/measures';
import { scaledForKitchen } from './rounding';

const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const measures = testMeasures();

function line(text: string, ndb: string, set: UnitSet = 'us') {
  const read = readQuantity(text, set);
  if (!read.ok) throw new Error(read.problem.message);
  const food = foods.get(ndb)!;
  const list = measures.get(ndb) ?? [];
  const resolved = resolveGrams(read.value, food, list);
  if (!resolved.ok) throw new Error(resolved.problem.message);
  return { grams: resolved.value.grams, quantity: read.value, source: { food, measures: list } };
}

const times = (of: ReturnType<typeof line>, factor: number, set: UnitSet) =>
  scaledForKitchen([of], [grams(of.grams * factor)], set);

// Common practice (handbook 1): eggs whole, cups to 1/4, spoons to 1/8 tsp, pounds and ounces; no source.
test.each([
  // 3.2 eggs are no 3 within 5 %: beside the figure stands a weight.
  ['2 large', '01123', 1.6, 'us', '5¾ oz', 160],
  ['2 large', '01123', 1.5, 'us', '3 large', 150],
  ['1 1/2 cups', '20005', 1.8684, 'us', '2¾ cups', 560.5],
  ['2 lb', '17343', 1.5, 'us', '3 lb', 1360.8],
  ['1 kg', '17343', 1.8684, 'metric', undefined, 1868.4],
  ['1 tbsp', '04582', 2, 'us', '2 tbsp', 28],
] as const)('%s of %s × %d (%s) is %s', (text, ndb, factor, set, words, mass) => {
  const [scaled] = times(line(text, ndb, set), factor, set);
  expect(scaled!.measure).toBe(words);
  expect(scaled!.grams).toBeCloseTo(mass, 0);
});

// Handbook 1 (common practice, no source): eggs whole, cups to 1/4, scales to 1 g below 100 g and 5 g above.
test.each([
  ['2 large', '01123', 1.6, 'us', '3 large', 150],
  ['1 kg', '17343', 1.8684, 'metric', '1870 g', 1870],
  ['33 g', '17343', 1.1, 'metric', '36 g', 36],
  ['1 1/2 cups', '20005', 1.8684, 'us', '2¾ cups', 550],
] as const)('%s of %s × %d (%s) is rounded to %s', (text, ndb, factor, set, words, mass) => {
  const [scaled] = times(line(text, ndb, set), factor, set);
  expect(scaled!.roundedTo).toBe(words);
  expect(scaled!.rounded).toBeCloseTo(mass, 6);
});

test.each([
  ['3550', 3550],
  ['3.55 kg', 3550],
  ['3,5', 3.5],
  ['0', 0],
  ['7 lb 3 oz', 3260.2],
])('the scale says %s: %d g', (text, mass) => {
  const read = readScale(text);
  expect(read.ok && read.value).toBeCloseTo(mass, 1);
});

test.each(['', '-5', 'much', '3 cups', '1/0', '900 kg'])('a reading of %p is refused', (text) =>
  expect(readScale(text).ok).toBe(false),
);

// A US kitchen scale shows ounces, pounds or grams (common practice, no source): a bare number is no weight there.
test.each([
  ['12.5', undefined],
  ['12.5 oz', 354.369],
  ['350 g', 350],
  ['7 lb 3 oz', 3260.195],
  ['0', 0],
])('a US scale says %s: %p g', (text, mass) => {
  const read = readScale(text, 'asked', 'us');
  if (mass === undefined)
    expect(read).toMatchObject({ ok: false, problem: { message: '12.5 oz, lb or g? Write it with its unit.' } });
  else expect(read.ok && read.value).toBeCloseTo(mass, 2);
});

test('what is written for a US field reads as the same gram again', () => {
  // 1 lb is 453.59237 g (NIST Handbook 44).
  expect([9433, 453.59237, 16, 0.5, 0].map(writePounds)).toEqual([
    '20 lb 12.74 oz',
    '1 lb',
    '0.564 oz',
    '0.018 oz',
    '0',
  ]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60_000 }), (mass) => {
      const read = readScale(writePounds(mass), 'asked', 'us');
      expect(read.ok && Math.round(read.value)).toBe(mass);
    }),
  );
});

test('an empty tare is a tared scale', () => expect(readScale(' ', 'zero')).toEqual({ ok: true, value: 0 }));

test.each([
  ['9.5', 9.5],
  ['9 1/2', 9.5],
])('%s cups are counted as %d', (text, count) => expect(readCount(text)).toEqual({ ok: true, value: count }));

test.each(['4000', '-2', '0', 'some', '3 large'])('a count of %p is refused', (text) =>
  expect(readCount(text).ok).toBe(false),
);

test('sums, weights and what is typed for weighing', () => {
  expect(writeSum(14_320)).toBe('14.32 kg');
  expect(writeSum(320)).toBe('320 g');
  expect(toWeigh(9432.54)).toBe('9433');
  expect(toWeigh(4.56)).toBe('4.6');
  expect(writeWeight(grams(26_400), 'metric')).toBe('26.4 kg');
  expect(writeWeight(grams(26_400), 'us')).toBe('58.2 lb');
});
