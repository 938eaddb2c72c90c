import fc from 'fast-check';
import { addUp } from '../add-up';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { Lot } from '../stock/lot';
import { lotsLeft, type Promised } from './promised';

const DAY = '2026-11-25' as LocalDate;
const lotOf = (holdingId: number, over: Partial<Lot> = {}): Lot => ({
  holdingId,
  key: 'rice',
  name: 'rice',
  grams: 500,
  place: 'cupboard',
  safeUntil: undefined,
  bestBy: undefined,
  receivedOn: DAY,
  blocked: false,
  ...over,
});
const grams = (lots: readonly Lot[]) => addUp(lots, (lot) => lot.grams);

test('what an earlier pot takes is not there for a later one; the earlier one has all of it', () => {
  const promised = [{ planId: 1, cookDay: addDays(DAY, 2), key: 'rice', grams: 300 }];
  expect(grams(lotsLeft({ lots: [lotOf(1)], promised, planId: undefined }, addDays(DAY, 5)))).toBe(200);
  expect(grams(lotsLeft({ lots: [lotOf(1)], promised, planId: 1 }, addDays(DAY, 2)))).toBe(500);
  expect(grams(lotsLeft({ lots: [lotOf(1)], promised, planId: undefined }, DAY))).toBe(500);
});

test('of one day the plan that was kept first comes first', () => {
  const promised = [1, 2].map((planId) => ({ planId, cookDay: DAY, key: 'rice', grams: 300 }));
  expect(grams(lotsLeft({ lots: [lotOf(1)], promised, planId: 1 }, DAY))).toBe(500);
  expect(grams(lotsLeft({ lots: [lotOf(1)], promised, planId: 2 }, DAY))).toBe(200);
});

test('what is gone by a pot’s day is left to those before it', () => {
  const lots = [lotOf(1, { place: 'fridge', safeUntil: addDays(DAY, 1) }), lotOf(2)];
  const promised = [{ planId: 1, cookDay: addDays(DAY, 3), key: 'rice', grams: 300 }];
  expect(lotsLeft({ lots, promised, planId: undefined }, addDays(DAY, 4)).map((lot) => lot.grams)).toEqual([500, 200]);
});

test('nothing is promised twice: what the pots draw and what is left is what was there (property)', () => {
  const promise = fc.record({
    planId: fc.integer({ min: 1, max: 5 }),
    cookDay: fc.integer({ min: 0, max: 6 }).map((day) => addDays(DAY, day)),
    key: fc.constantFrom('rice', 'beef'),
    grams: fc.integer({ min: 1, max: 900 }),
  });
  const lot = fc.record({ key: fc.constantFrom('rice', 'beef'), grams: fc.integer({ min: 1, max: 900 }) });
  fc.assert(
    fc.property(fc.array(promise, { maxLength: 8 }), fc.array(lot, { maxLength: 6 }), (promised: Promised[], own) => {
      const lots = own.map((each, index) => lotOf(index + 1, each));
      const left = lotsLeft({ lots, promised, planId: undefined }, addDays(DAY, 9));
      for (const key of ['rice', 'beef']) {
        const of = <T extends { readonly key: string }>(all: readonly T[]) => all.filter((each) => each.key === key);
        const asked = addUp(of(promised), (each) => each.grams);
        expect(grams(of(left))).toBeCloseTo(Math.max(0, grams(of(lots)) - asked), 0);
        expect(of(left).every((each) => each.grams >= 0)).toBe(true);
      }
    }),
  );
});
