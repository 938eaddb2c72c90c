import 'server-only';
import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { LabelDate } from '@/core/preserve/shelf-life';
import { fromTenths, type HoldingRules } from '@/core/stock/ledger';
import { LOT_KINDS, type Lot, type LotKind } from '@/core/stock/lot';
import { typedLot, type LotEntry } from '@/core/stock/lot-entry';
import { isAmong } from '@/core/sure';
import type { UnitSet } from '@/core/quantity/units';
import { aheadOfClock } from '@/core/stock/ahead-of-clock';
import type { Tx } from '../database';
import { readToday } from './household';
import { place } from '../schema/household';
import { holding, lot, lotUse } from '../schema/stock';

export interface StoredLot extends Lot {
  readonly foodKind: HoldingRules['kind'];
  readonly placeId: number;
  readonly placeName: string;
  /** kcal in a g of it as bought; undefined: nobody knows. */
  readonly density: number | undefined;
  readonly rule: string;
  readonly since: LocalDate;
  readonly thawedOn: LocalDate | undefined;
  readonly receivedGrams: number;
  /** Minor units that all of it cost. */
  readonly priceMinor: number | undefined;
  readonly label: LabelDate | undefined;
  readonly code: string | undefined;
  readonly madeOf: number | undefined;
  readonly void: boolean;
  /** What was done with it on a day that is still to come, in words: nothing is made of it. */
  readonly ahead: string | undefined;
}

const lotQuery = (tx: Tx) =>
  tx
    .select({ lot, holding, place: { kind: place.kind, name: place.name } })
    .from(lot)
    .innerJoin(holding, eq(holding.id, lot.holdingId))
    .innerJoin(place, eq(place.id, holding.placeId));

type LotRow = Awaited<ReturnType<typeof lotQuery>>[number];

const toLot =
  (today: LocalDate) =>
  ({ lot: said, holding: state, place: at }: LotRow): StoredLot => {
    const ahead = aheadOfClock(state, today);
    return {
      holdingId: said.holdingId,
      key: said.foodKey,
      name: said.name,
      grams: fromTenths(state.amount),
      foodKind: state.foodKind,
      place: at.kind,
      placeId: state.placeId,
      placeName: at.name,
      safeUntil: state.safeUntil ?? undefined,
      bestBy: state.bestBy ?? undefined,
      receivedOn: said.receivedOn,
      blocked: state.blocked || ahead !== undefined,
      ahead,
      density: state.density ?? undefined,
      rule: state.rule,
      since: state.since,
      thawedOn: state.thawedOn ?? undefined,
      receivedGrams: fromTenths(said.receivedAmount),
      priceMinor: said.priceMinor ?? undefined,
      label: said.label ?? undefined,
      code: said.code ?? undefined,
      madeOf: said.madeOf ?? undefined,
      void: state.void,
    };
  };

/** The ingredients that are in the house, in the order in which they came. */
export const readLots = async (tx: Tx): Promise<StoredLot[]> =>
  (await lotQuery(tx).where(gt(holding.amount, 0)).orderBy(asc(lot.holdingId))).map(toLot(await readToday(tx)));

/** Ingredients of some foods that are in the house. */
export const readLotsOf = async (tx: Tx, keys: readonly string[]): Promise<StoredLot[]> =>
  keys.length === 0
    ? []
    : (
        await lotQuery(tx)
          .where(and(gt(holding.amount, 0), inArray(lot.foodKey, [...keys])))
          .orderBy(asc(lot.holdingId))
      ).map(toLot(await readToday(tx)));

/** Ingredients by holding id, used up and taken back ones too. */
export const readLotsById = async (tx: Tx, holdingIds: readonly number[]): Promise<StoredLot[]> =>
  holdingIds.length === 0
    ? []
    : (
        await lotQuery(tx)
          .where(inArray(lot.holdingId, [...holdingIds]))
          .orderBy(asc(lot.holdingId))
      ).map(toLot(await readToday(tx)));

const isLotKind = (kind: StoredLot['foodKind']): kind is LotKind => isAmong(LOT_KINDS, kind);

/** A lot as it can be typed again. */
export const retypedLot = (stored: StoredLot, set: UnitSet): LotEntry =>
  typedLot(
    {
      grams: stored.receivedGrams,
      priceMinor: stored.priceMinor,
      label: stored.label,
      code: stored.code,
      kind: isLotKind(stored.foodKind) ? stored.foodKind : 'cooked',
      placeId: stored.placeId,
    },
    set,
  );

export interface StoredUse {
  readonly movementId: number;
  readonly holdingId: number;
  readonly batchId: number;
  readonly line: number;
  readonly grams: number;
}

/** What went into batches, of which ingredients; what was taken back is left out. */
export const readUses = async (
  tx: Tx,
  of: { readonly batchIds: readonly number[] } | { readonly holdingIds: readonly number[] } | 'all',
): Promise<StoredUse[]> =>
  (
    await tx
      .select()
      .from(lotUse)
      .where(
        and(
          isNull(lotUse.reversedBy),
          of === 'all'
            ? undefined
            : 'batchIds' in of
              ? inArray(lotUse.batchId, [...of.batchIds])
              : inArray(lotUse.holdingId, [...of.holdingIds]),
        ),
      )
      .orderBy(asc(lotUse.movementId))
  ).map(({ amount, movementId, holdingId, batchId, line }) => ({
    movementId,
    holdingId,
    batchId,
    line,
    grams: fromTenths(amount),
  }));
