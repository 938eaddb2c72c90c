import 'server-only';
import { asc, eq } from 'drizzle-orm';
import type { NewReading } from '@/core/batch/reading';
import type { FillEntry, TraysEntry } from '@/core/batch/steps/pack';
import { spreadRest, withGrams } from '@/core/portion/filling';
import { proposePacks } from '@/core/portion/proposals';
import { packCode } from '@/core/stock/code';
import { tray } from '../schema/batches';
import type { WeighedBatch } from '../repositories/batches';
import { readFilling } from '../repositories/filling';
import { readDogs } from '../repositories/dogs';
import { observe, observed, refreshBatch, strike } from './batch-at-hand';
import { inMass, need, refuse, type Context } from './run';
import { sealPacks, takeNumbers } from './seal';
import { shareIn } from './shares';
import { nth, sure } from '@/core/sure';

/** Writes down the weights of the trays: first empty and wet, after the dryer dry as well. What is wrong is struck out. */
export async function saveTrays(context: Context, input: TraysEntry): Promise<{ warning: string | undefined }> {
  const { batch, share } = await shareIn(context, input);
  if (share.fate !== 'dry') refuse('Only the dry share lies on trays.');
  if (share.packs.length > 0) refuse('Packs of it are sealed already: take them back first.');
  if (input.trays.length === 0) refuse('Weigh at least one tray.', 'trays');
  for (const [index, each] of input.trays.entries()) {
    if (!(each.tare >= 0)) refuse('Weigh the empty tray; 0 if the scale was tared.', `trays.${index}.tare`);
    if (!(each.wetGross > each.tare))
      refuse('The full tray weighs no more than the empty one.', `trays.${index}.wetGross`);
  }
  const write = inMass(context);
  const wet = input.trays.reduce((total, each) => total + each.wetGross - each.tare, 0);
  if (wet > share.grams * 1.02 + 5) {
    refuse(
      `The trays hold ${write(wet)}, but only ${write(share.grams)} were set aside to dry. Was a tray’s own weight taken off?`,
      'trays',
    );
  }
  const done = input.trays.filter((each) => each.dryGross !== undefined).length;
  if (done > 0 && done < input.trays.length) {
    refuse(
      'Weigh this tray dry too, or leave all of them empty until the dryer is done.',
      `trays.${input.trays.findIndex((each) => each.dryGross === undefined)}.dryGross`,
    );
  }
  const ids = await trayIds(context, share.id, input.trays.length);
  const before = await observed(context, batch.id);
  const readings: NewReading[] = [];
  for (const [index, each] of input.trays.entries()) {
    const node = `tray:${nth(ids, index)}` as const;
    const weighings = before.all(node, 'gross');
    const same =
      before.of(node, 'tare')?.value === each.tare &&
      weighings[0]?.value === each.wetGross &&
      (weighings.length < 2 || sure(weighings.at(-1)).value === each.dryGross);
    if (!same && weighings.length > 0)
      await strike(context, batch.id, (at) => at === node, 'the tray weighed otherwise');
    if (!same || weighings.length === 0) {
      // What was weighed wet was weighed then, though it is put right now.
      const at = weighings[0]?.at;
      readings.push(
        { node, kind: 'tare', value: each.tare, ...(at ? { at } : {}) },
        { node, kind: 'gross', value: each.wetGross, ...(at ? { at } : {}) },
      );
    }
    if (each.dryGross !== undefined && (!same || weighings.length < 2))
      readings.push({ node, kind: 'gross', value: each.dryGross });
  }
  const gone = ids.slice(input.trays.length).map((id) => `tray:${id}`);
  await strike(context, batch.id, (at) => gone.includes(at), 'there was no such tray');
  await observe(context, batch.id, readings);
  const state = await refreshBatch(context, batch.id);
  if (state.state !== 'weighed') throw new Error('a batch with trays is weighed');
  return { warning: state.shares.find((each) => each.id === share.id)?.dried?.warning };
}

/** The trays of a share in their order, at least so many. */
async function trayIds({ tx }: Context, shareId: number, count: number): Promise<number[]> {
  const there = await tx
    .select({ id: tray.id })
    .from(tray)
    .where(eq(tray.shareId, shareId))
    .orderBy(asc(tray.position));
  const missing = Array.from({ length: Math.max(0, count - there.length) }, (_, index) => ({
    shareId,
    position: there.length + index,
  }));
  const made = missing.length === 0 ? [] : await tx.insert(tray).values(missing).returning({ id: tray.id });
  return [...there, ...made].map((row) => row.id);
}

/** The packs that are still to be filled of a share, as its page shows them. */
async function toBeFilled(context: Context, batch: WeighedBatch, share: WeighedBatch['shares'][number]) {
  const { tx, household } = context;
  if (share.fate === 'today') return refuse('What is eaten today is fed from the pot, not bagged.');
  if (share.sealed) refuse('This share is sealed already: its packs are in the store.');
  const dogs = (await readDogs(tx)).filter((dog) => batch.dogIds.includes(dog.id));
  if (dogs.length === 0 && !batch.byProduct) refuse('None of the dogs of this plan is here any more.');
  if (share.fate === 'dry' && !share.dried) refuse('Weigh every tray dry first.', 'trays');
  const kitchen = await readFilling(tx, batch, household.unitSet);
  const filled = proposePacks(batch, dogs, kitchen).get(share.id);
  const proposed = filled ? need(filled) : [];
  if (proposed.length === 0) refuse('Nothing of it is left to be packed.');
  return proposed;
}

/** Seals what is left of a share into packs by their targets: each gets its code, dates and place, and is stock from now on. */
export async function sealShare(
  context: Context,
  input: { batchId: number; shareId: number },
): Promise<{ codes: string[] }> {
  const { batch, share } = await shareIn(context, input);
  const proposed = await toBeFilled(context, batch, share);
  const numbers = await takeNumbers(context, batch.recipeId, proposed.length);
  const codes = proposed.map((_, index) => packCode(batch.letter, numbers + index));
  await sealPacks(
    context,
    proposed.map((each, index) => ({
      ...each,
      code: nth(codes, index),
      weighed: false,
      contents: [{ batch, share, grams: each.grams }],
    })),
  );
  await refreshBatch(context, batch.id);
  return { codes };
}

/** Seals one pack that was filled on the scale: what was weighed is what it holds, whatever it was to hold. */
export async function fillPack(context: Context, input: FillEntry): Promise<{ code: string; grams: number }> {
  const { batch, share } = await shareIn(context, input);
  const proposed = await toBeFilled(context, batch, share);
  const pack = (input.spread ? spreadRest(proposed) : proposed)[input.index];
  if (!pack) return refuse('This pack is not to be filled any more. Look again.', 'revision');
  const grams = Math.round(input.grams * 10) / 10;
  if (!(grams > 0)) return refuse('The container with the food weighs no more than without. Check the tare.', 'grams');
  const left = share.left ?? 0;
  // A scale and a pot differ by a little; more than that was weighed with something else.
  if (grams > left * (1 + MOST_OVER) + 5)
    return refuse(
      `Only ${inMass(context)(left)} of this share are left: is the container’s own weight taken off?`,
      'grams',
    );
  const code = packCode(batch.letter, await takeNumbers(context, batch.recipeId, 1));
  await sealPacks(context, [{ ...withGrams(pack, grams), code, weighed: true, contents: [{ batch, share, grams }] }]);
  await refreshBatch(context, batch.id);
  return { code, grams };
}

/** Packs together may weigh so much more than their share before it is asked about (ours, no source). */
const MOST_OVER = 0.02;
