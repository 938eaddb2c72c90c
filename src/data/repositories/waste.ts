import 'server-only';
import { and, eq, gte, inArray } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { LocalDate } from '@/core/calendar/local-date';
import { fromTenths } from '@/core/stock/ledger';
import type { Wasted } from '@/core/stock/waste';
import type { Tx } from '../database';
import { bowlLeft } from '../schema/bowls';
import { holding, leg, movement } from '../schema/stock';

/** What was wasted, and of which pack or ingredient; what a dog left was of none any more. */
export interface WastedOf extends Wasted {
  readonly holdingId: number | undefined;
}

/**
 * What was thrown away or lost since a day, a row for every movement; what a later one takes back is a row below 0 of the day and the
 * words of the first.
 */
export async function readWaste(tx: Tx, since: LocalDate): Promise<WastedOf[]> {
  const first = alias(movement, 'first');
  const rows = await tx
    .select({
      id: movement.id,
      day: movement.day,
      note: movement.note,
      reverses: movement.reverses,
      account: leg.account,
      amount: leg.amount,
      firstDay: first.day,
      firstNote: first.note,
    })
    .from(leg)
    .innerJoin(movement, eq(movement.id, leg.movementId))
    .leftJoin(first, eq(first.id, movement.reverses))
    .where(and(inArray(leg.account, ['thrown', 'lost']), gte(movement.day, since)));
  if (rows.length === 0) return [];
  const ids = rows.flatMap(({ id, reverses }) => [id, ...(reverses === null ? [] : [reverses])]);
  const held = await tx
    .select({ id: leg.movementId, holdingId: holding.id, density: holding.density })
    .from(leg)
    .innerJoin(holding, eq(holding.id, leg.holdingId))
    .where(inArray(leg.movementId, ids));
  // What a dog left was in no pack any more: its kcal are kept with it.
  const left = await tx
    .select({ id: bowlLeft.movementId, amount: bowlLeft.amount, kcal: bowlLeft.kcal })
    .from(bowlLeft)
    .where(inArray(bowlLeft.movementId, ids));
  const density = new Map([
    ...held.flatMap((row) => (row.density === null ? [] : [[row.id, row.density] as const])),
    ...left.map((row) => [row.id, row.kcal / fromTenths(row.amount)] as const),
  ]);
  const of = new Map(held.map((row) => [row.id, row.holdingId]));
  return rows.map((row): WastedOf => {
    const grams = fromTenths(row.amount);
    return {
      day: row.firstDay ?? row.day,
      why: (row.reverses === null ? row.note : row.firstNote) ?? undefined,
      became: row.account === 'lost' ? 'lost' : 'thrown',
      grams,
      kcal: grams * (density.get(row.reverses ?? row.id) ?? density.get(row.id) ?? 0),
      holdingId: of.get(row.reverses ?? row.id) ?? of.get(row.id),
    };
  });
}
