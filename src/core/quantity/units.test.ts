import { unit } from 'mathjs';
import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, massOf, volumeOf, type MassUnit, type VolumeUnit } from './units';

// Checked against mathjs, a general-purpose library of units with its own definitions.
test.each([
  ['lb', 'lbm'],
  ['oz', 'oz'],
  ['kg', 'kg'],
  ['mg', 'mg'],
] as const)('a %s weighs what mathjs says', (ours, theirs) => {
  expect(massOf(ours as MassUnit) / unit(1, theirs).toNumber('g')).toBeCloseTo(1, 9);
});

test.each([
  ['cup', 'cup'],
  ['floz', 'fluidounce'],
  ['qt', 'quart'],
  ['pt', 'pint'],
  ['gal', 'gallon'],
  ['l', 'litre'],
  ['dl', 'dl'],
] as const)('a US %s holds what mathjs says', (ours, theirs) => {
  // mathjs rounds its US volumes to four figures or so.
  expect(volumeOf(ours as VolumeUnit, 'us') / unit(1, theirs).toNumber('ml')).toBeCloseTo(1, 3);
});

test.each([
  ['tbsp', 'tablespoon'],
  ['tsp', 'teaspoon'],
] as const)('a metric %s holds what mathjs says', (ours, theirs) => {
  expect(volumeOf(ours, 'metric') / unit(1, theirs).toNumber('ml')).toBeCloseTo(1, 9);
});

// NIST Handbook 44, appendix C: the figures themselves.
test('the figures of NIST Handbook 44', () => {
  expect(GRAMS_PER_POUND).toBe(453.59237);
  expect(GRAMS_PER_OUNCE).toBeCloseTo(28.349523, 6);
  expect(volumeOf('cup', 'us')).toBeCloseTo(236.588, 3);
  expect(volumeOf('tbsp', 'us')).toBeCloseTo(14.787, 3);
  expect(volumeOf('tsp', 'us')).toBeCloseTo(4.929, 3);
  expect(volumeOf('floz', 'us')).toBeCloseTo(29.574, 3);
  expect(volumeOf('qt', 'us')).toBeCloseTo(946.353, 3);
  expect(volumeOf('gal', 'us')).toBeCloseTo(3785.41, 2);
});

test('spoons and cups agree with each other in both sets: 3 tsp a tbsp; 16 tbsp a US cup', () => {
  for (const set of ['us', 'metric'] as const) expect(volumeOf('tbsp', set) / volumeOf('tsp', set)).toBeCloseTo(3, 6);
  expect(volumeOf('cup', 'us') / volumeOf('tbsp', 'us')).toBeCloseTo(16, 6);
  expect(volumeOf('pinch', 'us') * 16).toBeCloseTo(volumeOf('tsp', 'us'), 9);
  expect(volumeOf('dash', 'us') * 8).toBeCloseTo(volumeOf('tsp', 'us'), 9);
});
