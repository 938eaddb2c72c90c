import 'server-only';
import { and, gte, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { Tx } from '../database';
import { packHold } from '../schema/stock';

export interface StoredHold {
  readonly dogId: number;
  readonly day: LocalDate;
}

/** The packs that are kept for a dog's day, from today on, by their holding. */
export async function readHolds(tx: Tx, today: LocalDate): Promise<ReadonlyMap<number, StoredHold>> {
  const rows = await tx
    .select({ holdingId: packHold.holdingId, dogId: packHold.dogId, day: packHold.day })
    .from(packHold)
    .where(and(isNull(packHold.endedAt), gte(packHold.day, today)));
  return new Map(rows.map(({ holdingId, ...hold }) => [holdingId, hold]));
}
