import 'server-only';
import { eq } from 'drizzle-orm';
import { checkShares, FATES, type Shares } from '@/core/portion/shares';
import { weighYield, type Weighing } from '@/core/portion/yield';
import { grams } from '@/core/quantity/units';
import { linesOfWeights } from '@/core/recipe/bases';
import { batch, load, share } from '../schema/batches';
import { keepFoodFacts } from '../repositories/food-facts';
import { readBatch, type StoredBatch } from '../repositories/batches';
import { readPlannedLines } from '../repositories/planned';
import { inMass, need, refuse, type Context } from './run';

async function batchIn<State extends StoredBatch['state']>(
  { tx, household }: Context,
  batchId: number,
  states: readonly State[],
): Promise<Extract<StoredBatch, { state: State }>> {
  const found = (await readBatch(tx, batchId, household.energyFactors)) ?? refuse('This batch is not here any more.');
  if (!(states as readonly string[]).includes(found.state)) {
    refuse(`This batch is already ${found.state}: somebody has gone on with it. Look again.`);
  }
  return found as Extract<StoredBatch, { state: State }>;
}

/** Starts cooking: freezes what really goes in, line by line, with the composition of each food as it is now. */
export async function startCooking(
  context: Context,
  input: { batchId: number; grams: readonly number[] },
): Promise<void> {
  const { tx, now, reference } = context;
  const planned = await batchIn(context, input.batchId, ['planned']);
  const { takes } = await readPlannedLines(tx, reference, planned);
  if (input.grams.length !== takes.length) refuse('The recipe has changed under this page. Look again.');
  for (const [index, weight] of input.grams.entries()) {
    if (!(weight > 0)) refuse('How much of this really went in? A weight above 0.', `grams.${index}`);
    if (weight > 200_000) refuse('That is more than a home kitchen cooks at once.', `grams.${index}`);
  }
  await tx
    .update(batch)
    .set({
      startedAt: now,
      evidence: {
        lines: linesOfWeights(
          takes.map((take) => take.written),
          input.grams,
        ).map(({ text, food, part, moment, grams: mass }) => ({ text, food, part, moment, grams: mass })),
      },
    })
    .where(eq(batch.id, input.batchId));
}

/** Puts a planned batch away; what has been cooked stays. */
export async function dropBatch(context: Context, input: { batchId: number }): Promise<void> {
  await batchIn(context, input.batchId, ['planned']);
  await context.tx.update(batch).set({ droppedAt: context.now }).where(eq(batch.id, input.batchId));
}

/** Stores the yield. It may be weighed again until the first share is sealed. */
export async function weighBatch(
  context: Context,
  input: { batchId: number; weighing: Weighing; eatenBefore: number },
): Promise<void> {
  const { tx, now } = context;
  const cooked = await batchIn(context, input.batchId, ['cooking', 'weighed']);
  if (cooked.state === 'weighed') await withdrawShares(context, cooked);
  const weighed = need(weighYield(input.weighing, grams(input.eatenBefore), cooked.sheet, inMass(context)));
  const cups = input.weighing.by === 'cups' ? input.weighing : undefined;
  await tx
    .update(batch)
    .set({
      weighedAt: now,
      netGrams: weighed.net,
      eatenBefore: weighed.eatenBefore,
      cups: cups?.cups ?? null,
      cupGrams: cups?.cupGrams ?? null,
    })
    .where(eq(batch.id, input.batchId));
  await tx.delete(load).where(eq(load.batchId, input.batchId));
  if (input.weighing.by === 'scale') {
    await tx.insert(load).values(
      input.weighing.vessels.map((vessel, position) => ({
        batchId: input.batchId,
        position,
        vessel: vessel.name,
        gross: vessel.gross,
        tare: vessel.tare,
      })),
    );
  }
  await keepFoodFacts(tx, context.reference, context.household.energyFactors);
}

async function withdrawShares({ tx }: Context, weighed: Extract<StoredBatch, { state: 'weighed' }>): Promise<void> {
  if (weighed.shares.some((each) => each.sealed)) refuse('Packs of this batch are sealed already: its yield stands.');
  if (weighed.shares.some((each) => each.trays.length > 0))
    refuse('Trays of this batch are in the dryer already: its yield stands.');
  try {
    await tx.transaction(async (inner) => {
      await inner.delete(share).where(eq(share.batchId, weighed.id));
    });
  } catch {
    refuse('Some of this batch has been fed warm already: its yield stands.');
  }
}

export interface SharesEntry {
  readonly batchId: number;
  readonly shares: Shares;
  readonly dryMethod: 'dehydrated' | 'freeze-dried';
}

/** Splits the yield into shares. They may be set anew until one of them is sealed, in the dryer or fed from. */
export async function setShares(context: Context, input: SharesEntry): Promise<void> {
  const { tx, today } = context;
  const weighed = await batchIn(context, input.batchId, ['weighed']);
  const shares = need(checkShares(input.shares, Math.round(weighed.yield.net)));
  await withdrawShares(context, weighed);
  await tx.insert(share).values(
    FATES.filter((fate) => shares[fate] > 0).map((fate) => ({
      batchId: weighed.id,
      fate,
      grams: shares[fate],
      day: today,
      dryMethod: fate === 'dry' ? input.dryMethod : null,
    })),
  );
}

/** The share of a batch that a later station works on. */
export async function shareIn(context: Context, batchId: number, shareId: number) {
  const weighed = await batchIn(context, batchId, ['weighed']);
  const found = weighed.shares.find((each) => each.id === shareId) ?? refuse('This share was set anew. Look again.');
  if (found.sealed) refuse('This share is sealed already: its packs are in the store.');
  return { batch: weighed, share: found };
}

export const markSealed = ({ tx, now }: Context, shareId: number) =>
  tx.update(share).set({ sealedAt: now }).where(eq(share.id, shareId));
