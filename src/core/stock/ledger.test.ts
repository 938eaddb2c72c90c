import { rulesOf } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { standing } from '../standing';
import { codeLetter, packCode } from './code';
import { foldHolding, legSum, reversedLegs, type HoldingRules, type Leg, type Movement } from './ledger';

const DAY = '2026-11-25' as LocalDate;
const FRIDGE = 1;
const FREEZER = 2;
const CUPBOARD = 3;
const places = new Map([
  [FRIDGE, 'fridge' as const],
  [FREEZER, 'freezer' as const],
  [CUPBOARD, 'cupboard' as const],
]);
const rules = (kind: HoldingRules['kind'] = 'cooked'): HoldingRules => ({
  holdingId: 1,
  kind,
  fatty: false,
  places,
  dating: () => rulesOf(),
});

let id = 0;
const at = (placeId: number, amount: number): Leg => ({ holdingId: 1, placeId, amount });
const movement = (kind: Movement['kind'], days: number, ...legs: Leg[]): Movement => ({
  id: ++id,
  kind,
  day: addDays(DAY, days),
  legs,
});
const packed = (placeId = FRIDGE) => movement('packed', 0, { account: 'cooked', amount: -1000 }, at(placeId, 1000));

test('packed, moved to the freezer, thawed, fed: dates follow', () => {
  const history = [packed(), movement('moved', 1, at(FRIDGE, -1000), at(FREEZER, 1000))];
  expect(foldHolding(history, rules())).toMatchObject({
    value: { place: 'freezer', safeUntil: undefined, fridgeDaysUsed: 1 },
  });
  history.push(movement('moved', 10, at(FREEZER, -1000), at(FRIDGE, 1000)));
  // USDA: thaw day + fridge days not yet used (4 − 1).
  expect(foldHolding(history, rules())).toMatchObject({
    value: { thawedOn: addDays(DAY, 10), safeUntil: addDays(DAY, 13) },
  });
  history.push(movement('fed', 11, at(FRIDGE, -600), { account: 'eaten', amount: 600 }));
  expect(foldHolding(history, rules())).toMatchObject({ value: { amount: 400, place: 'fridge' } });
});

test('more than there is, or from where it is not, is refused', () => {
  const eats = (placeId: number, amount: number) =>
    movement('fed', 1, at(placeId, -amount), { account: 'eaten', amount });
  expect(foldHolding([packed(), eats(FRIDGE, 1001)], rules()).ok).toBe(false);
  expect(foldHolding([packed(), eats(FREEZER, 10)], rules()).ok).toBe(false);
  expect(foldHolding([packed(), movement('moved', 1, at(FRIDGE, -1000), at(CUPBOARD, 1000))], rules()).ok).toBe(false);
});

test('a reversal restores what was; one that would make a later movement impossible is refused', () => {
  const first = packed();
  const fed = movement('fed', 1, at(FRIDGE, -600), { account: 'eaten', amount: 600 });
  const takenBack: Movement = { ...movement('reversed', 1, ...reversedLegs(fed.legs)), takesBack: fed.id };
  expect(foldHolding([first, fed, takenBack], rules())).toMatchObject({ value: { amount: 1000 } });
  const unpacked: Movement = { ...movement('reversed', 2, ...reversedLegs(first.legs)), takesBack: first.id };
  expect(foldHolding([first, fed, unpacked], rules()).ok).toBe(false);
  expect(foldHolding([first, fed, takenBack, unpacked], rules())).toEqual({ ok: true, value: undefined });
});

test('feeding from dry food opens it: two weeks (common practice, no source)', () => {
  const history = [packed(CUPBOARD), movement('fed', 5, at(CUPBOARD, -100), { account: 'eaten', amount: 100 })];
  expect(foldHolding(history, rules('freeze-dried'))).toMatchObject({
    value: { openedOn: addDays(DAY, 5), safeUntil: addDays(DAY, 19) },
  });
});

/** Tries random acts on one pack the way the stock does: only what the fold accepts is kept. */
const act = fc.record({
  kind: fc.constantFrom('fed', 'moved', 'discarded', 'corrected', 'reversed'),
  amount: fc.integer({ min: 1, max: 700 }),
  place: fc.constantFrom(FRIDGE, FREEZER),
  pick: fc.nat(40),
});

