import fc from 'fast-check';
import { writeDay, writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { countOf, plural } from './count-words';
import { readQuantity } from './read';
import { readTemperature, temperatureIn, writeTemperature } from './temperature';
import { millilitres } from './units';
import { MOST_DRIFT, writeKcal, writeMassIn, writeVolume } from './write';

test('no kitchen measure is over 5 % off, in either set, from what an eighth of a teaspoon can tell on', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 6.2, max: 5000, noNaN: true }),
      fc.constantFrom('us' as const, 'metric' as const),
      (mL, set) => {
        const { amount } = writeVolume(millilitres(mL), set);
        expect(Math.abs(amount / mL - 1)).toBeLessThanOrEqual(MOST_DRIFT + 1e-9);
      },
    ),
  );
});

// By hand, NIST Handbook 44: 1 US tbsp 14.787 mL, 1 tsp 4.929 mL.
test('where one unit is too far off two stand together', () => {
  expect(writeVolume(millilitres(2 * 14.787 + 4.929), 'us').text).toBe('2 tbsp + 1 tsp');
  expect(writeVolume(millilitres(14.787 + 4.929), 'us').text).toBe('4 tsp');
  expect(writeVolume(millilitres(0.4 * 236.588), 'us').text).toMatch(/^¼ cup \+ /);
});

test.each([
  [184, 'metric', '184 g'],
  [184, 'us', '6.5 oz'],
  [1000, 'us', '2 lb 3.3 oz'],
  [453.59237, 'us', '1 lb'],
  [1.2, 'us', '0.042 oz'],
  [0, 'us', '0 oz'],
] as const)('%d g (%s) is %s', (mass, set, words) => expect(writeMassIn(mass, set)).toBe(words));

test.each([
  [369.2, '369'],
  [99.94, '99.9'],
  [68.44, '68.4'],
  [16_898.6, '16 899'],
])('%d kcal is %s', (kcal, words) => expect(writeKcal(kcal)).toBe(words));

test('plurals: one line, two lines, half a tray, leaves and dashes', () => {
  expect([1, 2, 0].map((count) => countOf(count, 'line'))).toEqual(['1 line', '2 lines', '0 lines']);
  expect([plural(0.5, 'tray'), plural(1.5, 'tray'), plural(3, 'leaf'), plural(2, 'dash'), plural(2, 'patty')]).toEqual([
    'tray',
    'trays',
    'leaves',
    'dashes',
    'patties',
  ]);
});

test('a day over nine months off, and every day on a label, has its year', () => {
  const today = '2026-11-25' as LocalDate;
  expect(writeDay('2027-08-20' as LocalDate, today)).toBe('Fri 20 Aug');
  expect(writeDay('2027-11-25' as LocalDate, today)).toBe('Thu 25 Nov 2027');
  expect(writeDayOnLabel('2026-12-01' as LocalDate)).toBe('Tue 1 Dec 2026');
});

// °F = °C × 9/5 + 32.
test.each([
  ['350', 'us', 176.67],
  ['180', 'metric', 180],
  ['350 °F', 'metric', 176.67],
  ['95 C', 'us', 95],
] as const)('%s in a %s kitchen is %d °C', (text, set, celsius) => {
  const read = readTemperature(text, set);
  expect(read.ok && read.value).toBeCloseTo(celsius, 1);
});

test.each([
  ['176.67 °C', 'us', '350 °F'],
  ['176.67 °C', 'metric', '176.67 °C'],
  ['a hot oven', 'us', 'a hot oven'],
] as const)('kept %s reads in a %s kitchen as %s', (kept, set, said) => expect(temperatureIn(kept, set)).toBe(said));

test.each([
  ['75', 'us', /75 °C meant/],
  ['350', 'metric', /350 °F meant/],
  ['-3', 'metric', /none of it/],
  ['hot', 'us', /350 °F/],
] as const)('%s in a %s kitchen is asked about', (text, set, said) => {
  const read = readTemperature(text, set);
  expect(read.ok ? '' : read.problem.message).toMatch(said);
});

test('the cup that is named is the cup that is counted', () => {
  expect(readQuantity('1 metric cup', 'us')).toMatchObject({ value: { millilitres: 250 } });
  expect(readQuantity('2 US cups', 'metric')).toMatchObject({ value: { millilitres: 2 * 236.5882365 } });
  expect(writeTemperature(40, 'us')).toBe('104 °F');
});
