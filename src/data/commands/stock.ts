import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { HALF_A_GRAM } from '@/core/batch/share-state';
import { sayKind } from '@/core/preserve/shelf-life';
import { standing, tipOf } from '@/core/standing';
import { reversedLegs, staysStill, tenths, type Leg } from '@/core/stock/ledger';
import { readPlaces } from '../repositories/household';
import { readHistories, readMovement, type StoredMovement } from '../repositories/movements';
import { readKept, readUsed } from '../repositories/kept';
import { askRoom } from '@/core/stock/room';
import { addUp } from '@/core/add-up';
import { readPacks } from '../repositories/stock';
import { share } from '../schema/batches';
import { bowl, bowlLeft, bowlPart } from '../schema/bowls';
import { refreshBatch } from './batch-at-hand';
import { writeMovement, writeMovements, type NewMovement } from './ledger';
import { forgetUse } from './lot-uses';
import { atHand, belongs, GOES_BACK } from './pack-at-hand';
import { keepContents } from './pack-weights';
import { shareIn } from './shares';
import { refuse, type Context } from './run';
import { sure } from '@/core/sure';

/** Moves packs to another place, and asks where that is said to hold less. */
export async function movePacks(
  context: Context,
  input: { holdingIds: readonly number[]; placeId: number; fits?: boolean | undefined },
): Promise<{ movementIds: number[] }> {
  const moved = await putPacks(context, input);
  if (input.fits === true) return moved;
  const place = sure((await readPlaces(context.tx)).find((each) => each.id === input.placeId));
  const comes = addUp(await readKept(context.tx, input.holdingIds), ({ grams }) => grams);
  const used = (await readUsed(context.tx, place.id)) - comes;
  const asked = askRoom(
    { name: place.name, capacity: place.capacityMl ?? undefined },
    used,
    comes,
    context.household.unitSet,
  );
  return asked === undefined ? moved : refuse(asked, 'fits');
}

/** Moves packs to another place, each in a movement of its own; all of them or none. */
export async function putPacks(
  context: Context,
  input: { holdingIds: readonly number[]; placeId: number },
): Promise<{ movementIds: number[] }> {
  const place =
    (await readPlaces(context.tx)).find((each) => each.id === input.placeId) ?? refuse('This place is not known.');
  const packs = await readKept(context.tx, input.holdingIds);
  const entries = [...new Set(input.holdingIds)].map((holdingId): NewMovement => {
    const pack = atHand(packs, holdingId);
    if (pack.placeId === place.id) refuse(`${pack.code} is in the ${place.name.toLowerCase()} already.`);
    if (!belongs(context, pack, place.kind)) {
      refuse(`${pack.code} is ${sayKind(pack.foodKind)}: it does not keep in the ${place.name.toLowerCase()}.`);
    }
    if (pack.safeUntil !== undefined && pack.safeUntil < context.today) {
      refuse(`${pack.code} was safe until ${pack.safeUntil}: no other place makes it good again. Throw it away.`);
    }
    const amount = tenths(pack.grams);
    return {
      kind: 'moved',
      legs: [
        { holdingId, placeId: pack.placeId, amount: -amount },
        { holdingId, placeId: place.id, amount },
      ],
    };
  });
  const made = await writeMovements(context, entries);
  return { movementIds: made.map(({ id }) => id) };
}

/** Throws away what is left of packs, and says why where that is known; all of them or none. */
export async function discardPacks(
  context: Context,
  input: { holdingIds: readonly number[]; why?: string },
): Promise<{ movementIds: number[] }> {
  const packs = await readKept(context.tx, input.holdingIds);
  const made = await writeMovements(
    context,
    [...new Set(input.holdingIds)].map((holdingId): NewMovement => {
      const pack = atHand(packs, holdingId);
      const amount = tenths(pack.grams);
      return {
        kind: 'discarded',
        note: input.why,
        legs: [
          { holdingId, placeId: pack.placeId, amount: -amount },
          { account: 'thrown', amount },
        ],
      };
    }),
  );
  return { movementIds: made.map(({ id }) => id) };
}

/** Takes back all that one act did, the last of it first; all of it or nothing. */
export async function reverseAll(context: Context, input: { movementIds: readonly number[] }): Promise<void> {
  for (const movementId of [...input.movementIds].sort((a, b) => b - a)) await reverseMovement(context, { movementId });
}

/**
 * Takes a movement back by its mirror image, or puts back what was taken back; refused where a later movement would
 * then be impossible. Packs whose packing is taken back return to their share, which opens again.
 */
