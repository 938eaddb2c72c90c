import 'server-only';
import { eq } from 'drizzle-orm';
import { stillToWeigh } from '@/core/batch/apart';
import type { BatchYield } from '@/core/batch/fold';
import type { ShareState } from '@/core/batch/share-state';
import type { SharesEntry } from '@/core/batch/steps/divide';
import { readPackPlan, type PackPlanEntry } from '@/core/portion/pack-plan';
import { proposePacks } from '@/core/portion/proposals';
import { checkShares, type Fate } from '@/core/portion/shares';
import { DRYING_METHODS, machineOf, type DryMethod } from '@/core/preserve/methods';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { BY_PRODUCT_FATES } from '@/core/batch/by-product';
import { isAmong, nth } from '@/core/sure';
import type { Tx } from '../database';
import { readDogs } from '../repositories/dogs';
import { readFilling } from '../repositories/filling';
import { readEquipment } from '../repositories/equipment';
import { readPlaces, type Place } from '../repositories/household';
import { share } from '../schema/batches';
import { batchIn, refreshBatch } from './batch-at-hand';
import { dropShares } from './batches';
import { nothingInBoxes } from './boxes';
import { needsNothing } from './cook-day';
import { inMass, need, refuse, type Context } from './run';

/** The kind of place where the packs of a fate lie. */
export const PLACE_OF: Readonly<Record<Exclude<Fate, 'today'>, PlaceKind>> = {
  fridge: 'fridge',
  freezer: 'freezer',
  dry: 'cupboard',
};

/**
 * Splits the yield into shares, at any time. One with an id is changed, one that is left out goes; none becomes less
 * than what its packs, trays and bowls took of it.
 */
export async function setShares(context: Context, input: SharesEntry): Promise<void> {
  const { tx, today } = context;
  const weighed = await batchIn(context, input, ['weighed']);
  if (weighed.shares.length === 0) needsNothing(weighed, context.now);
  const [open] = stillToWeigh(weighed);
  if (open) refuse(`Weigh the ${open.name} too: each dog’s part of it follows from both.`, 'shares');
  await nothingInBoxes(
    context,
    weighed.shares.map((own) => own.id),
  );
  const places = await readPlaces(tx);
  const names = new Map(weighed.yields.map(({ place, name }) => [place, name]));
  const wanted = need(
    checkShares(input.shares, wholeOf(weighed.yields), inMass(context), (place) => names.get(place) ?? 'the pot'),
  );
  const old = new Map(weighed.shares.map((own) => [own.id, own]));
  const kept = new Set<number>();
  for (const said of wanted) {
    const field = `shares.${input.shares.indexOf(said)}`;
    if (weighed.byProduct && !isAmong(BY_PRODUCT_FATES, said.fate))
      refuse('It is no meal: it goes to the fridge or the freezer.', `${field}.grams`);
    const placeId = said.fate === 'today' ? null : placeFor(places, said.fate, said.placeId, `${field}.placeId`);
    const method = said.fate === 'dry' ? (said.method ?? DRYING_METHODS[0].key) : null;
    const values = {
      yield: said.yield ?? nth(weighed.yields, 0).place,
      fate: said.fate,
      grams: said.grams,
      placeId,
      method,
      machineId: method ? await machineFor(tx, method, said.machineId, `${field}.machineId`) : null,
    };
    const own = said.id === undefined ? undefined : old.get(said.id);
    if (said.id !== undefined && !own) refuse('This share was set anew meanwhile. Look again.', 'revision');
    if (!own) {
      await tx.insert(share).values({ ...values, batchId: weighed.id, day: today });
      continue;
    }
    kept.add(own.id);
    mayBecome(context, own, values, `${field}.grams`);
    await tx.update(share).set(values).where(eq(share.id, own.id));
  }
  const gone = weighed.shares.filter((own) => !kept.has(own.id));
  for (const own of gone) mayBecome(context, own, { fate: own.fate, grams: 0 }, 'shares');
  await dropShares(
    context,
    gone.map((own) => own.id),
  );
  await refreshBatch(context, weighed.id);
}

/** How a share is filled into packs, from now on; what was sealed of it stays. */
export async function planPacks(
  context: Context,
  input: { batchId: number; shareId: number; entry: PackPlanEntry },
): Promise<void> {
  const { tx, household } = context;
  const { batch, share: own } = await shareIn(context, input);
  if (own.fate === 'today') refuse('What is eaten today is fed from the pot, not bagged.');
  const plan = need(readPackPlan(input.entry, household.unitSet));
  const dogs = (await readDogs(tx)).filter((dog) => batch.dogIds.includes(dog.id));
  const shares = batch.shares.map((each) => (each.id === own.id ? { ...each, plan } : each));
  const kitchen = await readFilling(tx, batch, household.unitSet);
  const filled = proposePacks({ ...batch, shares }, dogs, kitchen).get(own.id);
  if (filled) need(filled);
  await tx.update(share).set({ packPlan: plan }).where(eq(share.id, own.id));
  await refreshBatch(context, batch.id);
}

/** The machine that dries a share: the one that is said, else the first of its kind; null where there is none. */
async function machineFor(tx: Tx, method: DryMethod, asked: number | undefined, field: string): Promise<number | null> {
  const fit = (await readEquipment(tx)).filter((each) => each.kind === machineOf(method));
  if (asked !== undefined && !fit.some((each) => each.id === asked)) refuse('Choose what it is dried in.', field);
  return asked ?? fit[0]?.id ?? null;
}

/** Whole g of each yield, by its place. */
const wholeOf = (yields: readonly BatchYield[]): readonly (number | undefined)[] => {
  const whole: (number | undefined)[] = [];
  for (const each of yields) whole[each.place] = Math.round(each.net);
  return whole;
};

function placeFor(
  places: readonly Place[],
  fate: Exclude<Fate, 'today'>,
  asked: number | undefined,
  field: string,
): number {
  const fit = places.filter((each) => each.kind === PLACE_OF[fate]);
  const found = asked === undefined ? fit[0] : fit.find((each) => each.id === asked);
  return found?.id ?? refuse(`Choose a ${PLACE_OF[fate]} for it.`, field);
}

/** Refuses to take from a share what is packed, on a tray or fed already, or to give it another fate then. */
function mayBecome(
  context: Context,
  own: ShareState,
  wanted: { readonly fate: Fate; readonly grams: number },
  field: string,
): void {
  if (wanted.fate !== own.fate && own.used > 0)
    refuse('Something of it is packed, on a tray or fed already: take that back first.', field);
  if (wanted.grams < Math.floor(own.used))
    refuse(
      `${inMass(context)(own.used)} of it ${own.fate === 'today' ? 'are fed' : own.fate === 'dry' ? 'lie on trays' : 'are sealed'} already: take that back first, or leave it as much.`,
      field,
    );
}

/** The share of a batch that a later step works on. */
export async function shareIn(context: Context, asked: { batchId: number; shareId: number; revision?: number }) {
  const weighed = await batchIn(context, asked, ['weighed']);
  const found =
    weighed.shares.find((each) => each.id === asked.shareId) ?? refuse('This share was set anew. Look again.');
  return { batch: weighed, share: found };
}
