import 'server-only';
import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { isDried, type PlaceKind, type ShelfLives } from '@/core/preserve/shelf-life';
import type { Source } from '@/core/stock/draw';
import { fromTenths, type HoldingRules, type Leg, type Movement } from '@/core/stock/ledger';
import type { Tx } from '../database';
import { batch, share } from '../schema/batches';
import { dog } from '../schema/dogs';
import { place } from '../schema/household';
import { recipe, recipeVersion } from '../schema/recipes';
import { bowl, bowlPart, holding, leg, movement, pack, packContent } from '../schema/stock';

export interface StoredPack {
  readonly holdingId: number;
  readonly code: string;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly dogId: number | undefined;
  readonly dogName: string | undefined;
  readonly foodKind: HoldingRules['kind'];
  readonly grams: number;
  readonly labelGrams: number;
  readonly density: number;
  readonly waterPerGram: number;
  readonly packedOn: LocalDate;
  readonly placeId: number;
  readonly placeKind: PlaceKind;
  readonly since: LocalDate;
  readonly thawedOn: LocalDate | undefined;
  readonly openedOn: LocalDate | undefined;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly rule: string;
  readonly short: boolean;
  readonly estimated: boolean;
}

const packQuery = (tx: Tx) =>
  tx
    .select({ pack, holding, placeKind: place.kind, recipeName: recipe.name, dogName: dog.name })
    .from(pack)
    .innerJoin(holding, eq(holding.id, pack.holdingId))
    .innerJoin(place, eq(place.id, holding.placeId))
    .innerJoin(recipe, eq(recipe.id, pack.recipeId))
    .leftJoin(dog, eq(dog.id, pack.dogId));

type PackRow = Awaited<ReturnType<typeof packQuery>>[number];

const toPack = ({ pack: sealed, holding: state, placeKind, recipeName, dogName }: PackRow): StoredPack => ({
  holdingId: sealed.holdingId,
  code: sealed.code,
  recipeId: sealed.recipeId,
  recipeName,
  dogId: sealed.dogId ?? undefined,
  dogName: dogName ?? undefined,
  foodKind: state.foodKind,
  grams: fromTenths(state.amount),
  labelGrams: fromTenths(sealed.labelAmount),
  density: sealed.density,
  waterPerGram: sealed.waterPerGram,
  packedOn: sealed.packedOn,
  placeId: state.placeId,
  placeKind,
  since: state.since,
  thawedOn: state.thawedOn ?? undefined,
  openedOn: state.openedOn ?? undefined,
  safeUntil: state.safeUntil ?? undefined,
  bestBy: state.bestBy ?? undefined,
  rule: state.rule,
  short: sealed.short,
  estimated: sealed.estimated,
});

/** The packs that still hold food. */
export const readStock = async (tx: Tx): Promise<StoredPack[]> =>
  (await packQuery(tx).where(gt(holding.amount, 0)).orderBy(asc(pack.holdingId))).map(toPack);

/** Packs by holding id, in id order, empty ones too. */
export const readPacks = async (tx: Tx, holdingIds: readonly number[]): Promise<StoredPack[]> =>
  holdingIds.length === 0
    ? []
    : (
        await packQuery(tx)
          .where(inArray(pack.holdingId, [...holdingIds]))
          .orderBy(asc(pack.holdingId))
      ).map(toPack);

/** The packs that hold food of a batch, in order of their codes; empty ones too. */
export async function readPacksOfBatch(tx: Tx, batchId: number): Promise<StoredPack[]> {
  const rows = await tx
    .selectDistinct({ id: packContent.holdingId })
    .from(packContent)
    .where(eq(packContent.batchId, batchId));
  return readPacks(
    tx,
    rows.map((row) => row.id),
  );
}

export const readPackByCode = async (tx: Tx, code: string): Promise<StoredPack | undefined> =>
  (await packQuery(tx).where(eq(pack.code, code.toUpperCase()))).map(toPack)[0];

