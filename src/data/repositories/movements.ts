import 'server-only';
import {
  and,
  asc,
  desc,
  eq,
  exists,
  gt,
  inArray,
  isNotNull,
  isNull,
  lt,
  max,
  ne,
  not,
  or,
  sql,
  type SQL,
} from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { LocalDate } from '@/core/calendar/local-date';
import type { HoldingRules, Leg, Movement } from '@/core/stock/ledger';
import { sure } from '@/core/sure';
import type { Tx } from '../database';
import { place } from '../schema/household';
import { holding, leg, lot, movement } from '../schema/stock';

export interface StoredMovement extends Movement {
  readonly at: Date;
  readonly note: string | undefined;
  /** The movement that took this one back. */
  readonly reversedBy: number | undefined;
}

type LegRow = typeof leg.$inferSelect;

const toLeg = (row: LegRow): Leg =>
  row.account !== null
    ? { account: row.account, amount: row.amount }
    : { holdingId: sure(row.holdingId), placeId: sure(row.placeId), amount: row.amount };

async function withLegs(tx: Tx, rows: (typeof movement.$inferSelect)[]): Promise<StoredMovement[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.id);
  const legs = await tx.select().from(leg).where(inArray(leg.movementId, ids)).orderBy(asc(leg.id));
  const reversals = await tx
    .select({ id: movement.id, reverses: movement.reverses })
    .from(movement)
    .where(inArray(movement.reverses, ids));
  const reversedBy = new Map(reversals.map((row) => [row.reverses, row.id]));
  return rows.map((row) => ({
    id: row.id,
    kind: row.kind,
    day: row.day,
    at: row.at,
    note: row.note ?? undefined,
    ...(row.rulesId === null ? {} : { rulesId: row.rulesId }),
    ...(row.reverses === null ? {} : { takesBack: row.reverses }),
    reversedBy: reversedBy.get(row.id),
    legs: legs.filter((each) => each.movementId === row.id).map(toLeg),
  }));
}

/** All movements that touch each of these holdings, oldest first. */
export async function readHistories(
  tx: Tx,
  holdingIds: readonly number[],
): Promise<ReadonlyMap<number, readonly StoredMovement[]>> {
  const touched =
    holdingIds.length === 0
      ? []
      : await tx
          .selectDistinct({ holdingId: leg.holdingId, movementId: leg.movementId })
          .from(leg)
          .where(inArray(leg.holdingId, [...holdingIds]));
  const ids = [...new Set(touched.map((row) => row.movementId))];
  const all =
    ids.length === 0 ? [] : await tx.select().from(movement).where(inArray(movement.id, ids)).orderBy(asc(movement.id));
  const movements = await withLegs(tx, all);
  const of = new Map<number, Set<number>>();
  for (const { holdingId, movementId } of touched)
    if (holdingId !== null) of.set(holdingId, (of.get(holdingId) ?? new Set()).add(movementId));
  return new Map(holdingIds.map((id) => [id, movements.filter((each) => of.get(id)?.has(each.id))]));
}

/** All movements that touch a holding, oldest first. */
export const readHistory = async (tx: Tx, holdingId: number): Promise<readonly StoredMovement[]> =>
  sure((await readHistories(tx, [holdingId])).get(holdingId));

export async function readMovement(tx: Tx, id: number): Promise<StoredMovement | undefined> {
  return (await withLegs(tx, await tx.select().from(movement).where(eq(movement.id, id))))[0];
}

/** Every movement, oldest first. */
export const readAllMovements = async (tx: Tx): Promise<StoredMovement[]> =>
  withLegs(tx, await tx.select().from(movement).orderBy(asc(movement.id)));

/** The newest movements of the whole stock. */
export const readLatestMovements = async (tx: Tx, limit: number): Promise<StoredMovement[]> =>
  withLegs(tx, await tx.select().from(movement).orderBy(desc(movement.id)).limit(limit));

/** The rules of holdings, for the fold of their histories. */
export async function readRules(
  tx: Tx,
  holdingIds: readonly number[],
  dating: HoldingRules['dating'],
): Promise<HoldingRules[]> {
  if (holdingIds.length === 0) return [];
  const rows = await tx
    .select({
      id: holding.id,
      kind: holding.foodKind,
      fatty: holding.fatty,
      packaging: holding.packaging,
      origin: holding.origin,
      label: lot.label,
    })
    .from(holding)
    .leftJoin(lot, eq(lot.holdingId, holding.id))
    .where(inArray(holding.id, [...holdingIds]))
    .orderBy(asc(holding.id));
  const places = new Map((await tx.select().from(place)).map((each) => [each.id, each.kind]));
  return rows.map(({ id, kind, fatty, packaging, origin, label }) => ({
    holdingId: id,
    kind,
    fatty,
    places,
    dating,
    ...(packaging === null ? {} : { packaging }),
    ...(origin === null ? {} : { origin }),
    ...(label === null ? {} : { label }),
  }));
}

/** When each pack came last to where it lies. */
export async function readArrivals(tx: Tx, holdingIds: readonly number[]): Promise<Map<number, Date>> {
  if (holdingIds.length === 0) return new Map();
  const before = alias(leg, 'before');
  const rows = await tx
    .select({ id: leg.holdingId, at: max(movement.at) })
    .from(leg)
    .innerJoin(movement, eq(movement.id, leg.movementId))
    .innerJoin(holding, and(eq(holding.id, leg.holdingId), eq(holding.placeId, leg.placeId)))
    // What only changed where it lay did not come there.
    .leftJoin(
      before,
      and(
        eq(before.movementId, leg.movementId),
        eq(before.holdingId, leg.holdingId),
        eq(before.placeId, leg.placeId),
        lt(before.amount, 0),
      ),
    )
    .where(and(inArray(leg.holdingId, [...holdingIds]), gt(leg.amount, 0), isNull(before.id)))
    .groupBy(leg.holdingId);
  return new Map(rows.flatMap(({ id, at }) => (id === null || at === null ? [] : [[id, at] as const])));
}

/** Tenths of a gram that came into each pack out of the pot, or out of another pack, by its holding. */
export async function readSealed(tx: Tx, holdingIds: readonly number[]): Promise<Map<number, number>> {
  if (holdingIds.length === 0) return new Map();
  const other = alias(leg, 'other');
  const others = (is: SQL) =>
    exists(
      tx
        .select({ one: sql`1` })
        .from(other)
        .where(and(eq(other.movementId, leg.movementId), is)),
    );
  const rows = await tx
    .select({ id: leg.holdingId, amount: sql<number>`sum(${leg.amount})::int` })
    .from(leg)
    .where(
      and(
        inArray(leg.holdingId, [...holdingIds]),
        or(
          others(eq(other.account, 'cooked')),
          // Split and mixed: from pack to pack, with no account beside them.
          and(not(others(isNotNull(other.account))), others(ne(other.holdingId, leg.holdingId))),
        ),
      ),
    )
    .groupBy(leg.holdingId);
  return new Map(rows.flatMap(({ id, amount }) => (id === null ? [] : [[id, amount] as const])));
}

/** So many of the last movements are asked for the newest day: a bowl may be marked for an earlier one. */
const LATE = 60;

/** The newest day of the ledger; undefined where nothing is written down. */
export async function readNewestDay(tx: Tx): Promise<LocalDate | undefined> {
  const rows = await tx.select({ day: movement.day }).from(movement).orderBy(desc(movement.id)).limit(LATE);
  return rows
    .map(({ day }) => day)
    .sort()
    .at(-1);
}
