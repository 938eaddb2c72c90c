import 'server-only';
import { readLocalDate } from '@/core/calendar/local-date';
import { isDried } from '@/core/preserve/shelf-life';
import { blockingOf } from '@/core/stock/blocked';
import { reversedLegs, tenths, type Leg } from '@/core/stock/ledger';
import type { SayOfPacks } from '@/core/stock/store-acts';
import { tipOf } from '@/core/standing';
import { sure } from '@/core/sure';
import { readHistories } from '../repositories/movements';
import { readKept, type Kept } from '../repositories/kept';
import { writeMovements, type NewMovement } from './ledger';
import { atHand } from './pack-at-hand';
import { refuse, type Context } from './run';

/** It stays where it is, and as much as it is: only what is known of it changes. */
export const stays = ({ holdingId, placeId, grams }: Pick<Kept, 'holdingId' | 'placeId' | 'grams'>): Leg[] => {
  const amount = tenths(grams);
  return [
    { holdingId, placeId, amount: -amount },
    { holdingId, placeId, amount },
  ];
};

/** Packs that somebody opened, blocked, could not find, or found thawed: a movement of each, all of them or none. */
export async function sayOfPacks(context: Context, input: SayOfPacks): Promise<{ movementIds: number[] }> {
  const packs = await readKept(context.tx, input.holdingIds);
  if (input.is === 'blocked' && input.why === undefined) refuse('Say why, in a few words.', 'why');
  const entries = [...new Set(input.holdingIds)].map((holdingId): NewMovement => {
    const pack = atHand(packs, holdingId);
    switch (input.is) {
      case 'opened':
        if (!isDried(pack.foodKind)) refuse(`${pack.code} is not dry: once fed from, it keeps as it did.`);
        if (pack.openedOn !== undefined) refuse(`${pack.code} is open already, since ${pack.openedOn}.`);
        return { kind: 'opened', legs: stays(pack), note: input.why };
      case 'blocked':
        if (pack.blocked) refuse(`${pack.code} is blocked already.`);
        return { kind: 'blocked', legs: stays(pack), note: input.why };
      case 'thawed':
        if (pack.placeKind !== 'freezer') refuse(`${pack.code} is not in the freezer: it is thawed anyway.`);
        return { kind: 'thawed', legs: stays(pack), note: input.why };
      case 'lost':
        return lost(pack, input.why ?? 'nobody finds it');
    }
  });
  const made = await writeMovements(context, entries);
  return { movementIds: made.map(({ id }) => id) };
}

/** A pack that is nowhere: what was left of it is lost, until somebody finds it. */
export const lost = (pack: Pick<Kept, 'holdingId' | 'placeId' | 'grams'>, note: string): NewMovement => {
  const amount = tenths(pack.grams);
  return {
    kind: 'corrected',
    note,
    legs: [
      { holdingId: pack.holdingId, placeId: pack.placeId, amount: -amount },
      { account: 'lost', amount },
    ],
  };
};

/** When that really was what the books say of a day to come: nothing of it counts as later than that. */
export async function putDayRight(
  context: Context,
  input: { holdingIds: readonly number[]; day: string },
): Promise<{ movementIds: number[] }> {
  const { today } = context;
  const day = readLocalDate(input.day) ?? refuse('Which day was it really?', 'day');
  if (day > today) refuse('That day is still to come. Which day was it really?', 'day');
  const kept = await readKept(context.tx, input.holdingIds);
  const entries = [...new Set(input.holdingIds)].map((holdingId): NewMovement => {
    const own = atHand(kept, holdingId);
    if (own.ahead === undefined) refuse(`No day of ${own.code} lies ahead.`);
    return { kind: 'put right', day, legs: stays(own) };
  });
  const made = await writeMovements(context, entries);
  return { movementIds: made.map(({ id }) => id) };
}

/** Packs that may be fed again, and why: their blockings are taken back. */
export async function unblockPacks(
  context: Context,
  input: { holdingIds: readonly number[]; why: string },
): Promise<{ movementIds: number[] }> {
  const packs = await readKept(context.tx, input.holdingIds);
  const histories = await readHistories(context.tx, input.holdingIds);
  const entries = [...new Set(input.holdingIds)].flatMap((holdingId): NewMovement[] => {
    const pack = atHand(packs, holdingId);
    const history = sure(histories.get(holdingId));
    const blockings = blockingOf(history);
    if (blockings.length === 0) return refuse(`${pack.code} is not blocked.`);
    return blockings.map((each) => ({
      kind: 'reversed',
      legs: reversedLegs(each.legs),
      takesBack: tipOf(history, each.id),
      note: input.why,
    }));
  });
  const made = await writeMovements(context, entries);
  return { movementIds: made.map(({ id }) => id) };
}
