import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import {
  celsiusAt,
  cutVerdict,
  fullOf,
  hoursOf,
  hoursTo,
  isColdAgain,
  lastsUntil,
  packVerdict,
  saveFirst,
  type CutPlace,
} from './power-cut';

const freezer = (full: number, over: Partial<CutPlace> = {}): CutPlace => ({
  kind: 'freezer',
  full,
  opened: 0,
  readings: [],
  ...over,
});
const fridge = (over: Partial<CutPlace> = {}): CutPlace => ({
  kind: 'fridge',
  full: 1,
  opened: 0,
  readings: [],
  ...over,
});

// USDA FSIS, "Keep Your Food Safe During Emergencies" (from memory): a full freezer holds its temperature for about 48 hours, a half
// full one for 24, a fridge for about 4, all with their doors shut.
test.each([
  ['a full freezer', freezer(1), 48],
  ['a half full one', freezer(0.5), 24],
  ['a fridge', fridge(), 4],
])('%s keeps for USDA’s hours', (_, place, hours) => {
  expect(hoursOf(place)).toBe(hours);
  expect(lastsUntil(place)).toBeCloseTo(hours, 6);
  expect(cutVerdict(place, hours - 0.1).fate).toBe('keep');
  expect(cutVerdict(place, hours + 0.1).fate).not.toBe('keep');
});

// USDA's two charts (from memory): a fridge 4 h shut; a freezer 48 h full, 24 h half full, in proportion between; ice crystals or no
// warmer than 4 °C (40 °F): freeze again or use; above 4 °C for 2 h or more: throw away. Handbook 10 has seven of these; each verdict was
// written by hand beside the charts: a reading says what it was then, and a freezer without a late one is looked at before it is thrown away.
const CUTS = `
fridge | 3 | | keep
fridge | 4 | | keep
fridge | 4.5 | | throw
fridge | 9.33 | | throw
fridge | 36 | 3 at 1 | throw
fridge | 36 | 3 at 1, 3.5 at 8 | throw
fridge | 5 | 4 at 5 | keep
fridge | 6 | 3.8 at 6 | keep
fridge | 9.33 | 10.4 at 9.33 | throw
fridge | 8 | 3 at 7 | keep
fridge | 3 | 8 at 0.5 | throw
fridge | 2 | 5 at 1.5 | keep
fridge | 12 | 3 at 9 | keep
fridge | 20 | 3.5 at 15 | throw
fridge | 5 | 3 at 5.5 | throw
freezer 1 | 40 | | keep
freezer 1 | 60 | | look
freezer 0.42 | 20 | | keep
freezer 0.42 | 84 | -18 at 2.5 | look
freezer 0.5 | 24 | | keep
freezer 0.5 | 25 | | look
freezer 0.5 | 30 | -6.2 at 30 | keep
freezer 0.5 | 30 | -12 at 10 | look
freezer 1 | 84 | -18 at 2.5 | look
freezer 1 | 40 | 6 at 40 | throw
freezer 1 | 10 | 12 at 10 | throw
freezer 1 | 20 | -3 at 8 | look
freezer 1 | 60 | -4 at 58 | keep
freezer 1 | 60 | -2 at 46 | look
freezer 1 | 60 | 2 at 59 | look
freezer 1 | 70 | 5 at 69.9 | throw
freezer 0.1 | 4 | | keep
freezer 0.1 | 6 | | look
freezer 1 | 50 | -18 at 51 | look
freezer 1 | 40 | 9 at 42 | throw
`;
const ROWS = CUTS.trim()
  .split('\n')
  .map((line) => line.split('|').map((cell) => cell.trim()));

test.each(ROWS)('%s, %s h, read: %s: %s', (where = '', hours, read = '', fate) => {
  const [kind, full = '1'] = where.split(' ');
  const readings = read === '' ? [] : read.split(', ').map((each) => each.split(' at ').map(Number));
  const place = { ...(kind === 'fridge' ? fridge() : freezer(Number(full))) };
  expect(
    cutVerdict(
      { ...place, readings: readings.map(([celsius = 0, at = 0]) => ({ celsius, hours: at })) },
      Number(hours),
    ),
  ).toMatchObject({ fate });
});

