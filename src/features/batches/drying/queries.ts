import 'server-only';
import { heatStepOf, type HeatStep } from '@/core/batch/heat-step';
import { dryShares } from '@/core/batch/steps/dry';
import { clockIn, dayIn, writeDay } from '@/core/calendar/local-date';
import { cycleState, type CycleEvent, type CycleState } from '@/core/preserve/cycle';
import { standing } from '@/core/standing';
import { sure } from '@/core/sure';
import type { Page } from '@/data/page';
import { readBatchIfReadable, type StoredBatch, type WeighedBatch } from '@/data/repositories/batches';
import { readCycle, type StoredCycle } from '@/data/repositories/cycles';
import { readDryers, type StoredDryer } from '@/data/repositories/dryers';

export type DryerView = StoredDryer;

/** A cycle that a share lies or lay in. */
export interface CycleView {
  readonly id: number;
  readonly machineId: number;
  readonly state: CycleState;
  readonly celsius: number | undefined;
  readonly loaded: string;
  readonly events: readonly { readonly id: number; readonly kind: CycleEvent['kind']; readonly said: string }[];
  /** What lies in it beside this batch, by name and tray. */
  readonly beside: readonly string[];
}

/** What the drying of a batch's shares is shown with. */
export interface DryingView {
  readonly dryers: readonly DryerView[];
  readonly heat: Readonly<Record<number, HeatStep>>;
  readonly cycles: readonly CycleView[];
  /** What a kWh costs, in minor units; undefined: nobody has said. */
  readonly kwhMinor: number | undefined;
  readonly currency: string;
  readonly now: Date;
}

export async function dryingView(read: Page, batch: WeighedBatch): Promise<DryingView> {
  const { db, household, now } = read;
  const shares = dryShares(batch);
  const own = new Set(
    shares.flatMap(({ trays }) => trays.flatMap(({ cycleId }) => (cycleId === undefined ? [] : [cycleId]))),
  );
  const cycles: CycleView[] = [];
  for (const id of own) {
    const found = await readCycle(db, id);
    if (found) cycles.push(await cycleView(read, batch, found));
  }
  return {
    dryers: await readDryers(db, household.energyFactors, now),
    heat: Object.fromEntries(shares.map((share) => [share.id, heatStepOf(batch, share)])),
    cycles,
    kwhMinor: household.kwhMinor ?? undefined,
    currency: household.currency,
    now,
  };
}

const EVENT_WORDS: Readonly<Record<CycleEvent['kind'], string>> = {
  'power cut': 'power gone',
  'power back': 'power back',
  'door opened': 'door opened',
  'door shut': 'door shut',
  turned: 'trays changed places',
  energy: 'meter',
  ended: 'switched off',
  struck: 'struck out',
};

async function cycleView(
  { db, household, now, today }: Page,
  batch: WeighedBatch,
  of: StoredCycle,
): Promise<CycleView> {
  const when = (at: Date) =>
    `${dayIn(at, household.timeZone) === today ? '' : `${writeDay(dayIn(at, household.timeZone), today)} `}${clockIn(at, household.timeZone)}`;
  const names = new Map<number, StoredBatch | undefined>();
  for (const { batchId } of of.trays)
    if (batchId !== batch.id && !names.has(batchId))
      names.set(batchId, await readBatchIfReadable(db, batchId, household.energyFactors));
  return {
    id: of.id,
    machineId: of.machineId,
    state: cycleState(of.loadedAt, of.events, now),
    celsius: of.celsius,
    loaded: when(of.loadedAt),
    events: standing(of.events).map(({ id, kind, value, text, at }) => ({
      id,
      kind,
      said: `${when(at)} ${EVENT_WORDS[kind]}${value === undefined ? '' : kind === 'energy' ? ` ${value} kWh` : `, ${value} h`}${text === undefined ? '' : `: ${text}`}`,
    })),
    beside: of.trays
      .filter(({ batchId }) => batchId !== batch.id)
      .map(({ slot, batchId }) => `tray ${slot}: ${sure(names.get(batchId)).recipeName}`),
  };
}
