import 'server-only';
import { eq, inArray } from 'drizzle-orm';
import { addDays } from '@/core/calendar/local-date';
import type { BatchState } from '@/core/batch/fold';
import { heatStepOf } from '@/core/batch/heat-step';
import type { CycleAct, DryLoads, LoadCycle } from '@/core/batch/steps/dry';
import { roomOf } from '@/core/plan/equipment';
import { afterPowerCut, AFTER_CUT_WORDS, cycleState, type CycleEvent } from '@/core/preserve/cycle';
import { checkSlots, type OnSlot } from '@/core/preserve/dryer-loads';
import { machineOf } from '@/core/preserve/methods';
import { standing } from '@/core/standing';
import { nth } from '@/core/sure';
import { readBatch, readBatchIfReadable } from '../repositories/batches';
import { readCycle, readCyclesOf, runningOf, type StoredCycle } from '../repositories/cycles';
import { readEquipment } from '../repositories/equipment';
import { share, tray } from '../schema/batches';
import { cycle, cycleEvent } from '../schema/household';
import { atClock } from './at-clock';
import { refreshBatch } from './batch-at-hand';
import { inMass, refuse, type Context } from './run';
import { shareIn } from './shares';

/** A machine is set between these, °C (common practice, no source). */
const AIR = { least: 35, most: 90 };
/** No cycle of a home machine runs longer, or takes more (ours, no source). */
const [MOST_HOURS, MOST_KWH] = [400, 999];

/** Puts the trays of a share into a machine, beside what lies there already; a cycle begins where none runs. */
export async function loadCycle(context: Context, input: LoadCycle): Promise<{ cycleId: number }> {
  const { tx, now } = context;
  const { batch, share: own } = await shareIn(context, input);
  if (own.fate !== 'dry' || !own.method) return refuse('Only what is to be dried goes into a dryer.');
  const machine =
    (await readEquipment(tx)).find(({ id }) => id === input.machineId) ?? refuse('Choose the machine.', 'machineId');
  if (machine.kind !== machineOf(own.method)) refuse(`It is to be ${own.method}: choose such a machine.`, 'machineId');
  const free = own.trays.filter(({ cycleId }) => cycleId === undefined);
  if (own.trays.length === 0) refuse('Weigh the trays with their food first.', 'slots');
  if (free.length === 0) refuse('Its trays lie in a machine already.', 'slots');
  if (input.slots.length !== free.length) refuse('Another page has changed the trays. Look again.', 'slots');
  if (own.method === 'dehydrated') {
    const heat = heatStepOf(batch, own);
    if (heat.is === 'asked')
      refuse(
        `First heat: its core comes to ${heat.asked.celsius} °C (${heat.asked.as}) before the air of a dryer, which is too cool to make it safe.`,
        'heat',
      );
  }
  if (input.celsius !== undefined && (input.celsius < AIR.least || input.celsius > AIR.most))
    refuse(`The air is set between ${AIR.least} and ${AIR.most} °C.`, 'celsius');
  const running = runningOf(await readCyclesOf(tx, machine.id), now);
  const there = running ? await onSlots(context, running.cycle) : [];
  const parts = free.map(({ id, wetGross, tare }, index): OnSlot => ({
    trayId: id,
    wet: wetGross - tare,
    slot: nth(input.slots, index),
  }));
  const checked = checkSlots([...there, ...parts], roomOf(machine), inMass(context));
  if (!checked.ok) {
    const at = Number(checked.problem.field?.split('.')[1]) - there.length;
    refuse(checked.problem.message, at >= 0 ? `slots.${at}` : 'slots');
  }
  const cycleId =
    running?.cycle.id ??
    nth(
      await tx
        .insert(cycle)
        .values({ machineId: machine.id, method: own.method, celsius: input.celsius ?? null, loadedAt: now })
        .returning({ id: cycle.id }),
      0,
    ).id;
  for (const { trayId, slot } of parts) await tx.update(tray).set({ cycleId, slot }).where(eq(tray.id, trayId));
  await tx.update(share).set({ machineId: machine.id, waitsIn: null, loadDay: null }).where(eq(share.id, own.id));
  await refreshBatch(context, batch.id);
  return { cycleId };
}

/** What lies in a cycle, by its trays. */
async function onSlots({ tx, household }: Context, { trays }: StoredCycle): Promise<OnSlot[]> {
  const parts: OnSlot[] = [];
  const read = new Map<number, BatchState | undefined>();
  for (const { id, slot, batchId } of trays) {
    if (!read.has(batchId)) read.set(batchId, await readBatchIfReadable(tx, batchId, household.energyFactors));
    const of = read.get(batchId);
    const own =
      of?.state === 'weighed' ? of.shares.flatMap((each) => each.trays).find((each) => each.id === id) : undefined;
    if (own) parts.push({ trayId: id, slot, wet: own.wetGross - own.tare });
  }
  return parts;
}

