import fc from 'fast-check';
import { readQuantity } from './read';
import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, massOf, millilitres, volumeOf } from './units';
import { readBodyWeight } from './weight';
import { writeFraction, writeMass, writeVolume } from './write';

const grams = (text: string) => {
  const read = readQuantity(text, 'us');
  if (!read.ok) throw new Error(read.problem.message);
  const quantity = read.value;
  return quantity.kind === 'mass' ? quantity.grams : quantity.kind === 'volume' ? quantity.millilitres : quantity.count;
};

// Units: NIST Handbook 44, appendix C (1 lb = 453.59237 g, 1 oz = 28.349523 g, 1 US cup = 236.588 mL).
test.each([
  ['2 lb', 907.18474],
  ['3 lb 7 oz', 1559.2237688],
  ['4.6 lb', 2086.524902],
  ['10 oz', 283.4952312],
  ['1 kg', 1000],
  ['350g', 350],
  ['350 g', 350],
  ['1,500 g', 1500],
  ['1,5 kg', 1500],
  ['500 mg', 0.5],
  ['half a bag (16 oz)', 226.796185],
  ['1½ lb', 680.388555],
])('%s is %d g', (text, expected) => {
  expect(grams(text)).toBeCloseTo(expected, 4);
});

test.each([
  ['1 1/2 cups', 354.8823548],
  ['1½ c', 354.8823548],
  ['3/4 cup', 177.4411774],
  ['1 tbsp', 14.78676478],
  ['2 tbsp + 1 tsp', 34.50245115],
  ['a quarter cup and two tablespoons', 88.72058869],
  ['a pinch', 4.92892159 / 16],
  ['1 dash', 4.92892159 / 8],
  ['4 drops', 0.2],
  ['1 qt', 946.352946],
  ['2 fl oz', 59.147059125],
  ['two and a half cups', 591.47059125],
  ['half a cup', 118.29411825],
  ['300 ml', 300],
])('%s is %d mL', (text, expected) => {
  expect(grams(text)).toBeCloseTo(expected, 4);
});

test.each([
  ['2 large', 2, 'large'],
  ['2 dozen', 24, ''],
  ['a handful', 1, 'handful'],
  ['3 stalks', 3, 'stalk'],
  ['1 extra large', 1, 'extra large'],
  ['2 leaves', 2, 'leaf'],
  ['4', 4, ''],
])('%s counts %d "%s"', (text, count, word) => {
  expect(readQuantity(text, 'us')).toMatchObject({ ok: true, value: { kind: 'count', count, word } });
});

test.each(['6-9 oz', '6–9 oz', '6 to 9 oz', '6 oz to 9 oz'])('%s stays a range and counts as its middle', (text) => {
  const read = readQuantity(text, 'us');
  if (!read.ok || read.value.kind !== 'mass') throw new Error('not a mass');
  expect(read.value.low).toBeCloseTo(6 * GRAMS_PER_OUNCE, 6);
  expect(read.value.high).toBeCloseTo(9 * GRAMS_PER_OUNCE, 6);
  expect(read.value.grams).toBeCloseTo(7.5 * GRAMS_PER_OUNCE, 6);
});

test.each([
  '',
  '  ',
  'some',
  'plenty of it',
  '1/0 cup',
  '1 1/0 cups',
  '-3 g',
  '0 g',
  '9-6 oz',
  '2 lb + 1 cup',
  '5 furlongs',
  '🥕',
  '<b>',
  '3 (',
])('%p is refused in a sentence', (text) => {
  const read = readQuantity(text, 'us');
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problem.message).toMatch(/^.{10,}[.?]$/s);
});

test('numbers that are joined are added', () => {
  expect(readQuantity('1 + 1/2', 'us')).toMatchObject({ value: { kind: 'count', low: 1.5, high: 1.5 } });
  expect(readQuantity('3 7', 'us').ok).toBe(false);
});

test('a division by zero is named as such', () => {
  const read = readQuantity('1/0 cup', 'us');
  expect(!read.ok && read.problem.message).toMatch(/divided by 0/);
});

test('a metric household has metric cups', () => {
  expect(readQuantity('1 cup', 'metric')).toMatchObject({ value: { millilitres: 250 } });
});

test('masses round-trip through their units', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5_000_000 }),
      fc.constantFrom('g', 'kg', 'lb', 'oz', 'mg'),
      (thousandths, unit) => {
        const value = thousandths / 1000;
        expect(grams(`${value.toFixed(3)} ${unit}`) / massOf(unit as 'g')).toBeCloseTo(value, 6);
      },
    ),
  );
});

test('volumes round-trip through their units, in both sets', () => {
  const units = ['cup', 'tbsp', 'tsp', 'ml', 'l', 'dl', 'qt', 'pt', 'gal'] as const;
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 900_000 }),
      fc.constantFrom(...units),
      fc.constantFrom('us' as const, 'metric' as const),
      (n, unit, set) => {
        const read = readQuantity(`${(n / 1000).toFixed(3)} ${unit}`, set);
        if (!read.ok || read.value.kind !== 'volume') throw new Error('not a volume');
        expect(read.value.millilitres / volumeOf(unit, set)).toBeCloseTo(n / 1000, 6);
      },
    ),
  );
});

test('reading never throws, whatever is typed', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 90 }), (text) => typeof readQuantity(text, 'us').ok === 'boolean'),
    { numRuns: 500 },
  );
});

describe('written back', () => {
  test.each([
    [1.87, 4, '1¾'],
    [0.25, 8, '¼'],
    [2, 4, '2'],
    [0.37, 8, '⅜'],
  ])('%d in 1/%d is %s', (value, parts, words) => expect(writeFraction(value, parts)).toBe(words));

  // Common practice (handbook 1): cups to 1/4, spoons to 1/8 tsp, scales to 1 g below 100 g and 5 g above.
  test.each([
    [663, '2¾ cups'],
    [30, '2 tbsp'],
    [3.1, '⅝ tsp'],
  ])('%d mL is %s', (volume, words) => expect(writeVolume(millilitres(volume), 'us').text).toBe(words));

  test('a mass is what a scale shows', () => {
    expect(writeMass(massOf('kg'), 'metric').text).toBe('1000 g');
    expect(writeMass((1868.4 * 1) as never, 'metric').text).toBe('1870 g');
    expect(writeMass((28.4 * 1) as never, 'metric').text).toBe('28 g');
    expect(writeMass((2 * GRAMS_PER_POUND) as never, 'us').text).toBe('2 lb');
  });
});

describe('a body weight', () => {
  test.each([
    ['26.4', 'metric', 26_400],
    ['26,4 kg', 'metric', 26_400],
    ['58 lb 3 oz', 'metric', 26_393.4],
    ['20', 'us', 9071.8],
  ] as const)('%s (%s) is %d g', (text, set, expected) => {
    const read = readBodyWeight(text, set);
    expect(read.ok && read.value).toBeCloseTo(expected, 0);
  });

  test.each(['', '900 kg', '0', '-4 kg', 'heavy', '2 cups', '1 g', '4-5 kg'])('%p is refused', (text) => {
    expect(readBodyWeight(text, 'metric').ok).toBe(false);
  });
});
