import { rulesOf } from '../../../tests/fixtures/dating';
import { addDays, type LocalDate } from '../calendar/local-date';
import { standing, tipOf } from '../standing';
import { seeded } from '../../../tests/fixtures/seeded';
import {
  foldHolding,
  legSum,
  reversedLegs,
  type HoldingRules,
  type HoldingState,
  type Leg,
  type Movement,
} from './ledger';
import { originOf } from './mixed';

// A thousand kitchens of two hundred acts each, beside a cook with a pencil who only writes down weights: whatever is packed, moved,
// split, mixed, fed, left, thrown, lost, found, blocked and taken back, the ledger's sum is what lies there.
const DAY = '2026-11-25' as LocalDate;
const places = new Map([
  [1, 'fridge' as const],
  [2, 'freezer' as const],
]);
const dating = () => rulesOf();

const [SEQUENCES, ACTS] = [1000, 200];
const ACTS_OF = [
  'pack',
  'move',
  'feed',
  'leave',
  'throw',
  'lose',
  'find',
  'split',
  'mix',
  'block',
  'open',
  'thaw',
  'reverse',
  'reverse',
] as const;

test('a thousand sequences of two hundred acts: the sum of the ledger is the stock, on every shelf and of every pack', () => {
  const random = seeded(15);
  const upTo = (most: number) => Math.floor(random() * (most + 1));
  const pick = <T>(of: readonly T[]): T => of[upTo(of.length - 1)]!;
  let done = 0;
  let refused = 0;
  for (let sequence = 0; sequence < SEQUENCES; sequence++) {
    const all: Movement[] = [];
    const of = new Map<number, Movement[]>();
    const rules = new Map<number, HoldingRules>();
    const states = new Map<number, HoldingState | undefined>();
    const touched = (legs: readonly Leg[]) => [
      ...new Set(legs.flatMap((leg) => ('holdingId' in leg ? [leg.holdingId] : []))),
    ];
    /** Keeps a movement if every history that follows from it could have happened. */
    const write = (kind: Movement['kind'], legs: readonly Leg[], day: LocalDate, takesBack?: number): boolean => {
      const movement: Movement = {
        id: all.length + 1,
        kind,
        day,
        legs,
        ...(takesBack === undefined ? {} : { takesBack }),
      };
      const next = touched(legs).map((id) => ({
        id,
        folded: foldHolding([...(of.get(id) ?? []), movement], rules.get(id)!),
      }));
      if (next.some(({ folded }) => !folded.ok)) {
        refused++;
        return false;
      }
      all.push(movement);
      for (const { id, folded } of next) {
        of.set(id, [...(of.get(id) ?? []), movement]);
        states.set(id, folded.ok ? folded.value : undefined);
      }
      done++;
      return true;
    };
    const fresh = (origin?: HoldingRules['origin']): number => {
      const id = rules.size + 1;
      rules.set(id, { holdingId: id, kind: 'cooked', fatty: false, places, dating, ...(origin ? { origin } : {}) });
      return id;
    };
    const forget = (id: number) => rules.delete(id);
    for (let act = 0; act < ACTS; act++) {
      const day = addDays(DAY, Math.floor(act / 10));
      const what = act === 0 ? 'pack' : pick(ACTS_OF);
      const there = [...states].flatMap(([id, state]) => (state && state.amount > 0 ? [{ id, ...state }] : []));
      const own = there.length > 0 ? pick(there) : undefined;
      // Now and then somebody asks for more than there is.
      const some = own ? 1 + upTo(Math.round(own.amount * 1.1)) : 0;
      const stays = own && [
        { holdingId: own.id, placeId: own.placeId, amount: -own.amount },
        { holdingId: own.id, placeId: own.placeId, amount: own.amount },
      ];
      if (what === 'pack') {
        if (rules.size >= 12) continue;
        const id = fresh();
        const amount = 500 + upTo(5000);
        if (
          !write(
            'packed',
            [
              { account: 'cooked', amount: -amount },
              { holdingId: id, placeId: 1 + upTo(1), amount },
            ],
            day,
          )
        )
          forget(id);
      } else if (what === 'reverse') {
        const target = all.length > 0 ? pick(all) : undefined;
        if (!target) continue;
        // What counts is taken back, and what was taken back counts again.
        const tip = tipOf(all, target.id);
        const last = all.find(({ id }) => id === tip)!;
        write('reversed', reversedLegs(last.legs), day, tip);
      } else if (!own || !stays) continue;
      else if (what === 'move') {
        const to = 1 + upTo(1);
        write(
          'moved',
          [
            { holdingId: own.id, placeId: own.placeId, amount: -own.amount },
            { holdingId: own.id, placeId: to, amount: own.amount },
          ],
          day,
        );
      } else if (what === 'split' || what === 'mix') {
        const other = what === 'mix' ? pick(there) : undefined;
        if (rules.size >= 16 || (other && (other.id === own.id || other.placeId !== own.placeId))) continue;
        const parts = [own, ...(other ? [other] : [])];
        const id = fresh(
          originOf(
            parts.map((part) => ({ ...part, code: String(part.id), kind: 'cooked' as const })),
            day,
          ),
        );
        const amounts = parts.map((part) => 1 + upTo(part.amount - 1));
        const legs: Leg[] = [
          ...parts.map((part, index) => ({ holdingId: part.id, placeId: part.placeId, amount: -amounts[index]! })),
          { holdingId: id, placeId: own.placeId, amount: amounts.reduce((sum, each) => sum + each, 0) },
        ];
        if (!write(what === 'split' ? 'split' : 'merged', legs, day)) forget(id);
      } else if (what === 'block') write('blocked', stays, day);
      else if (what === 'open') write('opened', stays, day);
      else if (what === 'thaw') write('thawed', stays, day);
      else {
        const [kind, account, sign] = (
          {
            feed: ['fed', 'eaten', -1],
            leave: ['returned', 'eaten', 1],
            throw: ['discarded', 'thrown', -1],
            lose: ['corrected', 'lost', -1],
            find: ['corrected', 'found', 1],
          } as const
        )[what];
        write(
          kind,
          [
            { holdingId: own.id, placeId: own.placeId, amount: sign * some },
            { account, amount: -sign * some },
          ],
          day,
        );
      }
    }
    // The pencil adds up every side that was ever written; the fold knows only what stands.
    const pencil = new Map<string, number>();
    let outside = 0;
    for (const { legs } of all) {
      expect(legSum(legs)).toBe(0);
      for (const leg of legs) {
        if ('account' in leg) outside += leg.amount;
        else {
          const key = `${leg.holdingId} ${leg.placeId}`;
          pencil.set(key, (pencil.get(key) ?? 0) + leg.amount);
        }
      }
    }
    let inside = 0;
    for (const [id, state] of states) {
      for (const placeId of places.keys()) {
        const lies = pencil.get(`${id} ${placeId}`) ?? 0;
        expect(lies).toBe(state && state.placeId === placeId ? state.amount : 0);
        inside += lies;
      }
      const blocked = standing(of.get(id) ?? []).some(({ kind }) => kind === 'blocked');
      expect(state?.blocked ?? false).toBe(state !== undefined && blocked);
    }
    expect(inside).toBe(-outside);
  }
  // It is no test where everything is refused, or nothing.
  expect(done).toBeGreaterThan(SEQUENCES * ACTS * 0.3);
  expect(refused).toBeGreaterThan(SEQUENCES);
});
