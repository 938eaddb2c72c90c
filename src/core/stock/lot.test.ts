import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import { drawLots, inHouse, kindOfLot, placeKindOf, type Lot } from './lot';
import { readLot, readPrice, type LotEntry } from './lot-entry';

const day = (text: string) => text as LocalDate;
const lot = (holdingId: number, over: Partial<Lot> = {}): Lot => ({
  holdingId,
  key: '17343',
  name: 'Venison',
  grams: 1000,
  place: 'fridge',
  safeUntil: day('2026-12-01'),
  bestBy: undefined,
  receivedOn: day('2026-11-27'),
  blocked: false,
  ...over,
});

// USDA/FoodSafety.gov: ground meat, offal and fish 1–2 days, whole cuts 3–5; which row is which is ours.
test.each([
  ['Game meat, deer, shoulder clod, separable lean only, raw', 'Lamb, veal and game', 'whole meat', 'fridge'],
  ['Beef, ground, 90% lean meat / 10% fat, raw', 'Beef', 'raw', 'fridge'],
  ['Chicken, liver, all classes, raw', 'Poultry', 'raw', 'fridge'],
  ['Fish, salmon, Atlantic, wild, raw', 'Fish and shellfish', 'raw', 'fridge'],
  ['Fish, sardine, Atlantic, canned in oil, drained solids with bone', 'Fish and shellfish', 'pantry', 'cupboard'],
  ['Chicken, broilers or fryers, breast, meat only, cooked, stewed', 'Poultry', 'cooked', 'fridge'],
  ['Barley, pearled, raw', 'Grains and pasta', 'pantry', 'cupboard'],
  ['Kale, raw', 'Vegetables', 'pantry', 'fridge'],
  ['Peas, green, frozen, unprepared', 'Vegetables', 'pantry', 'freezer'],
  ['Rice, white, long-grain, regular, cooked', 'Grains and pasta', 'cooked', 'fridge'],
  ['Sweet potato, cooked, baked in skin, without salt', 'Vegetables', 'cooked', 'fridge'],
  ['Egg, whole, cooked, hard-boiled', 'Dairy and egg', 'cooked', 'fridge'],
  ['Beans, black, mature seeds, cooked, boiled', 'Legumes', 'cooked', 'fridge'],
  ['Beans, kidney, canned, cooked', 'Legumes', 'pantry', 'cupboard'],
  ['Bread, wheat, toasted, cooked', 'Baked', 'pantry', 'cupboard'],
  ['Egg, whole, raw, fresh', 'Dairy and egg', 'pantry', 'fridge'],
])('%s is %s and lies first in the %s', (name, group, kind, place) => {
  const food = { name, group, ndb: '01000' };
  expect(kindOfLot(food)).toBe(kind);
  expect(placeKindOf(food, kindOfLot(food))).toBe(place);
});

test('the cook’s words say that it is ground where the table does not', () => {
  const deer = { name: 'Game meat, deer, raw', group: 'Lamb, veal and game', ndb: '17164' };
  expect(kindOfLot(deer)).toBe('whole meat');
  expect(kindOfLot(deer, 'minced venison')).toBe('raw');
});

test('what is not frozen goes first, then what expires first, then what came first', () => {
  const lots = [
    lot(1, { place: 'freezer', safeUntil: undefined, bestBy: day('2026-11-28') }),
    lot(2, { safeUntil: day('2026-12-02') }),
    lot(3, { safeUntil: day('2026-11-29') }),
    lot(4, { safeUntil: day('2026-11-29'), receivedOn: day('2026-11-25') }),
  ];
  const { uses, missing } = drawLots(3500, lots, day('2026-11-27'));
  expect(uses).toEqual([
    { holdingId: 4, grams: 1000 },
    { holdingId: 3, grams: 1000 },
    { holdingId: 2, grams: 1000 },
    { holdingId: 1, grams: 500 },
  ]);
  expect(missing).toBe(0);
  expect(drawLots(300, lots, day('2026-11-27'), [2]).uses).toEqual([{ holdingId: 2, grams: 300 }]);
});

test('what is past its safe day is taken only where the cook names it, what is blocked never', () => {
  const old = lot(1, { safeUntil: day('2026-11-26') });
  expect(drawLots(100, [old], day('2026-11-27'))).toEqual({ uses: [], missing: 100 });
  expect(drawLots(100, [old], day('2026-11-27'), [1]).uses).toHaveLength(1);
  expect(drawLots(100, [lot(1, { blocked: true })], day('2026-11-27'), [1])).toEqual({ uses: [], missing: 100 });
});

