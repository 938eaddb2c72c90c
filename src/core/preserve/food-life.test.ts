import fc from 'fast-check';
import { rulesOf } from '../../../tests/fixtures/dating';
import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { originOf } from '../stock/mixed';
import {
  freshLife,
  keepingDates,
  keptUntil,
  movedTo,
  openedOn,
  returnedOn,
  thawedInPlace,
  keepsOnceUsed,
  type FoodLife,
} from './food-life';
import { keepsRowOf, PLACE_KINDS, type FoodKind } from './shelf-life';

const RULES = rulesOf();
const DAY = '2026-11-25' as LocalDate;
const KINDS = ['cooked', 'raw', 'broth', 'whole meat', 'dehydrated', 'freeze-dried'] as const satisfies FoodKind[];

/** The last day on which food could be fed if it were put into the warm on a day; Infinity: it is open. */
function lastDay(life: FoodLife, day: LocalDate): number {
  const warm = keepsRowOf(RULES, life.kind, 'fridge') ? 'fridge' : 'cupboard';
  const { safeUntil } = keepingDates(RULES, life.place === 'freezer' ? movedTo(RULES, life, warm, day) : life);
  return safeUntil === undefined ? Infinity : daysBetween(DAY, safeUntil);
}

const mixedInto = (lives: readonly FoodLife[], day: LocalDate): FoodLife => ({
  ...lives[0]!,
  ...originOf(
    lives.map((life) => ({ life, code: 'V1', placeId: 1, rulesId: undefined, blocked: false })),
    day,
  ),
});

type Act = (typeof ACTS)[number];
const ACTS = ['fridge', 'freezer', 'cupboard', 'thaw', 'open', 'put back', 'split', 'mix'] as const;

const fresh = (kind: FoodKind, label: number | undefined, placeAt: number): FoodLife => {
  const places = PLACE_KINDS.filter((place) => keepsRowOf(RULES, kind, place));
  return freshLife(
    {
      kind,
      place: places[placeAt % places.length]!,
      ...(label === undefined ? {} : { label: { is: 'safe' as const, until: addDays(DAY, label) } }),
    },
    DAY,
  );
};

function acted(life: FoodLife, act: Act, day: LocalDate, other: FoodLife): FoodLife {
  if (act === 'thaw') return life.place === 'freezer' ? thawedInPlace(life, day) : life;
  if (act === 'open') return openedOn(life, day);
  if (act === 'put back') return returnedOn(life, day);
  if (act === 'split') return mixedInto([life], day);
  if (act === 'mix') return mixedInto([life, movedTo(RULES, other, life.place, day)], day);
  return keepsRowOf(RULES, life.kind, act) ? movedTo(RULES, life, act, day) : life;
}

// The rule of the house (handbook 10): nothing but a redating by the cook makes a date later than it was.
test('no act makes food keep longer: moved, thawed, opened, put back, split, mixed, in any order', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KINDS),
      fc.option(fc.integer({ min: 0, max: 20 }), { nil: undefined }),
      fc.nat(2),
      fc.nat(2),
      fc.array(fc.record({ after: fc.integer({ min: 0, max: 9 }), act: fc.constantFrom(...ACTS) }), { maxLength: 9 }),
      (kind, label, place, otherPlace, acts) => {
        let life = fresh(kind, label, place);
        const other = fresh(kind, undefined, otherPlace);
        let day = DAY;
        let frozenBest: LocalDate | undefined;
        for (const { after, act } of acts) {
          day = addDays(day, after);
          const before = lastDay(life, day);
          const next = acted(life, act, day, other);
          expect(lastDay(next, day)).toBeLessThanOrEqual(before);
          const best = keepingDates(RULES, next).bestBy;
          if (next.place === 'freezer') {
            if (frozenBest !== undefined) expect(best! <= frozenBest).toBe(true);
            frozenBest = best;
          } else if (next.place === life.place) expect(best! <= keepingDates(RULES, life).bestBy!).toBe(true);
          life = next;
        }
      },
    ),
    { numRuns: 1500 },
  );
});

test('what is asked ahead is what is done: thawed or opened later, food keeps as long as was said', () => {
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), fc.nat(9), fc.integer({ min: 1, max: 60 }), (kind, first, later) => {
      const place = keepsRowOf(RULES, kind, 'fridge') ? 'fridge' : 'cupboard';
      const frozen = movedTo(RULES, fresh(kind, undefined, 0), 'freezer', addDays(DAY, first));
      const on = addDays(DAY, first + later);
      const { thawed } = keepsOnceUsed(RULES, frozen);
      if (frozen.pastOn !== undefined) return expect(thawed).toBeUndefined();
      if (thawed !== undefined)
        expect(keepingDates(RULES, movedTo(RULES, frozen, place, on)).safeUntil).toBe(keptUntil(on, thawed));
      else expect(keepingDates(RULES, movedTo(RULES, frozen, place, on)).safeUntil).toBeUndefined();
    }),
  );
});

// Handbook 10 by hand: raw two days, broth four, cooked what the household says, dehydrated two weeks.
test.each([
  ['raw', { thawed: 2 }],
  ['broth', { thawed: 4 }],
  ['cooked', { thawed: 4 }],
  ['dehydrated', { thawed: 14, opened: 14 }],
] as const)('%s food out of the freezer keeps by its own row: %j', (kind, days) => {
  expect(keepsOnceUsed(RULES, freshLife({ kind, place: 'freezer' }, DAY))).toEqual(days);
});