export async function reverseMovement(context: Context, input: { movementId: number; note?: string }): Promise<void> {
  const { tx } = context;
  const asked = (await readMovement(tx, input.movementId)) ?? refuse('This movement is not known.');
  let tip = asked;
  let stands = true;
  for (; tip.reversedBy !== undefined; stands = !stands) tip = sure(await readMovement(tx, tip.reversedBy));
  if (!stands) refuse('This was taken back already.');
  const first = await beginningOf(tx, asked);
  // A label that was put right is not in the legs: taken back, the books would say so and the pack stay with the wrong dog.
  if (first.kind === 'corrected' && staysStill(first.legs))
    refuse(
      `A label that was put right is put right again, not taken back: say anew for whom the pack is${first.note ? ` (${first.note})` : ''}.`,
    );
  if (first.kind === 'fed' && asked.id !== first.id) refuse('A bowl that was taken back is fed anew, on Today.');
  if (first.kind === 'fed') await takeBackLeft(context, first.id);
  if (first.kind === 'packed' && asked.id === first.id) return takeBackPacks(context, holdingsOf(first.legs));
  const reversal = await writeMovement(context, {
    kind: 'reversed',
    legs: reversedLegs(asked.legs),
    takesBack: tip.id,
    note: input.note,
  });
  if (first.kind === 'fed') await tx.update(bowl).set({ reversedBy: reversal.id }).where(eq(bowl.movementId, first.id));
  if (first.kind === 'used') await forgetUse(context, first.id, reversal.id);
  await tx
    .update(bowlLeft)
    .set({ reversedBy: reversal.id })
    .where(and(eq(bowlLeft.movementId, first.id), isNull(bowlLeft.reversedBy)));
  const fromPacks = first.kind === 'split' || first.kind === 'merged';
  const touched = first.kind === 'packed' || fromPacks || fromPot(first.legs) ? holdingsOf(first.legs) : [];
  await keepContents(tx, touched);
  await refreshShares(context, touched);
  await refreshWarm(context, first);
}

/** What was left of a bowl goes with it: first that is taken back. */
async function takeBackLeft(context: Context, fedId: number): Promise<void> {
  const [left] = await context.tx
    .select({ movementId: bowlLeft.movementId })
    .from(bowlLeft)
    .innerJoin(bowl, eq(bowl.id, bowlLeft.bowlId))
    .where(and(eq(bowl.movementId, fedId), isNull(bowlLeft.reversedBy)));
  if (left) await reverseMovement(context, { movementId: left.movementId });
}

const fromPot = (legs: readonly Leg[]) => legs.some((each) => 'account' in each && each.account === 'cooked');

const holdingsOf = (legs: readonly Leg[]) => [
  ...new Set(legs.flatMap((each) => ('holdingId' in each ? [each.holdingId] : []))),
];

/** What a chain of takings back began with. */
async function beginningOf(tx: Context['tx'], asked: StoredMovement): Promise<StoredMovement> {
  let first = asked;
  while (first.takesBack !== undefined) first = sure(await readMovement(tx, first.takesBack));
  return first;
}

/**
 * Takes packs back: what they held is in their share again, to be packed anew. Moves and corrections since go back with
 * them; a pack that was fed from or thrown away stays.
 */
export async function takeBackPacks(context: Context, holdingIds: readonly number[]): Promise<void> {
  const { tx } = context;
  const packs = await readPacks(tx, holdingIds);
  const histories = await readHistories(tx, holdingIds);
  const entries: NewMovement[] = [];
  for (const pack of packs) {
    if (pack.void) refuse(`${pack.code} was taken back already.`);
    const stands = standing(histories.get(pack.holdingId) ?? []);
    const kept = stands.find((each) => !GOES_BACK.has(each.kind));
    if (kept)
      refuse(
        kept.kind === 'fed'
          ? `${pack.code} was fed from: take that bowl back first, or leave this pack as it is.`
          : `${pack.code} was ${kept.kind} from: take that back first, or leave this pack as it is.`,
      );
    for (const each of [...stands].reverse()) {
      const tip = tipOf(sure(histories.get(pack.holdingId)), each.id);
      entries.push({ kind: 'reversed', legs: reversedLegs(each.legs), takesBack: tip });
    }
  }
  await writeMovements(context, entries);
  await refreshShares(context, holdingIds);
}

/** Takes back every pack of a share that may be. */
export async function takeBackShare(
  context: Context,
  input: { batchId: number; shareId: number; revision?: number },
): Promise<void> {
  const { share } = await shareIn(context, input);
  if (share.packs.length === 0) refuse('Nothing of this share is sealed.');
  const ids = share.packs.map((pack) => pack.holdingId);
  const histories = await readHistories(context.tx, ids);
  const free = ids.filter((id) => standing(histories.get(id) ?? []).every(({ kind }) => GOES_BACK.has(kind)));
  // What was fed from stays; where that is all of them, the reason is said.
  await takeBackPacks(context, free.length > 0 ? free : ids);
}

/** The batches of these packs as they are now; refused where a share would hold more than is in it. */
async function refreshShares(context: Context, holdingIds: readonly number[]): Promise<void> {
  const packs = await readPacks(context.tx, holdingIds);
  const batchIds = new Set(packs.flatMap((pack) => pack.contents.map((each) => each.batchId)));
  for (const batchId of batchIds) {
    const state = await refreshBatch(context, batchId);
    if (state.state !== 'weighed') continue;
    const full = state.shares.find(
      (share) =>
        (share.left ?? 0) < -HALF_A_GRAM &&
        packs.some((pack) => pack.contents.some((each) => each.shareId === share.id)),
    );
    if (full && packs.some((pack) => !pack.void))
      refuse('What was in it has been packed otherwise meanwhile: there is not that much left of its share.');
  }
}

/** A bowl that was fed warm and is taken back leaves more in its share. */
async function refreshWarm(context: Context, fed: StoredMovement): Promise<void> {
  if (fed.kind !== 'fed') return;
  const rows = await context.tx
    .selectDistinct({ batchId: share.batchId })
    .from(bowlPart)
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .innerJoin(share, eq(share.id, bowlPart.shareId))
    .where(eq(bowl.movementId, fed.id));
  for (const { batchId } of rows) await refreshBatch(context, batchId);
}