test('for any sequence: legs sum to zero, the ledger equals the stock, nothing goes below zero', () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      const history: Movement[] = [packed()];
      acts.forEach(({ kind, amount, place, pick }, index) => {
        const now = foldHolding(history, rules());
        if (!now.ok) throw new Error('kept history must fold');
        const here = now.value?.placeId ?? FRIDGE;
        const candidates: Record<string, () => Movement | undefined> = {
          fed: () => movement('fed', index, at(here, -amount), { account: 'eaten', amount }),
          moved: () => movement('moved', index, at(here, -(now.value?.amount ?? 0)), at(place, now.value?.amount ?? 0)),
          discarded: () => movement('discarded', index, at(here, -amount), { account: 'thrown', amount }),
          corrected: () => movement('corrected', index, at(here, amount), { account: 'found', amount: -amount }),
          reversed: () => {
            const target = standing(history)[pick];
            return target && { ...movement('reversed', index, ...reversedLegs(target.legs)), takesBack: target.id };
          },
        };
        const next = candidates[kind]!();
        if (next && foldHolding([...history, next], rules()).ok) history.push(next);
      });
      for (const { legs } of history) expect(legSum(legs)).toBe(0);
      const ledger = history
        .flatMap(({ legs }) => legs)
        .reduce((sum, leg) => sum + ('holdingId' in leg ? leg.amount : 0), 0);
      const folded = foldHolding(history, rules());
      expect(folded.ok && (folded.value?.amount ?? 0)).toBe(ledger);
      expect(ledger).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 300 },
  );
});

test('codes are a letter of the recipe and a number; letters are not shared', () => {
  expect(codeLetter('Venison, barley & parsnip', [])).toBe('V');
  expect(codeLetter('Veal and oats', ['V'])).toBe('E');
  expect(codeLetter('Oio', [])).toBe('A');
  const all = [...'ABCDEFGHJKLMNPQRSTUVWXYZ'];
  expect(codeLetter('Goat', all)).toBe('GA');
  expect(packCode('V', 12)).toBe('V12');
});

test('moving dehydrated food between cupboard and fridge does not renew its fortnight', () => {
  const history = [
    packed(CUPBOARD),
    movement('moved', 10, at(CUPBOARD, -1000), at(FRIDGE, 1000)),
    movement('moved', 12, at(FRIDGE, -1000), at(CUPBOARD, 1000)),
  ];
  expect(foldHolding(history, rules('dehydrated'))).toMatchObject({
    value: { place: 'cupboard', safeUntil: addDays(DAY, 14) },
  });
});

// Handbook 10: opened, freeze-dried food keeps two weeks (common practice, no source); a move opens nothing.
test('a dried pack is opened by feeding from it, not by a move, and its date follows', () => {
  const history = [packed(CUPBOARD), movement('moved', 5, at(CUPBOARD, -1000), at(FREEZER, 1000))];
  const moved = foldHolding(history, rules('freeze-dried'));
  expect(moved.ok && moved.value?.openedOn).toBeUndefined();
  const fed = [packed(CUPBOARD), movement('fed', 5, at(CUPBOARD, -100), { account: 'eaten', amount: 100 })];
  expect(foldHolding(fed, rules('freeze-dried'))).toMatchObject({
    value: { openedOn: addDays(DAY, 5), safeUntil: addDays(DAY, 19) },
  });
});

// NCHFP: 14 days sealed at room temperature; opened it is no longer than that, and no longer than 14 days from opening.
test('opened dehydrated food keeps its sealed date where that is the earlier one', () => {
  const fed = (days: number) => [
    packed(CUPBOARD),
    movement('fed', days, at(CUPBOARD, -100), { account: 'eaten', amount: 100 }),
  ];
  expect(foldHolding(fed(3), rules('dehydrated'))).toMatchObject({
    value: { openedOn: addDays(DAY, 3), safeUntil: addDays(DAY, 14), bestBy: addDays(DAY, 14) },
  });
});
