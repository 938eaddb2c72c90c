import 'server-only';
import { and, asc, between, eq, inArray, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import type { LocalDate } from '@/core/calendar/local-date';
import { daysEaten, type EatenDay, type FedBowl } from '@/core/eaten/days';
import type { EatenPot } from '@/core/eaten/fortnight';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { batchLines } from '@/core/recipe/recipe';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { bowl, bowlLeft, bowlPart } from '../schema/bowls';
import { readBatchIfReadable, type CookedBatch } from './batches';
import { readGivenSince, type StoredDog, type StoredGiven } from './dogs';
import { readReports } from './eaten';
import { byPot, readPotsOfPacks } from './kcal-prices';

/** A dog's bowls of some days that were not taken back, each by the pots that it was filled from and with what was left. */
export async function readFedBowls(tx: Tx, dogId: number, from: LocalDate, to: LocalDate): Promise<FedBowl[]> {
  const bowls = await tx
    .select({ id: bowl.id, day: bowl.day, slotId: bowl.slotId, additions: bowl.additions })
    .from(bowl)
    .where(and(eq(bowl.dogId, dogId), between(bowl.day, from, to), isNull(bowl.reversedBy)))
    .orderBy(asc(bowl.id));
  if (bowls.length === 0) return [];
  const ids = bowls.map(({ id }) => id);
  const parts = await tx
    .select({
      bowlId: bowlPart.bowlId,
      holdingId: bowlPart.holdingId,
      kcal: bowlPart.kcal,
      water: bowlPart.waterMl,
      warmOf: share.batchId,
    })
    .from(bowlPart)
    .leftJoin(share, eq(share.id, bowlPart.shareId))
    .where(inArray(bowlPart.bowlId, ids));
  const left = await tx
    .select({ bowlId: bowlLeft.bowlId, kcal: bowlLeft.kcal })
    .from(bowlLeft)
    .where(and(inArray(bowlLeft.bowlId, ids), isNull(bowlLeft.reversedBy)));
  const pots = await readPotsOfPacks(tx, [...new Set(parts.flatMap(({ holdingId }) => holdingId ?? []))]);
  return bowls.map(({ id, day, slotId, additions }) => {
    const own = parts.filter(({ bowlId }) => bowlId === id);
    return {
      day,
      slotId,
      parts: own.flatMap((part) => byPot(part, pots)),
      left: addUp(
        left.filter(({ bowlId }) => bowlId === id),
        ({ kcal }) => kcal,
      ),
      water: addUp(own, ({ water }) => water),
      ticked: additions ?? undefined,
    };
  });
}

/** A dog's days, and every pot that it ate of. */
export interface Eaten {
  readonly days: readonly EatenDay[];
  readonly batches: ReadonlyMap<number, CookedBatch>;
  readonly pots: readonly EatenPot[];
  /** What it got besides, however long ago. */
  readonly given: readonly StoredGiven[];
}

/** A dog's days as it ate, and what it got besides. */
export async function readDaysEaten(
  tx: Tx,
  dog: StoredDog,
  { from, to, today }: { readonly from: LocalDate; readonly to: LocalDate; readonly today: LocalDate },
): Promise<Pick<Eaten, 'days' | 'given'>> {
  const bowls = await readFedBowls(tx, dog.id, from, to);
  const given = await readGivenSince(tx, dog.id, from);
  return { days: daysEaten({ ...dog, given }, from, to, bowls, today, await readReports(tx, dog.id)), given };
}

/** What a dog ate from one day to another; a pot that cannot be read is not among its pots. */
export async function readEaten(
  tx: Tx,
  dog: StoredDog,
  { from, to, today, factors }: { from: LocalDate; to: LocalDate; today: LocalDate; factors: EnergyFactors },
): Promise<Eaten> {
  const { days, given } = await readDaysEaten(tx, dog, { from, to, today });
  const batches = new Map<number, CookedBatch>();
  for (const id of new Set(days.flatMap(({ pots }) => [...pots.keys()]))) {
    const batch = await readBatchIfReadable(tx, id, factors);
    if (batch && batch.state !== 'planned') batches.set(id, batch);
  }
  const pots = [...batches].map(([batchId, { recipeName, lines }]) => ({
    batchId,
    name: recipeName,
    lines: batchLines(lines),
  }));
  return { days, batches, pots, given };
}
