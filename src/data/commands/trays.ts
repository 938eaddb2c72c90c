import 'server-only';
import { asc, eq } from 'drizzle-orm';
import type { NewReading } from '@/core/batch/reading';
import type { RedryEntry, TraysEntry } from '@/core/batch/steps/pack';
import { onTrays } from '@/core/preserve/tray-slips';
import { nth, sure } from '@/core/sure';
import { share, tray } from '../schema/batches';
import { observe, observed, refreshBatch, strike } from './batch-at-hand';
import { inMass, refuse, type Context } from './run';
import { shareIn } from './shares';

/** Writes down the weights of the trays: first empty and wet, after the dryer dry as well. What is wrong is struck out. */
export async function saveTrays(context: Context, input: TraysEntry): Promise<void> {
  const { batch, share: own } = await shareIn(context, input);
  if (own.fate !== 'dry') refuse('Only the dry share lies on trays.');
  if (own.packs.length > 0) refuse('Packs of it are sealed already: take them back first.');
  if (input.trays.length === 0) refuse('Weigh at least one tray.', 'trays');
  for (const [index, each] of input.trays.entries()) {
    if (!(each.tare >= 0)) refuse('Weigh the empty tray; 0 if the scale was tared.', `trays.${index}.tare`);
    if (!(each.wetGross > each.tare))
      refuse('The full tray weighs no more than the empty one.', `trays.${index}.wetGross`);
  }
  const write = inMass(context);
  const wet = input.trays.reduce((total, each) => total + each.wetGross - each.tare, 0);
  if (wet > own.grams * 1.02 + 5) {
    refuse(
      `The trays hold ${write(wet)}, but only ${write(own.grams)} were set aside to dry. Was a tray’s own weight taken off?`,
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
  const ids = await trayIds(context, own.id, input.trays.length);
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
  await refreshBatch(context, batch.id);
}

/** A tray may come to so much more than before: damp air, and the scale's last gram (ours, no source). */
const DAMP = 1.005;

/** Writes down that trays were dried on and weighed once more: what they weigh last is what they hold. */
export async function weighTraysAgain(context: Context, input: RedryEntry): Promise<void> {
  const { batch, share } = await shareIn(context, input);
  if (share.packs.length > 0) refuse('Packs of it are sealed already: take them back first.');
  const readings = input.grams.flatMap((gross, index): NewReading[] => {
    const own = share.trays[index];
    if (gross === undefined) return [];
    if (own?.dryGross === undefined) return refuse('Weigh this tray dry first.', `grams.${index}`);
    if (!(gross > own.tare)) refuse('The tray weighs no more than empty.', `grams.${index}`);
    const before = own.dryGross - own.tare;
    if (gross - own.tare > before * DAMP + 1)
      refuse(
        `That is ${inMass(context)(gross - own.dryGross)} more than before: was it another tray, or did it stand in damp air?`,
        `grams.${index}`,
      );
    return [{ node: `tray:${own.id}`, kind: 'gross', value: gross }];
  });
  if (readings.length === 0) refuse('What does one of them weigh now?', 'grams.0');
  await observe(context, batch.id, readings);
  await refreshBatch(context, batch.id);
}

/** What a dry share holds and no tray does goes back, to be divided otherwise: nothing is lost in silence. */
export async function setTrayRestBack(context: Context, input: { batchId: number; shareId: number }): Promise<void> {
  const { batch, share: own } = await shareIn(context, input);
  const lies = Math.round(onTrays(own.trays));
  if (own.trays.length === 0 || lies >= own.grams) refuse('All of it lies on trays.');
  await context.tx.update(share).set({ grams: lies }).where(eq(share.id, own.id));
  await refreshBatch(context, batch.id);
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
