import fc from 'fast-check';
import { heatVerdict, LIKELY_CORE, readFoodTemperature } from './heat-check';
import { degreesUnder, isAtLeast, isAtMost } from './rule-degrees';

const AT = new Date('2026-11-26T11:00:00Z');
const typed = (text: string) => {
  const read = readFoodTemperature(text, 'us', LIKELY_CORE, true);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};

// USDA FSIS chart and FDA Food Code in their two columns (handbook 15): what is asked is what passes, in either.
test.each([
  [74, '165', '164.9'],
  [71, '160', '159.7'],
  [63, '145', '144.9'],
])('%i °C: %s °F typed passes, %s does not', (celsius, passes, fails) => {
  const asked = { celsius, because: 'chicken', as: 'poultry' };
  const verdict = (text: string) => heatVerdict(asked, [{ celsius: typed(text), at: AT }], undefined).is;
  expect(verdict(passes)).toBe('proven');
  expect(verdict(fails)).toBe('too cold');
  expect(heatVerdict(asked, [{ celsius, at: AT }], undefined).is).toBe('proven');
});

test.each([
  ['164', 74, 1],
  ['75', 74, 90],
  ['165', 74, 0],
  ['150', 71, 10],
  ['164.5', 74, 1],
])('%s °F where %i °C are asked is %i °F under', (text, limit, under) => {
  expect(degreesUnder(typed(text), limit, 'us')).toBe(under);
});

test.each([
  ['70', 21, '71'],
  ['41', 5, '42'],
  ['135', 57, '136'],
])('%s °F is as cold as %i °C ask, %s °F is not', (text, limit, warm) => {
  expect(isAtMost(typed(text), limit)).toBe(true);
  expect(isAtMost(typed(warm), limit)).toBe(false);
});

// 70 to 80 °F are a done core in °C and nobody's in °F: each of them asks, and so does the range.
test.each(['70', '71', '72', '73', '74', '75', '76', '77', '78', '79', '80', '70 to 80', '70-80 °F', '75 f'])(
  'a core of %s in a kitchen of °F is asked about',
  (text) => {
    expect(readFoodTemperature(text, 'us', LIKELY_CORE)).toMatchObject({ ok: false, problem: { field: 'unit' } });
  },
);

test('hotter never fails where colder passed, and what passes as hot enough is 0 under', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(57, 63, 71, 74),
      fc.double({ min: 40, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      fc.constantFrom('us' as const, 'metric' as const),
      (limit, celsius, more, set) => {
        if (isAtLeast(celsius, limit)) expect(isAtLeast(celsius + more, limit)).toBe(true);
        expect(degreesUnder(celsius, limit, set) === 0).toBe(isAtLeast(celsius, limit));
      },
    ),
  );
});
