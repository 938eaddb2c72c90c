import 'server-only';
import { and, asc, between, eq, inArray, isNull } from 'drizzle-orm';
import { addUp } from '@/core/add-up';
import type { LocalDate } from '@/core/calendar/local-date';
import type { FedBowl } from '@/core/eaten/days';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { bowl, bowlLeft, bowlPart } from '../schema/stock';
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
