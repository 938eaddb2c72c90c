import fc from 'fast-check';
import { celsiusAt, cutVerdict, fullOf, hoursOf, hoursTo, lastsUntil, saveFirst, type CutPlace } from './power-cut';

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

// The same source: food with ice crystals in it or at 40 °F (4 °C) or below is refrozen or used; above 40 °F for two hours it is
// thrown away. "When in doubt, throw it out": in a fridge without a thermometer after four hours.
test('frozen food that may have thawed is looked at; two hours above 4 °C, read or reckoned, throw it away', () => {
  expect(cutVerdict(freezer(1), 50).fate).toBe('look');
  const warm = hoursTo(freezer(1), 4)!;
  expect(cutVerdict(freezer(1), warm + 1.9).fate).toBe('look');
  expect(cutVerdict(freezer(1), warm + 2.1).fate).toBe('throw');
  // A reading decides: the freezer was colder, or warmer, than anybody thought.
  expect(cutVerdict(freezer(0.5, { readings: [{ hours: 30, celsius: -6.2 }] }), 30).fate).toBe('keep');
  expect(cutVerdict(freezer(1, { readings: [{ hours: 10, celsius: 12 }] }), 10).fate).toBe('throw');
  expect(cutVerdict(fridge({ readings: [{ hours: 9.33, celsius: 10.4 }] }), 9.33).fate).toBe('throw');
  expect(cutVerdict(fridge({ readings: [{ hours: 6, celsius: 3.8 }] }), 6).fate).toBe('keep');
  expect(cutVerdict(fridge(), 9.33)).toMatchObject({ fate: 'throw', rule: expect.stringContaining('4 h') as string });
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
      },
    ),
  );
});

test('a place that has not warmed stays; one of unknown size is taken as half full; the fridge is saved first', () => {
  const cold = freezer(1, { readings: [{ hours: 5, celsius: -18 }] });
  expect(celsiusAt(cold, 400)).toBeCloseTo(-18, 6);
  expect(lastsUntil(cold)).toBeUndefined();
  expect(fullOf(1000, undefined)).toBe(0.5);
  expect(fullOf(30_000, 60_000)).toBe(0.5);
  expect(saveFirst([freezer(1), freezer(0.3), fridge()]).map(({ kind, full }) => [kind, full])).toEqual([
    ['fridge', 1],
    ['freezer', 0.3],
    ['freezer', 1],
  ]);
});
