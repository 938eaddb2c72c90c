import { capital } from '../quantity/write';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import {
  keepingDates,
  isDried,
  sayKind,
  shelfLifeOf,
  type DatingRules,
  type FoodKind,
  type KeepingDates,
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
export interface Origin {
  readonly packedOn: LocalDate;
  readonly since: LocalDate;
  readonly fridgeDaysUsed: number;
  readonly thawedOn?: LocalDate;
  readonly openedOn?: LocalDate;
  readonly returnedOn?: LocalDate;
  readonly rulesId?: number;
}

export interface HoldingState extends KeepingDates {
  /** Tenths of a gram. */
  readonly amount: number;
  /** Where it lies, or lay last. */
  readonly placeId: number;
  readonly place: PlaceKind;
  /** The day of its first movement. */
  readonly packedOn: LocalDate;
  readonly since: LocalDate;
  /** Days that it has spent outside the freezer in earlier places. */
  readonly fridgeDaysUsed: number;
  readonly thawedOn: LocalDate | undefined;
  readonly openedOn: LocalDate | undefined;
  /** The day that what a dog left of it was put back last. */
  readonly returnedOn: LocalDate | undefined;
  /** It is not fed until somebody says that it may be. */
  readonly blocked: boolean;
  /** The rules that its dates follow. */
  readonly rulesId: number | undefined;
}

/** Amounts are kept in tenths of a gram. */
export const tenths = (grams: number) => Math.round(grams * 10);
export const fromTenths = (amount: number) => amount / 10;

export const legSum = (legs: readonly Leg[]) => addUp(legs, (leg) => leg.amount);

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
  let rulesId = rules.origin?.rulesId;
  for (const movement of standing(movements)) {
    const legs = movement.legs.filter((leg) => 'holdingId' in leg && leg.holdingId === rules.holdingId);
    if (legs.length === 0) continue;
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
    rulesId = movement.rulesId ?? rulesId;
    if (!shelfLifeOf(rules.dating(rulesId).shelfLives, rules.kind, place))
      return refused(`${capital(sayKind(rules.kind))} does not keep in a ${place}.`);
    state = next(state, movement, { placeId, place, amount: filled[0]?.[1] ?? 0 }, rules);
  }
  if (!state) return fine(undefined);
  const { shelfLives, fridgeDays } = rules.dating(rulesId);
  return fine({
    ...state,
    rulesId,
    ...keepingDates(
      shelfLives,
      {
        kind: rules.kind,
        place: state.place,
        packedOn: state.packedOn,
        since: state.since,
        fridgeDaysUsed: state.fridgeDaysUsed,
        openedOn: state.openedOn,
        thawedOn: state.thawedOn,
        ...(state.returnedOn === undefined ? {} : { returnedOn: state.returnedOn }),
        fatty: rules.fatty,
        ...(rules.packaging ? { packaging: rules.packaging } : {}),
        ...(rules.label ? { label: rules.label } : {}),
      },
      fridgeDays,
    ),
  });
}

/** A bag of dry food is open once something was taken out of it. */
const OPENS_DRIED: ReadonlySet<MovementKind> = new Set(['fed', 'split', 'merged']);

type Bare = Omit<HoldingState, keyof KeepingDates | 'rulesId'>;

/** A clock had run ahead: nothing was done later than on the day that is said. */
function noLaterThan(day: LocalDate, { packedOn, since, thawedOn, openedOn, returnedOn }: Bare) {
  const sooner = <T extends LocalDate | undefined>(own: T) => (own !== undefined && own > day ? day : own);
  return {
    packedOn: sooner(packedOn),
    since: sooner(since),
    thawedOn: sooner(thawedOn),
    openedOn: sooner(openedOn),
    returnedOn: sooner(returnedOn),
  };
}

function next(
  before: Bare | undefined,
  movement: Movement,
  now: Pick<Bare, 'placeId' | 'place' | 'amount'>,
  { kind, origin }: Pick<HoldingRules, 'kind' | 'origin'>,
): Bare {
  if (!before) {
    return {
      ...now,
      packedOn: origin?.packedOn ?? movement.day,
      since: origin?.since ?? movement.day,
      fridgeDaysUsed: origin?.fridgeDaysUsed ?? 0,
      thawedOn: origin?.thawedOn,
      openedOn: origin?.openedOn,
      returnedOn: origin?.returnedOn,
      blocked: false,
    };
  }
  if (movement.kind === 'put right') return { ...before, ...now, ...noLaterThan(movement.day, before) };
  const opens = movement.kind === 'opened' || (OPENS_DRIED.has(movement.kind) && isDried(kind));
  const openedOn = before.openedOn ?? (opens ? movement.day : undefined);
  const returnedOn = movement.kind === 'returned' ? movement.day : before.returnedOn;
  const blocked = before.blocked || movement.kind === 'blocked';
  // Frozen again after a thaw that nobody wanted, it was a day in the warm (ours, no source).
  if (movement.kind === 'thawed')
    return { ...before, ...now, thawedOn: movement.day, fridgeDaysUsed: before.fridgeDaysUsed + 1 };
  if (now.place === before.place) return { ...before, ...now, openedOn, blocked, returnedOn };
  // Days spent outside the freezer are used up, whether in the fridge or the cupboard: no move gives them again.
  const spent = before.place === 'freezer' ? 0 : Math.max(0, daysBetween(before.since, movement.day));
  return {
    ...now,
    packedOn: before.packedOn,
    openedOn,
    blocked,
    returnedOn,
    since: movement.day,
    fridgeDaysUsed: before.fridgeDaysUsed + spent,
    thawedOn: before.place === 'freezer' && now.place === 'fridge' ? movement.day : before.thawedOn,
  };
}
