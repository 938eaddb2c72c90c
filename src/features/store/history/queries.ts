import 'server-only';
import { addUp } from '@/core/add-up';
import { clockIn, writeDay } from '@/core/calendar/local-date';
import { writeMassIn } from '@/core/quantity/write';
import { fromTenths, staysStill } from '@/core/stock/ledger';
import type { Page } from '@/data/page';
import type { readAllPlaces } from '@/data/repositories/household';
import type { StoredMovement } from '@/data/repositories/movements';

export interface HistoryEntry {
  readonly movementId: number;
  readonly said: string;
  readonly when: string;
  readonly canReverse: boolean;
  /** What taking it back would empty, said before it is done. */
  readonly empties: string | undefined;
}

export const holdingsOf = (movement: StoredMovement) => [
  ...new Set(movement.legs.flatMap((leg) => ('holdingId' in leg ? [leg.holdingId] : []))),
];

/** What was done with a pack, newest first. */
export const entriesOf = (
  read: Page,
  history: readonly StoredMovement[],
  places: Awaited<ReturnType<typeof readAllPlaces>>,
): HistoryEntry[] => [...history].reverse().map((movement) => entryOf(read, movement, places, history));

export function entryOf(
  { household, today }: Page,
  movement: StoredMovement,
  places: Awaited<ReturnType<typeof readAllPlaces>>,
  history: readonly StoredMovement[],
): HistoryEntry {
  const set = household.unitSet;
  const gained = movement.legs.filter((leg) => 'holdingId' in leg && leg.amount > 0);
  const amount = fromTenths(Math.max(...[addUp(movement.legs, (leg) => Math.max(0, leg.amount))]));
  const to =
    gained[0] && 'placeId' in gained[0]
      ? places.find((each) => each.id === (gained[0] as { placeId: number }).placeId)?.name.toLowerCase()
      : undefined;
  const isLoss = movement.note !== undefined && movement.legs.some((leg) => 'account' in leg && leg.account === 'lost');
  const words: Record<string, string> = {
    packed: `packed ${writeMassIn(amount, set)} into the ${to}`,
    moved: `moved ${writeMassIn(amount, set)} to the ${to}`,
    fed: `fed ${writeMassIn(amount, set)}`,
    redated: 'dated by the rules of that day',
    'put right': `nothing of it was later than ${writeDay(movement.day, today)}`,
    opened: 'opened',
    returned: `put back ${writeMassIn(amount, set)}`,
    blocked: 'blocked: not to be fed',
    thawed: 'found thawed, and frozen again',
    split: `split: ${writeMassIn(amount, set)} into a pack of their own`,
    merged: `mixed: ${writeMassIn(amount, set)} in one`,
    discarded: `threw away ${writeMassIn(amount, set)}`,
    corrected: isLoss
      ? `not found: ${writeMassIn(amount, set)}`
      : staysStill(movement.legs)
        ? 'put right'
        : `corrected by ${gained.length > 0 ? '+' : '−'}${writeMassIn(amount, set)}`,
    reversed: `took back: ${kindOf(movement, history)}`,
  };
  const stands = standsIn(movement, history);
  const taken = stands ? '' : ' (taken back)';
  return {
    movementId: movement.id,
    said: `${words[movement.kind] ?? `${movement.kind} ${writeMassIn(amount, set)}`}${movement.note ? ` (${movement.note})` : ''}${taken}`,
    when: `${writeDay(movement.day, today)} ${clockIn(movement.at, household.timeZone)}`,
    empties:
      stands && movement.kind === 'packed'
        ? `${writeMassIn(amount, set)} go back into their share, to be packed anew; its label is void`
        : undefined,
    // A bowl that was taken back is fed anew.
    canReverse: stands && (movement.takesBack === undefined || kindOf(movement, history) !== 'fed'),
  };
}

/** Whether a movement counts: nothing standing takes it back. */
const standsIn = (movement: StoredMovement, history: readonly StoredMovement[]): boolean => {
  const back = history.find((each) => each.takesBack === movement.id);
  return back ? !standsIn(back, history) : movement.reversedBy === undefined;
};

/** The kind of what a chain of takings back began with. */
const kindOf = (movement: StoredMovement, history: readonly StoredMovement[]): string => {
  const first = history.find((each) => each.id === movement.takesBack);
  return first ? kindOf(first, history) : movement.kind === 'reversed' ? 'what was done before' : movement.kind;
};
