import 'server-only';
import { inArray } from 'drizzle-orm';
import { keyOfTake } from '@/core/batch/evidence';
import { pricePerGram } from '@/core/food/supply-entry';
import { isWater } from '@/core/food/food';
import { cycleState } from '@/core/preserve/cycle';
import { costOfPot, stoveEnergy, type Cost, type Powered } from '@/core/stock/cost';
import { addUp } from '@/core/add-up';
import type { Tx } from '../database';
import { tray } from '../schema/batches';
import type { CookedBatch } from './batches';
import { readCyclesById } from './cycles';
import { readEquipment } from './equipment';
import type { Household } from './household';
import { readLotsById, readUses } from './lots';
import { readPantry } from './pantry';
import type { Reference } from '../reference/reference';

interface Here {
  readonly tx: Tx;
  readonly reference: Reference;
  readonly household: Household;
  readonly now: Date;
}

/** What pots cost, by their ids: by the lots that went in, else by the price on a supply's label, and the machines. */
export async function readCosts(here: Here, batches: readonly CookedBatch[]): Promise<ReadonlyMap<number, Cost>> {
  const { tx, reference, household } = here;
  if (batches.length === 0) return new Map();
  const uses = await readUses(tx, { batchIds: batches.map(({ id }) => id) });
  const lots = new Map(
    (await readLotsById(tx, [...new Set(uses.map(({ holdingId }) => holdingId))])).map((lot) => [lot.holdingId, lot]),
  );
  const labels = new Map((await readPantry(tx, reference)).supplies.map(({ id, label }) => [`L${id}`, label]));
  const powered = await readPowered(here, batches);
  return new Map(
    batches.flatMap((batch) => {
      const lines = batch.takes.flatMap((take, line) => {
        if (take.parts.every(({ food }) => isWater(food))) return [];
        const own = uses.filter((use) => use.batchId === batch.id && use.line === line);
        const label = labels.get(keyOfTake(take) ?? '');
        const rest = take.weighed - addUp(own, ({ grams }) => grams);
        return [
          {
            name: take.words,
            grams: take.weighed,
            parts: [
              ...own.map(({ grams, holdingId }) => {
                const lot = lots.get(holdingId);
                const price = lot?.priceMinor === undefined ? undefined : lot.priceMinor / lot.receivedGrams;
                return { grams, perGram: price ?? (label && pricePerGram(label)) };
              }),
              ...(rest > 0.05 && label ? [{ grams: rest, perGram: pricePerGram(label) }] : []),
            ],
          },
        ];
      });
      const cost = costOfPot(lines, powered.get(batch.id) ?? [], {
        kwhMinor: household.kwhMinor ?? undefined,
        currency: household.currency,
      });
      return cost ? [[batch.id, cost] as const] : [];
    }),
  );
}

/** What took electricity for each pot: the stove by its minutes, its trays' part of each cycle. */
async function readPowered(
  { tx, now }: Here,
  batches: readonly CookedBatch[],
): Promise<ReadonlyMap<number, readonly Powered[]>> {
  const shareIds = batches.flatMap((batch) => (batch.state === 'weighed' ? batch.shares.map(({ id }) => id) : []));
  const rows =
    shareIds.length === 0
      ? []
      : await tx.select({ cycleId: tray.cycleId }).from(tray).where(inArray(tray.shareId, shareIds));
  const cycles = await readCyclesById(tx, [...new Set(rows.flatMap(({ cycleId }) => cycleId ?? []))]);
  const machines = new Map((await readEquipment(tx)).map((thing) => [thing.id, thing]));
  return new Map(
    batches.map((batch) => [
      batch.id,
      [
        ...batch.components.map((component) => ({ what: component.name, kwh: stoveEnergy(component) })),
        ...cycles.flatMap((cycle): Powered[] => {
          const own = cycle.trays.filter(({ batchId }) => batchId === batch.id).length;
          if (own === 0) return [];
          const machine = machines.get(cycle.machineId);
          const state = cycleState(cycle.loadedAt, cycle.events, now);
          const watts = machine?.dryer?.watts;
          const kwh = state.energy ?? (watts === undefined ? undefined : (state.running * watts) / 1000);
          return [
            {
              what: machine?.name ?? 'dryer',
              kwh: kwh === undefined ? undefined : (kwh * own) / cycle.trays.length,
            },
          ];
        }),
      ],
    ]),
  );
}
