import 'server-only';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { isDryer, roomOf } from '@/core/plan/equipment';
import type { PastCycle } from '@/core/preserve/cycle-time';
import type { DryerKind } from '@/core/preserve/methods';
import type { Tx } from '../database';
import { readCyclesOf, readPastCycles, runningOf } from './cycles';
import { readEquipment } from './equipment';

/** A dryer of the kitchen, what lies in it now, and what its cycles taught. */
export interface StoredDryer {
  readonly id: number;
  readonly name: string;
  readonly kind: DryerKind;
  readonly room: ReturnType<typeof roomOf>;
  readonly tare: number | undefined;
  readonly watts: number | undefined;
  readonly past: readonly PastCycle[];
  /** The cycle that it is in. */
  readonly running:
    | { readonly cycleId: number; readonly loadedAt: Date; readonly hours: number; readonly slots: readonly number[] }
    | undefined;
}

/** The dryers of the kitchen with what they are doing, and what their cycles taught. */
export async function readDryers(tx: Tx, factors: EnergyFactors, now: Date): Promise<StoredDryer[]> {
  const dryers: StoredDryer[] = [];
  for (const thing of (await readEquipment(tx)).filter(isDryer)) {
    const cycles = await readCyclesOf(tx, thing.id);
    const running = runningOf(cycles, now);
    dryers.push({
      id: thing.id,
      name: thing.name,
      kind: thing.kind as DryerKind,
      room: roomOf(thing),
      tare: thing.dryer?.tare,
      watts: thing.dryer?.watts,
      past: await readPastCycles(tx, cycles, factors, now),
      running: running && {
        cycleId: running.cycle.id,
        loadedAt: running.cycle.loadedAt,
        hours: running.state.running,
        slots: running.cycle.trays.map(({ slot }) => slot),
      },
    });
  }
  return dryers;
}
