import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { rulesOf } from '../../../tests/fixtures/dating';
import type { FoodKind } from '../preserve/shelf-life';
import { foldHolding, type HoldingRules, type HoldingState, type Movement } from './ledger';
import { mixedKind, originOf, type ToMix } from './mixed';

const DAY = '2026-11-25' as LocalDate;
const [FRIDGE, FREEZER, CUPBOARD] = [1, 2, 3];
const places = new Map([
  [FRIDGE, 'fridge' as const],
  [FREEZER, 'freezer' as const],
  [CUPBOARD, 'cupboard' as const],
]);
const rules = (kind: FoodKind, origin?: HoldingRules['origin']): HoldingRules => ({
  holdingId: 1,
  kind,
  fatty: false,
  places,
  dating: () => rulesOf(),
  ...(origin ? { origin } : {}),
});

/** A pack that was packed and moved on some days, as it is at the end of them. */
function lived(kind: FoodKind, moves: readonly { readonly day: number; readonly placeId: number }[]): HoldingState {
  const [first, ...others] = moves;
  const history: Movement[] = [
    {
      id: 1,
      kind: 'packed',
      day: addDays(DAY, first!.day),
      legs: [
        { account: 'cooked', amount: -1000 },
        { holdingId: 1, placeId: first!.placeId, amount: 1000 },
      ],
    },
  ];
  let at = first!.placeId;
  for (const { day, placeId } of others) {
    if (placeId === at) continue;
    history.push({
      id: history.length + 1,
      kind: 'moved',
      day: addDays(DAY, day),
      legs: [
        { holdingId: 1, placeId: at, amount: -1000 },
        { holdingId: 1, placeId, amount: 1000 },
      ],
    });
    at = placeId;
  }
  const folded = foldHolding(history, rules(kind));
  if (!folded.ok || !folded.value) throw new Error('it was packed');
  return folded.value;
}

/** What a new pack of these parts is on the day on which it is made. */
function mixed(kind: FoodKind, parts: readonly HoldingState[], day: LocalDate): HoldingState {
  const toMix = parts.map((state, index): ToMix => ({ ...state, code: `V${index}` }));
  const made: Movement = {
    id: 9,
    kind: 'merged',
    day,
    legs: [
      { holdingId: 7, placeId: parts[0]!.placeId, amount: -500 },
      { holdingId: 1, placeId: parts[0]!.placeId, amount: 500 },
    ],
  };
  const folded = foldHolding([made], rules(kind, originOf(toMix, day)));
  if (!folded.ok || !folded.value) throw new Error('it was mixed');
  return folded.value;
}

const move = fc.record({ day: fc.integer({ min: 0, max: 3 }), placeId: fc.constantFrom(FRIDGE, FREEZER) });
const life = fc
  .array(move, { minLength: 1, maxLength: 4 })
  .map((moves) => [...moves].sort((a, b) => a.day - b.day).map(({ day, placeId }) => ({ day, placeId: placeId! })));

test('in the fridge a mixed pack keeps exactly as long as the part of it that keeps the shortest', () => {
  fc.assert(
    fc.property(fc.array(life, { minLength: 1, maxLength: 4 }), (lives) => {
      // All of them lie in the fridge by the day on which they are mixed.
      const parts = lives.map((moves) => lived('cooked', [...moves, { day: 4, placeId: FRIDGE! }]));
      const shortest = parts.map(({ safeUntil }) => safeUntil!).sort()[0];
      expect(mixed('cooked', parts, addDays(DAY, 4)).safeUntil).toBe(shortest);
    }),
    { numRuns: 300 },
  );
});

test('frozen, a mixed pack thawed later keeps no longer than any part of it would', () => {
  fc.assert(
    fc.property(fc.array(life, { minLength: 1, maxLength: 4 }), (lives) => {
      const parts = lives.map((moves) => lived('cooked', [...moves, { day: 4, placeId: FREEZER! }]));
      const made = mixed('cooked', parts, addDays(DAY, 4));
      expect(made.safeUntil).toBeUndefined();
      expect(made.bestBy).toBe(parts.map(({ bestBy }) => bestBy!).sort()[0]);
      expect(made.fridgeDaysUsed).toBe(Math.max(...parts.map(({ fridgeDaysUsed }) => fridgeDaysUsed)));
    }),
    { numRuns: 200 },
  );
});

// Handbook 10: opened, freeze-dried food keeps two weeks (common practice, no source).
test('dry food that is mixed is open from that day on, and ages from the day on which its oldest part was packed', () => {
  const parts = [
    lived('freeze-dried', [{ day: 0, placeId: CUPBOARD! }]),
    lived('freeze-dried', [{ day: 3, placeId: CUPBOARD! }]),
  ];
  const made = mixed('freeze-dried', parts, addDays(DAY, 9));
  expect(made).toMatchObject({ openedOn: addDays(DAY, 9), packedOn: DAY, safeUntil: addDays(DAY, 23) });
});

const part = (kind: FoodKind, over: Partial<ToMix> = {}): ToMix => {
  const state = lived('cooked', [{ day: 0, placeId: FRIDGE! }]);
  return { ...state, life: { ...state.life, kind }, code: 'V1', ...over };
};

test.each([
  [['cooked', 'cooked'], 'cooked'],
  [['cooked', 'raw'], 'raw'],
  [['freeze-dried', 'freeze-dried'], 'freeze-dried'],
  [['broth', 'broth'], 'broth'],
] as const)('%j make %s', (kinds, kind) => {
  expect(mixedKind(kinds.map((each) => part(each)))).toEqual({ ok: true, value: kind });
});

test.each([
  [['cooked', 'freeze-dried'], {}, /not mixed/],
  [['cooked', 'broth'], {}, /not mixed/],
  [['dehydrated', 'freeze-dried'], {}, /not mixed/],
  [['cooked'], {}, /Two packs or more/],
  [['cooked', 'cooked'], { blocked: true }, /is blocked/],
  [['cooked', 'cooked'], { placeId: 2 }, /two places/],
] as const)('%j with %j is refused', (kinds, over, said) => {
  const parts = kinds.map((kind, index) => part(kind, index === 1 ? over : {}));
  expect(mixedKind(parts)).toMatchObject({ ok: false, problem: { message: expect.stringMatching(said) as string } });
});
