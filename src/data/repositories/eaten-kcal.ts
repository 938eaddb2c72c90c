import 'server-only';
import { and, eq, gte, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { Tx } from '../database';
import { share } from '../schema/batches';
import { bowl, bowlPart } from '../schema/bowls';
import { byPot, readPotsOfPacks } from './kcal-prices';

/** kcal of one pot in one bowl. */
export interface EatenOfPot {
  readonly dogId: number;
  readonly day: LocalDate;
  /** Undefined: of a pack that no pot made. */
  readonly batchId: number | undefined;
  readonly kcal: number;
}

/** What each dog got since a day, pot by pot; what it left is in it, for it was given. */
export async function readEatenKcal(tx: Tx, since: LocalDate): Promise<EatenOfPot[]> {
  const rows = await tx
    .select({
      dogId: bowl.dogId,
      day: bowl.day,
      holdingId: bowlPart.holdingId,
      warmOf: share.batchId,
      kcal: bowlPart.kcal,
    })
    .from(bowl)
    .innerJoin(bowlPart, eq(bowlPart.bowlId, bowl.id))
    .leftJoin(share, eq(share.id, bowlPart.shareId))
    .where(and(isNull(bowl.reversedBy), gte(bowl.day, since)));
  const pots = await readPotsOfPacks(tx, [...new Set(rows.flatMap(({ holdingId }) => holdingId ?? []))]);
  return rows.flatMap(({ dogId, day, ...part }): EatenOfPot[] =>
    byPot(part, pots).map((each) => ({ dogId, day, ...each })),
  );
}
