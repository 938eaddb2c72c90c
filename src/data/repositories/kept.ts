import 'server-only';
import { asc, eq, inArray, sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { fromTenths, type HoldingRules } from '@/core/stock/ledger';
import { aheadOfClock } from '@/core/stock/ahead-of-clock';
import type { Tx } from '../database';
import { readToday } from './household';
import { place } from '../schema/household';
import { holding, lot, pack } from '../schema/stock';

/** Whatever lies in a place, a pack or an ingredient: enough of it to move it, throw it away, or say something of it. */
export interface Kept {
  readonly holdingId: number;
  /** What it is called: a pack by its code, an ingredient by its name. */
  readonly code: string;
  readonly isLot: boolean;
  readonly grams: number;
  readonly placeId: number;
  readonly placeKind: PlaceKind;
  readonly foodKind: HoldingRules['kind'];
  readonly safeUntil: LocalDate | undefined;
  readonly openedOn: LocalDate | undefined;
  readonly blocked: boolean;
  /** What was done with it on a day that is still to come, in words. */
  readonly ahead: string | undefined;
}

/** What lies in the house, by holding id, in id order; empty ones too. */
export async function readKept(tx: Tx, holdingIds: readonly number[]): Promise<Kept[]> {
  if (holdingIds.length === 0) return [];
  const rows = await tx
    .select({ holding, placeKind: place.kind, code: pack.code, name: lot.name })
    .from(holding)
    .innerJoin(place, eq(place.id, holding.placeId))
    .leftJoin(pack, eq(pack.holdingId, holding.id))
    .leftJoin(lot, eq(lot.holdingId, holding.id))
    .where(inArray(holding.id, [...holdingIds]))
    .orderBy(asc(holding.id));
  const today = await readToday(tx);
  return rows.map(({ holding: state, placeKind, code, name }) => ({
    holdingId: state.id,
    code: code ?? name ?? '',
    isLot: code === null,
    grams: fromTenths(state.amount),
    placeId: state.placeId,
    placeKind,
    foodKind: state.foodKind,
    safeUntil: state.safeUntil ?? undefined,
    openedOn: state.openedOn ?? undefined,
    blocked: state.blocked,
    ahead: aheadOfClock(state, today),
  }));
}

/** g of all that lies in a place. */
export async function readUsed(tx: Tx, placeId: number): Promise<number> {
  const [row] = await tx
    .select({ amount: sql<number>`coalesce(sum(${holding.amount}), 0)::float8` })
    .from(holding)
    .where(eq(holding.placeId, placeId));
  return fromTenths(row?.amount ?? 0);
}
