import 'server-only';
import { eq } from 'drizzle-orm';
import { shelfLifeOf } from '@/core/preserve/shelf-life';
import { reversedLegs, tenths } from '@/core/stock/ledger';
import { readPlaces } from '../repositories/household';
import { readMovement, readPacks, type StoredPack } from '../repositories/stock';
import { bowl } from '../schema/stock';
import { writeMovement } from './ledger';
import { inMass, refuse, type Context } from './run';

async function packWith(context: Context, holdingId: number): Promise<StoredPack> {
  const [found] = await readPacks(context.tx, [holdingId]);
  if (!found) return refuse('This pack is not known.');
  if (found.grams <= 0) return refuse(`${found.code} is empty by now: somebody was quicker.`);
  return found;
}

/** Moves packs to another place, each in a movement of its own; all of them or none. */
export async function movePacks(
  context: Context,
  input: { holdingIds: readonly number[]; placeId: number },
): Promise<void> {
  const place =
    (await readPlaces(context.tx)).find((each) => each.id === input.placeId) ?? refuse('This place is not known.');
  for (const holdingId of [...input.holdingIds].sort((a, b) => a - b)) {
    const pack = await packWith(context, holdingId);
    if (pack.placeId === place.id) refuse(`${pack.code} is in the ${place.name.toLowerCase()} already.`);
    if (!shelfLifeOf(context.reference.shelfLives, pack.foodKind, place.kind)) {
      refuse(`${pack.code} is ${pack.foodKind} food: it does not keep in the ${place.name.toLowerCase()}.`);
    }
    if (pack.safeUntil !== undefined && pack.safeUntil < context.today) {
      refuse(`${pack.code} was safe until ${pack.safeUntil}: no other place makes it good again. Throw it away.`);
    }
    const amount = tenths(pack.grams);
    await writeMovement(context, {
      kind: 'moved',
      legs: [
        { holdingId, placeId: pack.placeId, amount: -amount },
        { holdingId, placeId: place.id, amount },
      ],
    });
  }
}

/** Throws away what is left of a pack. */
export async function discardPack(context: Context, input: { holdingId: number; note?: string }): Promise<void> {
  const pack = await packWith(context, input.holdingId);
  const amount = tenths(pack.grams);
  await writeMovement(context, {
    kind: 'discarded',
    note: input.note,
    legs: [
      { holdingId: pack.holdingId, placeId: pack.placeId, amount: -amount },
      { account: 'thrown', amount },
    ],
  });
}

/** Puts right what a pack holds: the scale is believed, the difference is found or lost. */
export async function correctPack(context: Context, input: { holdingId: number; grams: number }): Promise<void> {
  const pack = await packWith(context, input.holdingId);
  if (!(input.grams > 0)) refuse('A weight above 0; an empty pack is thrown away.', 'grams');
  if (input.grams > pack.labelGrams * 1.5 + 50) {
    refuse(
      `${inMass(context)(input.grams)} is far more than was sealed in (${inMass(context)(pack.labelGrams)}). Was the tub weighed along?`,
      'grams',
    );
  }
  const difference = tenths(input.grams) - tenths(pack.grams);
  if (difference === 0) refuse(`${pack.code} holds exactly that already.`, 'grams');
  await writeMovement(context, {
    kind: 'corrected',
    legs: [
      { holdingId: pack.holdingId, placeId: pack.placeId, amount: difference },
      { account: difference > 0 ? 'found' : 'lost', amount: -difference },
    ],
  });
}

/** Takes a movement back by its mirror image; refused where a later movement would then be impossible. */
export async function reverseMovement(context: Context, input: { movementId: number; note?: string }): Promise<void> {
  const { tx } = context;
  const target = (await readMovement(tx, input.movementId)) ?? refuse('This movement is not known.');
  if (target.reverses !== undefined) refuse('This already takes something back. Do the thing again instead.');
  if (target.reversedBy !== undefined) refuse('This was taken back already.');
  const reversal = await writeMovement(context, {
    kind: 'reversed',
    legs: reversedLegs(target.legs),
    reverses: target.id,
    note: input.note,
  });
  await tx.update(bowl).set({ reversedBy: reversal.id }).where(eq(bowl.movementId, target.id));
}
