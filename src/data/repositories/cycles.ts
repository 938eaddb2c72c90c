import 'server-only';
import { asc, desc, eq, inArray } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import { cycleState, type CycleEvent, type CycleState } from '@/core/preserve/cycle';
import type { PastCycle } from '@/core/preserve/cycle-time';
import type { DryMethod } from '@/core/preserve/methods';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { observationKey } from '@/core/learned/figure';
import type { Tx } from '../database';
import { readStruck } from './struck';
import { share, tray } from '../schema/batches';
import { cycle, cycleEvent } from '../schema/household';
import { readBatchIfReadable } from './batches';

export interface StoredCycle {
  readonly id: number;
  readonly machineId: number;
  readonly method: DryMethod;
  readonly celsius: number | undefined;
  readonly loadedAt: Date;
  readonly events: readonly CycleEvent[];
  /** The trays that lie or lay in it, and of which share and batch they are. */
  readonly trays: readonly {
    readonly id: number;
    readonly slot: number;
    readonly shareId: number;
    readonly batchId: number;
  }[];
}

/** Cycles by id with all that happened to them; those that nothing lies in any more were never loaded. */
async function read(tx: Tx, ids: readonly number[]): Promise<StoredCycle[]> {
  if (ids.length === 0) return [];
  const rows = await tx
    .select()
    .from(cycle)
    .where(inArray(cycle.id, [...ids]))
    .orderBy(asc(cycle.id));
  const events = await tx
    .select()
    .from(cycleEvent)
    .where(inArray(cycleEvent.cycleId, [...ids]))
    .orderBy(asc(cycleEvent.id));
  const trays = await tx
    .select({ id: tray.id, slot: tray.slot, cycleId: tray.cycleId, shareId: tray.shareId, batchId: share.batchId })
    .from(tray)
    .innerJoin(share, eq(share.id, tray.shareId))
    .where(inArray(tray.cycleId, [...ids]))
    .orderBy(asc(tray.slot), asc(tray.id));
  return rows
    .map(({ celsius, ...row }) => ({
      ...row,
      celsius: celsius ?? undefined,
      events: events
        .filter((each) => each.cycleId === row.id)
        .map(({ id, kind, value, text, at, takesBack }) => ({
          id,
          kind,
          at,
          ...(value === null ? {} : { value }),
          ...(text === null ? {} : { text }),
          ...(takesBack === null ? {} : { takesBack }),
        })),
      trays: trays.flatMap(({ cycleId, slot, ...each }) =>
        cycleId === row.id && slot !== null ? [{ ...each, slot }] : [],
      ),
    }))
    .filter((each) => each.trays.length > 0);
}

/** A cycle by its id; undefined where there is none. */
export const readCycle = async (tx: Tx, id: number): Promise<StoredCycle | undefined> => (await read(tx, [id]))[0];

/** Cycles by their ids. */
export const readCyclesById = read;

/** Of how many cycles of a machine its habits are learned. */
const REMEMBERED = 8;

/** The last cycles of a machine, the newest first. */
export async function readCyclesOf(tx: Tx, machineId: number): Promise<StoredCycle[]> {
  const rows = await tx
    .select({ id: cycle.id })
    .from(cycle)
    .where(eq(cycle.machineId, machineId))
    .orderBy(desc(cycle.id))
    .limit(REMEMBERED + 1);
  return (
    await read(
      tx,
      rows.map(({ id }) => id),
    )
  ).reverse();
}

/** The cycle that a machine is in; undefined: it is free. */
export const runningOf = (
  cycles: readonly StoredCycle[],
  now: Date,
): { readonly cycle: StoredCycle; readonly state: CycleState } | undefined =>
  cycles
    .map((each) => ({ cycle: each, state: cycleState(each.loadedAt, each.events, now) }))
    .find(({ state }) => state.endedAt === undefined);

/** A cycle that is over, with which it is. */
export type OverCycle = PastCycle & { readonly id: number; readonly loadedAt: Date };

/** What its cycles that are over teach of a machine: the water that left, the hours, the meter; with those that were struck out. */
export async function readOverCycles(
  tx: Tx,
  cycles: readonly StoredCycle[],
  factors: EnergyFactors,
  now: Date,
): Promise<OverCycle[]> {
  const over = cycles
    .map((each) => ({ each, state: cycleState(each.loadedAt, each.events, now) }))
    .filter(({ state }) => state.endedAt !== undefined);
  const water = await readWater(
    tx,
    over.map(({ each }) => each),
    factors,
  );
  return over.flatMap(({ each: { id, loadedAt }, state }) => {
    const left = water.get(id) ?? 0;
    return left > 0
      ? [
          {
            id,
            loadedAt,
            water: left,
            hours: state.running,
            ...(state.energy === undefined ? {} : { energy: state.energy }),
          },
        ]
      : [];
  });
}

/** The same of those that count. */
export async function readPastCycles(...asked: Parameters<typeof readOverCycles>): Promise<PastCycle[]> {
  const over = await readOverCycles(...asked);
  const struck = over.length > 0 ? await readStruck(asked[0]) : new Set<string>();
  return over.flatMap(({ id, water, hours, energy }) =>
    struck.has(observationKey('cycle', id)) ? [] : [{ water, hours, ...(energy === undefined ? {} : { energy }) }],
  );
}

/** g of water that left the trays of cycles, where all of them were weighed dry. */
async function readWater(tx: Tx, cycles: readonly StoredCycle[], factors: EnergyFactors): Promise<Map<number, number>> {
  const batches = new Map<number, Awaited<ReturnType<typeof readBatchIfReadable>>>();
  for (const id of new Set(cycles.flatMap(({ trays }) => trays.map(({ batchId }) => batchId))))
    batches.set(id, await readBatchIfReadable(tx, id, factors));
  return new Map(
    cycles.flatMap(({ id, trays }) => {
      const states = trays.map((own) => {
        const of = batches.get(own.batchId);
        return of?.state === 'weighed'
          ? of.shares.flatMap((each) => each.trays).find((each) => each.id === own.id)
          : undefined;
      });
      if (states.some((each) => each?.dryGross === undefined)) return [];
      return [[id, addUp(states, (each) => (each?.wetGross ?? 0) - (each?.dryGross ?? 0))] as const];
    }),
  );
}