test('any draw takes no more than there is, and what it takes and misses is what was asked', () => {
  const lots = fc.array(
    fc.record({
      grams: fc.integer({ min: 0, max: 5000 }),
      place: fc.constantFrom('fridge' as const, 'freezer' as const, 'cupboard' as const),
      blocked: fc.boolean(),
      late: fc.boolean(),
    }),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(lots, fc.integer({ min: 1, max: 20_000 }), (of, asked) => {
      const all = of.map(({ late, ...rest }, index) =>
        lot(index, { ...rest, safeUntil: day(late ? '2026-11-20' : '2026-12-20') }),
      );
      const { uses, missing } = drawLots(asked, all, day('2026-11-27'));
      expect(uses.reduce((sum, use) => sum + use.grams, missing)).toBeCloseTo(asked, 6);
      for (const use of uses) {
        expect(use.grams).toBeLessThanOrEqual(all[use.holdingId]!.grams);
        expect(all[use.holdingId]!.blocked || all[use.holdingId]!.safeUntil! < '2026-11-27').toBe(false);
      }
    }),
  );
});

test('what will not be good on the cook day counts as too old, and says by when it must be frozen', () => {
  const today = day('2026-11-27');
  const fresh = lot(1, { safeUntil: day('2026-11-29') });
  const lots = [fresh, lot(2, { place: 'freezer', safeUntil: undefined, grams: 700 }), lot(3, { key: '20005' })];
  const none = { tooOld: 0, freezeBy: undefined };
  expect(inHouse('17343', lots, day('2026-11-28'), today)).toEqual({ ready: 1000, frozen: 700, ...none });
  expect(inHouse('17343', lots, day('2026-11-29'), today)).toEqual({ ready: 1000, frozen: 700, ...none });
  expect(inHouse('17343', lots, day('2026-12-03'), today)).toEqual({
    ready: 0,
    frozen: 700,
    tooOld: 1000,
    freezeBy: '2026-11-29',
  });
});

test('what is past its safe day already is not told to be frozen, nor is what is blocked', () => {
  const lots = [lot(1, { safeUntil: day('2026-11-26') }), lot(2, { safeUntil: day('2026-11-28'), blocked: true })];
  expect(inHouse('17343', lots, day('2026-12-03'), day('2026-11-27'))).toEqual({
    ready: 0,
    frozen: 0,
    tooOld: 0,
    freezeBy: undefined,
  });
});

describe('what is typed from a wrapper', () => {
  const entry: LotEntry = {
    amount: '1.2 kg',
    price: '18,90',
    date: '2026-12-04',
    is: 'safe',
    code: ' L 2291 ',
    kind: 'whole meat',
    placeId: 1,
  };
  test('is read', () => {
    expect(readLot(entry, 'metric')).toEqual({
      ok: true,
      value: { grams: 1200, priceMinor: 1890, label: { until: '2026-12-04', is: 'safe' }, code: 'L 2291' },
    });
  });
  test('says every problem at its field', () => {
    const read = readLot({ ...entry, amount: '0', price: 'much', date: '2026-02-30' }, 'metric');
    expect(read.ok ? [] : read.problems.map(({ field }) => field)).toEqual(['amount', 'price', 'date']);
    const far = readLot({ ...entry, date: '3026-12-04' }, 'metric');
    expect(far.ok ? [] : far.problems.map(({ field }) => field)).toEqual(['date']);
  });
  test('what was not said stays unknown: no price is not a price of 0', () => {
    const read = readLot({ ...entry, price: ' ', date: '', code: '' }, 'metric');
    expect(read.ok && read.value).toEqual({ grams: 1200, priceMinor: undefined, label: undefined, code: undefined });
    expect(readPrice('0', 'price')).toEqual({ minor: 0 });
    expect(readPrice('1 204.50', 'price')).toEqual({ minor: 120_450 });
    // A comma before three digits is a thousand to one cook, a decimal to another: neither is taken in silence.
    for (const typed of ['12,345', '12.345', '1,204'])
      expect(readPrice(typed, 'price')).toEqual({
        problem: { field: 'price', message: expect.stringMatching(/^Is that /) as string },
      });
    expect(readPrice('1,204.50', 'price')).toEqual({ minor: 120_450 });
    expect(readPrice('12.34', 'price')).toEqual({ minor: 1234 });
    expect(readPrice('-3', 'price').problem?.field).toBe('price');
  });
});
