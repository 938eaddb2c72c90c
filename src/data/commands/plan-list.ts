import 'server-only';
import { and, eq } from 'drizzle-orm';
import type { BoughtOnceEntry, PlanItemEntry } from '@/core/plan/list-entry';
import { inOrderToUse, isGoodOn } from '@/core/stock/lot';
import { sure } from '@/core/sure';
import { readPlaces } from '../repositories/household';
import { readLotsOf } from '../repositories/lots';
import { readStoredPlan } from '../repositories/plans';
import { planItem } from '../schema/batches';
import { partLot, receiveLot, takeBackLot } from './lots';
import { refuse, type Context } from './run';
import { putPacks, reverseAll } from './stock';

/** What a tick did: the ingredient that came in, and all its movements. */
interface Fetched {
  readonly holdingId: number | null;
  readonly movements: readonly number[];
}

/**
 * Ticks a thing of a plan's list, or says where it is fetched from. What was bought comes into the house by its tick, what is
 * frozen goes into the fridge by it; taking the tick away takes that back.
 */
export async function setPlanItem(context: Context, input: PlanItemEntry): Promise<{ holdingId: number | null }> {
  const { tx, now } = context;
  const plan = (await readStoredPlan(tx, input.planId)) ?? refuse('This plan is not here any more.');
  const isIt = and(eq(planItem.planId, input.planId), eq(planItem.foodKey, input.foodKey));
  const [before] = await tx.select().from(planItem).where(isIt).for('update');
  const wasTicked = before !== undefined && before.tickedAt !== null;
  const done: Fetched = { holdingId: before?.holdingId ?? null, movements: before?.movements ?? [] };
  let after = done;
  // Another place that it comes from is another tick.
  const isAnew = input.ticked && (!wasTicked || before.fetchedFrom !== input.fetchedFrom);
  if (wasTicked && (isAnew || !input.ticked)) {
    if (done.holdingId === null) await reverseAll(context, { movementIds: done.movements });
    else await takeBackLot(context, { holdingId: done.holdingId });
    after = { holdingId: null, movements: [] };
  }
  if (isAnew && input.fetchedFrom === 'shop' && input.got) {
    const { holdingId, movementIds } = await receiveLot(context, {
      came: 'received',
      key: input.foodKey,
      name: input.name,
      entry: input.got,
    });
    after = { holdingId, movements: movementIds };
  }
  if (isAnew && input.fetchedFrom === 'freezer')
    after = {
      holdingId: null,
      movements: await takeOut(context, input.foodKey, input.thaw ?? 0, plan.cookDay),
    };
  const row = {
    fetchedFrom: input.fetchedFrom,
    tickedAt: input.ticked ? (isAnew ? now : (before?.tickedAt ?? now)) : null,
    holdingId: after.holdingId,
    movements: after.movements,
  };
  await tx
    .insert(planItem)
    .values({ planId: input.planId, foodKey: input.foodKey, ...row })
    .onConflictDoUpdate({ target: [planItem.planId, planItem.foodKey], set: row });
  return { holdingId: after.holdingId };
}

/** Ticks a thing on the lists of several plans at once: it comes into the house once, by the first of them. */
export async function buyForSeveral(
  context: Context,
  { planIds, foodKey, name, ticked, got }: BoughtOnceEntry,
): Promise<{ holdingId: number | null }> {
  let holdingId: number | null = null;
  // The last first: were the first unticked first, what it brought would be asked for by the others.
  for (const [index, planId] of [...planIds.entries()].reverse()) {
    const made = await setPlanItem(context, {
      planId,
      foodKey,
      name,
      fetchedFrom: 'shop',
      ticked,
      ...(index === 0 && ticked && got ? { got } : {}),
    });
    holdingId = made.holdingId ?? holdingId;
  }
  return { holdingId };
}

/** A lot is taken out whole where no more than this part of it is too much (ours, no source). */
const WHOLE_WITHIN = 1.1;

/** So much of a food goes from the freezer into the fridge, the first to expire first; what the books do not hold moves nothing. */
async function takeOut(
  context: Context,
  key: string,
  grams: number,
  cookDay: Context['today'],
): Promise<readonly number[]> {
  const { tx } = context;
  const fridge = (await readPlaces(tx)).find(({ kind }) => kind === 'fridge');
  const frozen = (await readLotsOf(tx, [key])).filter((lot) => lot.place === 'freezer' && isGoodOn(lot, cookDay));
  if (!fridge || frozen.length === 0) return [];
  const movements: number[] = [];
  let left = grams;
  for (const { holdingId } of inOrderToUse(frozen)) {
    if (left < 1) break;
    const lot = sure(frozen.find((each) => each.holdingId === holdingId));
    const made =
      lot.grams <= left * WHOLE_WITHIN
        ? await putPacks(context, { holdingIds: [holdingId], placeId: fridge.id })
        : await partLot(context, { holdingId, grams: left, placeId: fridge.id });
    movements.push(...made.movementIds);
    left -= Math.min(left, lot.grams);
  }
  return movements;
}
