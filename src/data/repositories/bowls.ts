import 'server-only';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { fromTenths } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { bowl, bowlPart, pack } from '../schema/stock';

export interface StoredBowl {
  readonly id: number;
  readonly dogId: number;
  readonly slotId: number;
  readonly fedAt: Date;
  readonly parts: readonly { readonly code: string; readonly grams: number; readonly waterMl: number }[];
}

/** The bowls of a day that were not taken back. */
export async function readBowlsOn(tx: Tx, day: LocalDate): Promise<StoredBowl[]> {
  const rows = await tx
    .select()
    .from(bowl)
    .where(and(eq(bowl.day, day), isNull(bowl.reversedBy)))
    .orderBy(asc(bowl.id));
  if (rows.length === 0) return [];
  const parts = await tx
    .select({ part: bowlPart, code: pack.code })
    .from(bowlPart)
    .leftJoin(pack, eq(pack.holdingId, bowlPart.holdingId))
    .where(
      inArray(
        bowlPart.bowlId,
        rows.map((row) => row.id),
      ),
    )
    .orderBy(asc(bowlPart.id));
  return rows.map((row) => ({
    id: row.id,
    dogId: row.dogId,
    slotId: row.slotId,
    fedAt: row.fedAt,
    parts: parts
      .filter(({ part }) => part.bowlId === row.id)
      .map(({ part, code }) => ({ code: code ?? 'the pot', grams: fromTenths(part.amount), waterMl: part.waterMl })),
  }));
}
