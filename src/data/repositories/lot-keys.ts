import 'server-only';
import { asc, eq } from 'drizzle-orm';
import { writeDayOnLabel, type LocalDate } from '@/core/calendar/local-date';
import { fromTenths } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { place } from '../schema/household';
import { holding, lot } from '../schema/stock';

/** An ingredient as it is traced: by what it is called in a recall, itself and all that it was made of. */
export interface TracedLot {
  readonly holdingId: number;
  readonly name: string;
  /** Its lot code, else its name and the day that it came; then those of what it was made of. */
  readonly keys: readonly string[];
  readonly grams: number;
  readonly placeKind: string;
  readonly blocked: boolean;
}

/** What an ingredient is called in a recall: by its lot code, else by its name and the day that it came. */
export const traceKeyOf = (of: {
  readonly code: string | undefined;
  readonly name: string;
  readonly receivedOn: LocalDate;
}): string => of.code ?? `${of.name}, ${writeDayOnLabel(of.receivedOn)}`;

/** Every ingredient that ever came, by its holding. */
export async function readTracedLots(tx: Tx): Promise<ReadonlyMap<number, TracedLot>> {
  const rows = await tx
    .select({ lot, amount: holding.amount, blocked: holding.blocked, isVoid: holding.void, placeKind: place.kind })
    .from(lot)
    .innerJoin(holding, eq(holding.id, lot.holdingId))
    .innerJoin(place, eq(place.id, holding.placeId))
    .orderBy(asc(lot.holdingId));
  const traced = new Map<number, TracedLot>();
  // What something was made of came before it.
  for (const { lot: own, amount, blocked, isVoid, placeKind } of rows) {
    if (isVoid) continue;
    const key = traceKeyOf({ ...own, code: own.code ?? undefined });
    const before = own.madeOf === null ? [] : (traced.get(own.madeOf)?.keys ?? []);
    traced.set(own.holdingId, {
      holdingId: own.holdingId,
      name: own.name,
      keys: [...new Set([key, ...before])],
      grams: fromTenths(amount),
      placeKind,
      blocked,
    });
  }
  return traced;
}
