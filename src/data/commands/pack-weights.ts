import 'server-only';
import { eq } from 'drizzle-orm';
import { splitToGram } from '@/core/portion/split';
import { standing } from '@/core/standing';
import { nth } from '@/core/sure';
import { tenths } from '@/core/stock/ledger';
import { readHistories, readSealed } from '../repositories/movements';
import { readPacks, type StoredPack } from '../repositories/stock';
import { packContent } from '../schema/stock';
import { batchIn, refreshBatch } from './batch-at-hand';
import { writeMovement, writeMovements, type NewMovement } from './ledger';
import { atHand, GOES_BACK, packWith } from './pack-at-hand';
import { inMass, refuse, type Context } from './run';

/** Puts right what a pack holds: the scale is believed, the difference is found or lost. */
export async function correctPack(context: Context, input: { holdingId: number; grams: number }): Promise<void> {
  const pack = await packWith(context, input.holdingId);
  const difference = tenths(checkedWeight(context, pack, input.grams, 'grams')) - tenths(pack.grams);
  if (difference === 0) refuse(`${pack.code} holds exactly that already.`, 'grams');
  await writeMovement(context, {
    kind: 'corrected',
    legs: [
      { holdingId: pack.holdingId, placeId: pack.placeId, amount: difference },
      { account: difference > 0 ? 'found' : 'lost', amount: -difference },
    ],
  });
}

/** A pack as the scale shows it now. */
interface PackWeighed {
  readonly holdingId: number;
  readonly grams: number;
}

/**
 * Packs weighed again: what was sealed was more or less than was said, and the difference is in their share, not lost. One
 * that was fed from stays as it was.
 */
export async function weighPacksAgain(
  context: Context,
  input: { batchId: number; revision?: number; packs: readonly PackWeighed[] },
): Promise<void> {
  await batchIn(context, input, ['weighed']);
  const ids = input.packs.map((each) => each.holdingId);
  if (new Set(ids).size < ids.length) refuse('A pack stands here twice.', 'packs');
  const known = await readPacks(context.tx, ids);
  const histories = await readHistories(context.tx, ids);
  const entries = input.packs.flatMap(({ holdingId, grams }, index): NewMovement[] => {
    const field = `packs.${index}`;
    const found = atHand(known, holdingId);
    if (!found.contents.some((each) => each.batchId === input.batchId)) refuse('This pack is of another batch.', field);
    const difference = tenths(checkedWeight(context, found, grams, field)) - tenths(found.grams);
    if (difference === 0) return [];
    if (standing(histories.get(holdingId) ?? []).some(({ kind }) => !GOES_BACK.has(kind)))
      refuse(`${found.code} was fed from: what was sealed in it cannot be weighed any more.`, field);
    return [
      {
        kind: 'corrected',
        legs: [
          { account: 'cooked', amount: -difference },
          { holdingId, placeId: found.placeId, amount: difference },
        ],
      },
    ];
  });
  if (entries.length === 0) refuse('They weigh what they did: nothing is to be put right.', 'packs');
  await writeMovements(context, entries);
  await keepContents(context.tx, ids);
  const batches = new Set(known.flatMap((pack) => pack.contents.map((each) => each.batchId)));
  for (const batchId of [...batches].sort((a, b) => a - b)) await refreshBatch(context, batchId);
}

/** A pack's weight as the scale shows it; refused where it cannot be. */
function checkedWeight(context: Context, found: StoredPack, grams: number, field: string): number {
  if (!(grams > 0)) refuse('A weight above 0; an empty pack is thrown away.', field);
  if (grams > found.labelGrams * 1.5 + 50)
    refuse(
      `${inMass(context)(grams)} is far more than was sealed in (${inMass(context)(found.labelGrams)}). Was the tub weighed along?`,
      field,
    );
  return grams;
}

/** What packs hold of their shares, as the ledger says it: what came out of the pot into each. */
export async function keepContents(tx: Context['tx'], holdingIds: readonly number[]): Promise<void> {
  const came = await readSealed(tx, holdingIds);
  for (const found of await readPacks(tx, holdingIds)) {
    const [now, before] = [came.get(found.holdingId) ?? 0, tenths(found.sealedGrams)];
    if (found.void || found.found || now === before) continue;
    const parts = splitToGram(
      now,
      found.contents.map(({ sealedAmount }) => sealedAmount),
    );
    for (const [index, { id }] of found.contents.entries())
      await tx
        .update(packContent)
        .set({ amount: nth(parts, index) })
        .where(eq(packContent.id, id));
  }
}
