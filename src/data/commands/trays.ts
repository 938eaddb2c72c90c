import 'server-only';
import { asc, eq, inArray } from 'drizzle-orm';
import type { NewReading } from '@/core/batch/reading';
import type { DryHow, RedryEntry, TrayRestEntry, TraysEntry } from '@/core/batch/steps/dry';
import { restOffTrays } from '@/core/batch/steps/dry';
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
  const done = input.trays.filter((each) => each.dryGross !== undefined).length;
  if (done > 0 && done < input.trays.length) {
    refuse(
      'Weigh this tray dry too, or leave all of them empty until the dryer is done.',
      `trays.${input.trays.findIndex((each) => each.dryGross === undefined)}.dryGross`,
    );
  }
  const before = await observed(context, batch.id);
  // What was thrown away stays as it is.
  const isThere = (id: number) => before.of(`tray:${id}`, 'skipped') === undefined;
  const ids = await trayIds(context, own.id, input.trays.length, isThere);
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
  const goneIds = ids.slice(input.trays.length);
  if (goneIds.length > 0)
    await context.tx.update(tray).set({ cycleId: null, slot: null }).where(inArray(tray.id, goneIds));
  const gone = goneIds.map((id) => `tray:${id}`);
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

/** What a dry share holds and no tray does is said: it goes back to be divided, it was eaten, or thrown away. */
export async function settleTrayRest(context: Context, input: TrayRestEntry): Promise<void> {
  const { batch, share: own } = await shareIn(context, input);
  const rest = restOffTrays(own);
  if (own.trays.length === 0 || rest < 1) refuse('All of it lies on trays.');
  if (input.became === 'back')
    await context.tx
      .update(share)
      .set({ grams: own.grams - Math.round(rest) })
      .where(eq(share.id, own.id));
  else
    await observe(context, batch.id, [{ node: `${input.became}:${own.id}`, kind: 'gross', value: Math.round(rest) }]);
  await refreshBatch(context, batch.id);
}

/** How a share is dried: its form, its heat step, what a finger says of a tray, a tray that is thrown away. */
export async function sayHowDried(
  context: Context,
  { of, ...input }: { batchId: number; shareId: number; of: DryHow['of'] },
): Promise<void> {
  const { batch, share: own } = await shareIn(context, input);
  if (own.fate !== 'dry') refuse('Only what is to be dried is asked for that.');
  const node = `share:${own.id}` as const;
  const isOf = (trayId: number) =>
    own.trays.some(({ id }) => id === trayId) || refuse('This tray is not here any more.');
  switch (of.what) {
    case 'form':
      // Nothing that was weighed follows from it: a page that weighs meanwhile goes on.
      await context.tx.update(share).set({ form: of.form }).where(eq(share.id, own.id));
      return;
    case 'for':
      isOf(of.tray);
      if (of.dogId !== undefined && !batch.dogIds.includes(of.dogId)) refuse('This dog is not one of the plan’s.');
      await context.tx
        .update(tray)
        .set({ dogId: of.dogId ?? null })
        .where(eq(tray.id, of.tray));
      return;
    case 'heat':
      await observe(context, batch.id, [
        { node, kind: 'temperature', value: of.celsius, ...(of.instrument ? { instrument: of.instrument } : {}) },
      ]);
      break;
    case 'no heat':
      await observe(context, batch.id, [{ node, kind: 'skipped', text: of.why }]);
      break;
    case 'touch':
      isOf(of.tray);
      await observe(context, batch.id, [{ node: `tray:${of.tray}`, kind: 'note', text: of.touch }]);
      break;
    case 'throw':
      of.trays.forEach(isOf);
      if (own.packs.length > 0) refuse('Packs of it are sealed already: take them back first.');
      await observe(
        context,
        batch.id,
        of.trays.map((id): NewReading => ({ node: `tray:${id}`, kind: 'skipped', text: of.why })),
      );
      break;
    case 'not thrown':
      await strike(
        context,
        batch.id,
        (at, kind) => at === `tray:${of.tray}` && kind === 'skipped',
        'it was not thrown',
      );
  }
  await refreshBatch(context, batch.id);
}

/** The trays of a share in their order, at least so many. */
async function trayIds(
  { tx }: Context,
  shareId: number,
  count: number,
  isThere: (id: number) => boolean,
): Promise<number[]> {
  const all = await tx.select({ id: tray.id }).from(tray).where(eq(tray.shareId, shareId)).orderBy(asc(tray.position));
  const there = all.filter(({ id }) => isThere(id));
  const missing = Array.from({ length: Math.max(0, count - there.length) }, (_, index) => ({
    shareId,
    position: all.length + index,
  }));
  const made = missing.length === 0 ? [] : await tx.insert(tray).values(missing).returning({ id: tray.id });
  return [...there, ...made].map((row) => row.id);
}