/** A pack as the bowl sees it. */
export const sourceOf = (stored: StoredPack): Source => ({
  key: `pack-${stored.holdingId}`,
  code: stored.code,
  dogId: stored.dogId,
  recipeId: stored.recipeId,
  grams: stored.grams,
  density: stored.density,
  waterPerGram: stored.waterPerGram,
  place: stored.placeKind,
  safeUntil: stored.safeUntil,
  bestBy: stored.bestBy,
  opened: isDried(stored.foodKind) ? stored.openedOn !== undefined : stored.grams < stored.labelGrams,
  short: stored.short,
});

export interface WarmShare {
  readonly shareId: number;
  readonly batchId: number;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly grams: number;
  readonly density: number;
}

/** Shares that are eaten warm on `day`, with what is left of each. `kcalOf` gives a batch's energy from its evidence. */
export async function readWarmShares(
  tx: Tx,
  day: LocalDate,
  densityOf: (row: typeof batch.$inferSelect) => number,
): Promise<WarmShare[]> {
  const rows = await tx
    .select({ share, batch, recipeId: recipe.id, recipeName: recipe.name })
    .from(share)
    .innerJoin(batch, eq(batch.id, share.batchId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(and(eq(share.fate, 'today'), eq(share.day, day)));
  if (rows.length === 0) return [];
  const eaten = await tx
    .select({ shareId: bowlPart.shareId, amount: sql<number>`sum(${bowlPart.amount})::int` })
    .from(bowlPart)
    .innerJoin(bowl, eq(bowl.id, bowlPart.bowlId))
    .where(and(isNull(bowl.reversedBy), isNotNull(bowlPart.shareId)))
    .groupBy(bowlPart.shareId);
  const eatenOf = new Map(eaten.map((row) => [row.shareId, row.amount]));
  return rows.map((row) => ({
    shareId: row.share.id,
    batchId: row.batch.id,
    recipeId: row.recipeId,
    recipeName: row.recipeName,
    grams: row.share.grams - fromTenths(eatenOf.get(row.share.id) ?? 0),
    density: densityOf(row.batch),
  }));
}

/** A share eaten today as the bowl sees it. */
export const warmSourceOf = (warm: WarmShare): Source => ({
  key: `share-${warm.shareId}`,
  code: 'the pot',
  recipeId: warm.recipeId,
  grams: warm.grams,
  density: warm.density,
  waterPerGram: 0,
  place: 'warm',
  opened: true,
  short: false,
});

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
    : { holdingId: row.holdingId!, placeId: row.placeId!, amount: row.amount };

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
    reverses: row.reverses ?? undefined,
    reversedBy: reversedBy.get(row.id),
    legs: legs.filter((each) => each.movementId === row.id).map(toLeg),
  }));
}

/** All movements that touch a holding, oldest first. */
export async function readHistory(tx: Tx, holdingId: number): Promise<StoredMovement[]> {
  const ids = await tx.selectDistinct({ id: leg.movementId }).from(leg).where(eq(leg.holdingId, holdingId));
  if (ids.length === 0) return [];
  const rows = await tx
    .select()
    .from(movement)
    .where(
      inArray(
        movement.id,
        ids.map((row) => row.id),
      ),
    )
    .orderBy(asc(movement.id));
  return withLegs(tx, rows);
}

export async function readMovement(tx: Tx, id: number): Promise<StoredMovement | undefined> {
  return (await withLegs(tx, await tx.select().from(movement).where(eq(movement.id, id))))[0];
}

/** The newest movements of the whole stock. */
export const readLatestMovements = async (tx: Tx, limit: number): Promise<StoredMovement[]> =>
  withLegs(tx, await tx.select().from(movement).orderBy(desc(movement.id)).limit(limit));

/** The rules of one holding, for the fold of its history. */
export async function readRules(
  tx: Tx,
  holdingId: number,
  given: { shelfLives: ShelfLives; fridgeDays: number },
): Promise<HoldingRules | undefined> {
  const [row] = await tx.select().from(holding).where(eq(holding.id, holdingId));
  if (!row) return undefined;
  const places = await tx.select().from(place);
  return {
    holdingId,
    kind: row.foodKind,
    fatty: row.fatty,
    places: new Map(places.map((each) => [each.id, each.kind])),
    ...given,
  };
}
