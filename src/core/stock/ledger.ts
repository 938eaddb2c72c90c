import { capital } from '../quantity/write';
import type { LocalDate } from '../calendar/local-date';
import {
  freshLife,
  keepingDates,
  movedTo,
  noLaterThan,
  openedOn,
  returnedOn,
  thawedInPlace,
  keepsOnceUsed,
  type FoodHistory,
  type FoodLife,
  type KeepingDates,
  type OnceUsed,
} from '../preserve/food-life';
import {
  isDried,
  keepsRowOf,
  sayKind,
  type DatingRules,
  type FoodKind,
  type LabelDate,
  type Packaging,
  type PlaceKind,
} from '../preserve/shelf-life';
import { fine, refused, type Outcome } from '../problem';
import { standing, type Entry } from '../standing';
import { addUp } from '../add-up';

export const MOVEMENT_KINDS = [
  'received',
  'found',
  'packed',
  'used',
  'moved',
  'thawed',
  'opened',
  'split',
  'merged',
  'fed',
  'returned',
  'discarded',
  'corrected',
  'blocked',
  'redated',
  'put right',
  'reversed',
] as const;
export type MovementKind = (typeof MOVEMENT_KINDS)[number];

export const ACCOUNTS = ['bought', 'found', 'made', 'cooked', 'eaten', 'thrown', 'lost'] as const;
/** Where an amount comes from or goes to that is not on a shelf. */
export type Account = (typeof ACCOUNTS)[number];

/** One side of a movement, in tenths of a gram: of a holding at a place, or of an account outside the stock. */
export type Leg =
  | { readonly holdingId: number; readonly placeId: number; readonly amount: number }
  | { readonly account: Account; readonly amount: number };

export interface Movement extends Entry {
  readonly kind: MovementKind;
  readonly day: LocalDate;
  readonly legs: readonly Leg[];
  /** The rules of dates that hold from it on; absent: as before. */
  readonly rulesId?: number;
}

/** What a holding is made of and the rules that its dates follow. */
export interface HoldingRules {
  readonly holdingId: number;
  readonly kind: FoodKind;
  readonly fatty: boolean;
  readonly places: ReadonlyMap<number, PlaceKind>;
  /** The rules of dates by their id; without one those that held before ids were written. */
  readonly dating: (rulesId: number | undefined) => DatingRules;
  /** In what it is packed; absent: nobody has said. */
  readonly packaging?: Packaging;
  /** The date that the maker of an ingredient printed on it. */
  readonly label?: LabelDate;
  /** Of a pack that was made of another: what that one had behind it by then. */
  readonly origin?: Origin;
}

/** What food had behind it when it was split off or mixed into another pack: no new pack makes it fresher. */
export interface Origin extends FoodHistory {
  readonly rulesId?: number;
}

export interface HoldingState extends KeepingDates, FoodHistory {
  /** Tenths of a gram. */
  readonly amount: number;
  /** Where it lies, or lay last. */
  readonly placeId: number;
  readonly place: PlaceKind;
  /** All that its dates were asked of. */
  readonly life: FoodLife;
  /** It is not fed until somebody says that it may be. */
  readonly blocked: boolean;
  /** How long it would keep once it is taken out of the freezer, or opened. */
  readonly keeps: OnceUsed;
  /** The rules that its dates follow. */
  readonly rulesId: number | undefined;
}

/** Amounts are kept in tenths of a gram. */
export const tenths = (grams: number) => Math.round(grams * 10);
export const fromTenths = (amount: number) => amount / 10;

export const legSum = (legs: readonly Leg[]) => addUp(legs, (leg) => leg.amount);

/** Whether nothing came or went: each holding has as much as before. What was put right is something else than a weight. */
export const staysStill = (legs: readonly Leg[]): boolean => {
  const sums = new Map<number, number>();
  for (const each of legs)
    if ('holdingId' in each) sums.set(each.holdingId, (sums.get(each.holdingId) ?? 0) + each.amount);
  return [...sums.values()].every((amount) => amount === 0);
};

