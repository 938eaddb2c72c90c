import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import { endsOf, type PacksAt } from './ends';
import type { BatchSummary } from './summary';

const FRIDAY = '2026-11-27' as LocalDate;
const summary = (over: Partial<BatchSummary>): BatchSummary => ({
  step: 'pack',
  inPot: 3000,
  kcal: { '4-9-4': 1, modified: 1, table: 1 },
  foods: [],
  shares: [],
  net: 2000,
  ...over,
});
const at = (fate: PacksAt['fate'], place: PacksAt['place'], packed: number, left: number): PacksAt => ({
  fate,
  place,
  packed,
  left,
  until: FRIDAY,
});

test('a pot that was shared out: what is eaten, what lies where, dry g said beside those of the pot', () => {
  const of = summary({
    shares: [
      { fate: 'today', grams: 200, sealed: false },
      { fate: 'fridge', grams: 800, sealed: true },
      { fate: 'dry', grams: 1000, sealed: true },
    ],
  });
  expect(endsOf(of, [at('fridge', 'fridge', 800, 300), at('dry', 'cupboard', 250, 100)], false)).toEqual([
    { kind: 'fridge', grams: 300, stored: undefined, until: FRIDAY },
    { kind: 'cupboard', grams: 400, stored: 100, until: FRIDAY },
    { kind: 'eaten', grams: 500 + 600 + 200, stored: undefined, until: undefined },
  ]);
  // On the cook day its own share is still fed warm.
  expect(endsOf(of, [at('fridge', 'fridge', 800, 800)], true).map(({ kind }) => kind)).toContain('warm');
});

test('packs of two shares in one place are said once, with the first day', () => {
  const of = summary({
    shares: [
      { fate: 'fridge', grams: 800, sealed: true },
      { fate: 'freezer', grams: 1200, sealed: true },
    ],
  });
  const moved = { ...at('freezer', 'fridge', 1200, 400), until: '2026-11-26' as LocalDate };
  expect(endsOf(of, [at('fridge', 'fridge', 800, 100), moved], false)).toEqual([
    { kind: 'fridge', grams: 500, stored: undefined, until: '2026-11-26' },
    { kind: 'eaten', grams: 1500, stored: undefined, until: undefined },
  ]);
});

test('nothing of it in store and nothing to be done: it was eaten; unweighed: it is nowhere yet', () => {
  expect(endsOf(summary({}), undefined, false)).toEqual([
    { kind: 'eaten', grams: 2000, stored: undefined, until: undefined },
  ]);
  expect(endsOf(summary({ net: undefined }), undefined, false)).toEqual([]);
  expect(endsOf(summary({ next: 'divide it' }), undefined, false).map(({ kind }) => kind)).toEqual(['to divide']);
});

test('a share that is sealed and of which no pack is there was eaten, and does not wait to be packed', () => {
  const of = summary({
    next: 'seal the rest',
    shares: [
      { fate: 'fridge', grams: 700, sealed: true },
      { fate: 'freezer', grams: 1300, sealed: false },
    ],
  });
  expect(endsOf(of, undefined, false).map(({ kind, grams }) => [kind, grams])).toEqual([
    ['to pack', 1300],
    ['eaten', 700],
  ]);
});

test('whatever was packed and eaten, the ends together are the yield (conservation of mass)', () => {
  const share = fc.record({
    fate: fc.constantFrom('fridge' as const, 'freezer' as const, 'dry' as const),
    grams: fc.integer({ min: 10, max: 900 }),
    part: fc.double({ min: 0, max: 1, noNaN: true }),
    left: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.uniqueArray(share, { selector: ({ fate }) => fate, maxLength: 3 }), fc.boolean(), (shares, warm) => {
      const packs = shares.flatMap(({ fate, grams, part, left }) => {
        const packed = fate === 'dry' ? grams * 0.25 : Math.round(grams * part);
        return packed > 0 ? [at(fate, fate === 'dry' ? 'cupboard' : fate, packed, packed * left)] : [];
      });
      const of = summary({
        next: 'pack',
        shares: [{ fate: 'today', grams: 150, sealed: false }, ...shares.map((each) => ({ ...each, sealed: false }))],
        net: 3000,
      });
      const sum = endsOf(of, packs, warm).reduce((all, end) => all + end.grams, 0);
      // Ends under half a gram are not said.
      expect(Math.abs(sum - 3000)).toBeLessThan(4);
    }),
  );
});