test('what is said to keep until an hour is kept until then and no longer, whatever was read', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(fridge(), freezer(1), freezer(0.5), freezer(0.2)),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (place, hours, warmth) => {
        const celsius = place.kind === 'fridge' ? 3 + 5 * warmth : -18 + 24 * warmth;
        const read = { ...place, readings: [{ hours, celsius }] };
        const until = lastsUntil(read);
        const is = (at: number) => cutVerdict(read, at).fate === 'keep';
        // Before its reading nobody knew of it.
        if (until - 0.01 >= hours) expect(is(until - 0.01)).toBe(true);
        if (until + 0.01 >= hours) expect(is(until + 0.01)).toBe(false);
      },
    ),
  );
});

test('there are as many cuts as were asked for', () => expect(ROWS.length).toBeGreaterThanOrEqual(30));

test('cold again is said by a reading since the power came back alone, and a past date stands apart', () => {
  const read = (hours: number, celsius: number) => fridge({ readings: [{ hours, celsius }] });
  expect([isColdAgain(read(3, 3), 5), isColdAgain(read(6, 3), 5), isColdAgain(read(6, 7), 5)]).toEqual([
    false,
    true,
    false,
  ]);
  const today = '2026-12-01' as LocalDate;
  const kept = cutVerdict(fridge(), 2);
  expect(packVerdict(kept, { foodKind: 'cooked', safeUntil: '2026-11-30' as LocalDate }, today)).toMatchObject({
    fate: 'throw',
    isPast: true,
  });
  expect(packVerdict(kept, { foodKind: 'cooked', safeUntil: today }, today).fate).toBe('keep');
});

test('the drawn curve runs through the reading, starts cold and only warms; an open door shortens it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      fc.double({ min: 0.5, max: 100, noNaN: true }),
      fc.double({ min: -17, max: 19, noNaN: true }),
      fc.double({ min: 0, max: 120, noNaN: true }),
      (full, hours, celsius, at) => {
        const place = freezer(full, { readings: [{ hours, celsius }] });
        expect(celsiusAt(place, hours)).toBeCloseTo(celsius, 6);
        expect(celsiusAt(place, 0)).toBeCloseTo(-18, 6);
        expect(celsiusAt(place, at + 1)).toBeGreaterThanOrEqual(celsiusAt(place, at));
        expect(hoursOf(freezer(full, { opened: 3 }))).toBeLessThan(hoursOf(freezer(full)));
        const back = hoursTo(place, celsius);
        expect(back).toBeCloseTo(hours, 4);
        // Later it warms by its own time, at the melting point hardly.
        expect(celsiusAt(place, hours + 300)).toBeGreaterThan(celsius - 1e-9);
      },
    ),
  );
});

test('a cold reading holds for then: from it on a place warms as it would have; one of unknown size is taken as half full; the fridge is saved first', () => {
  const cold = freezer(1, { readings: [{ hours: 5, celsius: -18 }] });
  expect(celsiusAt(cold, 5)).toBeCloseTo(-18, 6);
  // It would be hard for 53 h; an early reading lengthens nothing: 48 h, as its verdict has it.
  expect(lastsUntil(cold)).toBeCloseTo(48, 4);
  // Full, it is at −1.5 °C after 48 h; its ice then takes up 0.72 × 334 / 1.9 K × 84.3 h / 21.5 K: 496 h at its melting point.
  expect(celsiusAt(freezer(1), 48 + 490)).toBeCloseTo(-1.5, 6);
  expect(celsiusAt(freezer(1), 48 + 503)).toBeGreaterThan(-1.5);
  expect(fullOf(1000, undefined)).toBe(0.5);
  expect(fullOf(30_000, 60_000)).toBe(0.5);
  expect(saveFirst([freezer(1), freezer(0.3), fridge()]).map(({ kind, full }) => [kind, full])).toEqual([
    ['fridge', 1],
    ['freezer', 0.3],
    ['freezer', 1],
  ]);
});