/** The legs that undo a movement. */
export const reversedLegs = (legs: readonly Leg[]): Leg[] => legs.map((leg) => ({ ...leg, amount: -leg.amount }));

/**
 * What a holding is after all its movements: amount, place, thaw and opening day, dates in force.
 *
 * Takes the holding's movements in order and its rules. Undefined state where none counts (its packing was reversed).
 * Refuses a sequence that cannot have happened: more taken than there was, or taken from where it was not.
 * Every check on a new movement or a reversal is this one fold over the history that would follow.
 */
export function foldHolding(movements: readonly Movement[], rules: HoldingRules): Outcome<HoldingState | undefined> {
  const balances = new Map<number, number>();
  let state: Bare | undefined;
  const counted = standing(movements).filter(({ legs }) =>
    legs.some((leg) => 'holdingId' in leg && leg.holdingId === rules.holdingId),
  );
  // The rules that hold at last date its whole life: a redating is one of all that went before.
  const rulesId = counted.reduce((id, movement) => movement.rulesId ?? id, rules.origin?.rulesId);
  const dating = rules.dating(rulesId);
  for (const movement of counted) {
    const legs = movement.legs.filter((leg) => 'holdingId' in leg && leg.holdingId === rules.holdingId);
    for (const leg of legs)
      if ('placeId' in leg) balances.set(leg.placeId, (balances.get(leg.placeId) ?? 0) + leg.amount);
    for (const balance of balances.values()) {
      if (balance < 0) return refused('There is not that much left of it.');
    }
    // What was done with a pack that is not there any more goes first.
    if (!state && legSum(legs) <= 0) return refused('Something was done with it since: take that back first.');
    const filled = [...balances].filter(([, amount]) => amount > 0);
    if (filled.length > 1) return refused('It lies in one place at a time.');
    const placeId =
      filled[0]?.[0] ?? state?.placeId ?? legs.flatMap((leg) => ('placeId' in leg ? [leg.placeId] : []))[0] ?? 0;
    const place = rules.places.get(placeId);
    if (!place) return refused('This place is not known.');
    if (!keepsRowOf(dating, rules.kind, place))
      return refused(`${capital(sayKind(rules.kind))} does not keep in a ${place}.`);
    state = {
      placeId,
      amount: filled[0]?.[1] ?? 0,
      life: state ? nextLife(dating, state.life, movement, place) : firstLife(rules, place, movement.day),
      blocked: state !== undefined && (state.blocked || movement.kind === 'blocked'),
    };
  }
  if (!state) return fine(undefined);
  return fine({
    ...state,
    ...state.life,
    rulesId,
    ...keepingDates(dating, state.life),
    keeps: keepsOnceUsed(dating, state.life),
  });
}

/** The form of this fold: what an older one kept beside its holding is folded anew. */
export const FOLD = 1;

/** A bag of dry food is open once something was taken out of it. */
const OPENS_DRIED: ReadonlySet<MovementKind> = new Set(['fed', 'split', 'merged']);

type Bare = Pick<HoldingState, 'placeId' | 'amount' | 'life' | 'blocked'>;

function firstLife(
  { kind, fatty, packaging, label, origin }: HoldingRules,
  place: PlaceKind,
  day: LocalDate,
): FoodLife {
  const of = { kind, place, fatty, packaging, label };
  if (!origin) return freshLife(of, day);
  return { ...of, frozenOn: place === 'freezer' ? origin.since : undefined, ...origin };
}

/** What a movement makes of the food. */
function nextLife(dating: DatingRules, before: FoodLife, { kind, day }: Movement, place: PlaceKind): FoodLife {
  if (kind === 'put right') return noLaterThan(movedTo(dating, before, place, day), day);
  if (kind === 'thawed') return thawedInPlace(before, day);
  const opens = kind === 'opened' || (OPENS_DRIED.has(kind) && isDried(before.kind));
  const used = opens ? openedOn(before, day) : kind === 'returned' ? returnedOn(before, day) : before;
  return movedTo(dating, used, place, day);
}
