import 'server-only';
import { and, asc, between, eq, inArray, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { FedBowl } from '@/core/eaten/days';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { bowl, bowlLeft, bowlPart } from '../schema/stock';
import { readPotsOfPacks } from './kcal-prices';

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
      parts: own.flatMap(({ holdingId, warmOf, kcal }) => {
        const of = holdingId === null ? [] : (pots.get(holdingId) ?? []);
        return of.length === 0
          ? [{ batchId: warmOf ?? undefined, kcal }]
          : of.map(({ batchId, part }) => ({ batchId, kcal: kcal * part }));
      }),
      left: left.filter(({ bowlId }) => bowlId === id).reduce((sum, { kcal }) => sum + kcal, 0),
      water: own.reduce((sum, { water }) => sum + water, 0),
      ticked: additions ?? undefined,
    };
  });
}