/** Writes down what happened to a cycle. */
export async function cycleAct(context: Context, input: CycleAct): Promise<void> {
  const { tx, now } = context;
  const found = (await readCycle(tx, input.cycleId)) ?? refuse('This cycle is not here any more.');
  const state = cycleState(found.loadedAt, found.events, now);
  const write = (event: Omit<CycleEvent, 'id' | 'at'> & { at?: Date }) =>
    tx.insert(cycleEvent).values({
      cycleId: found.id,
      kind: event.kind,
      value: event.value ?? null,
      text: event.text ?? null,
      at: event.at ?? now,
      takesBack: event.takesBack ?? null,
    });
  const { of } = input;
  const open = <T extends { to: Date | undefined }>(gaps: readonly T[]) => gaps.find(({ to }) => to === undefined);
  if (state.endedAt && !['energy', 'strike'].includes(of.act))
    refuse('This cycle is over. Take its end back first, where that was a slip.');
  switch (of.act) {
    case 'turned':
      await write({ kind: 'turned' });
      break;
    case 'door':
      if (of.open !== (open(state.openings) === undefined)) return;
      await write({ kind: of.open ? 'door opened' : 'door shut' });
      break;
    case 'power cut':
      if (open(state.cuts)) refuse('It is without power already.', 'clock');
      await write({ kind: 'power cut', at: atClock(context, of.clock, found.loadedAt, 'it was loaded') });
      break;
    case 'power back': {
      const cut = open(state.cuts) ?? refuse('It has power, as far as anybody knows.', 'clock');
      const at = atClock(context, of.clock, cut.from, 'the power went');
      const hours = (at.getTime() - cut.from.getTime()) / 3_600_000;
      const verdict = afterPowerCut(hours, of.like);
      if (verdict.is === 'look') refuse(`${verdict.says} It was without power for ${hours.toFixed(1)} h.`, 'like');
      await write({ kind: 'power back', at, ...(of.like ? { text: AFTER_CUT_WORDS[of.like] } : {}) });
      break;
    }
    case 'log': {
      // What the machine wrote down itself: its hours, its meter, and the times without power.
      const longest = Math.max(0, ...of.cuts.map(({ from, to }) => to - from));
      const verdict = afterPowerCut(longest, of.like);
      if (longest > 0 && verdict.is === 'look')
        refuse(`${verdict.says} By its log it was without power for ${longest.toFixed(1)} h.`, 'like');
      const at = (hours: number) => new Date(Math.min(now.getTime(), found.loadedAt.getTime() + hours * 3_600_000));
      for (const { from, to } of of.cuts) {
        await write({ kind: 'power cut', at: at(from) });
        await write({
          kind: 'power back',
          at: at(to),
          value: Math.round((to - from) * 100) / 100,
          ...(of.like ? { text: AFTER_CUT_WORDS[of.like] } : {}),
        });
      }
      if (of.kwh !== undefined) await write({ kind: 'energy', value: Math.round(of.kwh * 100) / 100 });
      await write({ kind: 'ended', value: Math.round(of.hours * 100) / 100 });
      break;
    }
    case 'energy':
      if (!(of.kwh >= 0 && of.kwh <= MOST_KWH)) refuse(`What its meter says, up to ${MOST_KWH} kWh.`, 'kwh');
      await write({ kind: 'energy', value: of.kwh });
      break;
    case 'ended':
      if (open(state.cuts)) refuse('It is without power: say first when that came back.');
      if (of.hours !== undefined && !(of.hours >= 0 && of.hours <= MOST_HOURS))
        refuse(`The hours that it shows, up to ${MOST_HOURS}.`, 'hours');
      await write({ kind: 'ended', ...(of.hours === undefined ? {} : { value: of.hours }) });
      break;
    case 'strike': {
      const wrong =
        standing(found.events).find(({ id }) => id === of.eventId) ??
        refuse('This was struck out already. Look again.');
      const machine = runningOf(await readCyclesOf(tx, found.machineId), now);
      if (wrong.kind === 'ended' && machine && machine.cycle.id !== found.id)
        refuse('The machine was loaded again since: this cycle stays ended.');
      await write({ kind: 'struck', takesBack: wrong.id });
      break;
    }
    case 'not loaded': {
      for (const batchId of new Set(found.trays.map((each) => each.batchId))) {
        const batch = await readBatch(tx, batchId, context.household.energyFactors);
        const own = found.trays.map(({ id }) => id);
        if (
          batch?.state === 'weighed' &&
          batch.shares.some((each) => each.trays.some(({ id, dryGross }) => own.includes(id) && dryGross !== undefined))
        )
          refuse('Trays of it were weighed dry: they were in it.');
      }
      const ids = found.trays.map(({ id }) => id);
      await tx.update(tray).set({ cycleId: null, slot: null }).where(inArray(tray.id, ids));
    }
  }
  for (const batchId of new Set(found.trays.map((each) => each.batchId))) await refreshBatch(context, batchId);
}

/** Divides a share into the loads of its dryer: each is a share of its own, the later ones wait for their day. */
export async function splitLoads(context: Context, input: DryLoads): Promise<void> {
  const { tx, today } = context;
  const { batch, share: own } = await shareIn(context, input);
  if (own.fate !== 'dry') refuse('Only what is to be dried goes into a dryer.');
  if (own.used > 0) refuse('Some of it lies on trays already: take those off first.');
  const total = input.loads.reduce((sum, { grams }) => sum + grams, 0);
  if (total !== own.grams)
    refuse(`The loads come to ${inMass(context)(total)}, the share to ${inMass(context)(own.grams)}.`, 'loads');
  const [first, ...later] = input.loads;
  await tx
    .update(share)
    .set({ grams: nth(input.loads, 0).grams, ...waiting(first) })
    .where(eq(share.id, own.id));
  await tx.insert(share).values(
    later.map((load) => ({
      batchId: batch.id,
      yield: own.yield,
      fate: own.fate,
      grams: load.grams,
      day: own.day,
      placeId: own.placeId ?? null,
      method: own.method ?? null,
      machineId: own.machineId ?? null,
      form: own.form ?? null,
      packPlan: own.plan ?? null,
      ...waiting(load),
    })),
  );
  await refreshBatch(context, batch.id);

  function waiting(load: DryLoads['loads'][number] | undefined) {
    return load && load.days > 0 ? { loadDay: addDays(today, load.days), waitsIn: load.waitsIn ?? 'fridge' } : {};
  }
}
