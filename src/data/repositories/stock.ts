import 'server-only';
import { addUp } from '@/core/add-up';
import { and, asc, desc, eq, gt, inArray, isNotNull, or, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import type { OnceUsed } from '@/core/preserve/food-life';
import type { Packaging, PlaceKind } from '@/core/preserve/shelf-life';
import type { ByProduct } from '@/core/batch/by-product';
import type { BatchSummary } from '@/core/batch/summary';
import { fromTenths, type HoldingRules } from '@/core/stock/ledger';
import { sure } from '@/core/sure';
import type { FoundPack } from '@/core/stock/found';
import type { Tx } from '../database';
import { batch, share } from '../schema/batches';
import { dog } from '../schema/dogs';
import { place } from '../schema/household';
import { ifRead, isUnread } from '../schema/kept-json';
import { recipe, recipeVersion } from '../schema/recipes';
import { Unreadable, type CannotBeRead } from '@/core/unreadable';
import { aheadOfClock } from '@/core/stock/ahead-of-clock';
import { nameOfBatch } from './batch-history';
import { readToday } from './household';
import { holding, pack, packContent } from '../schema/stock';

/** What one batch has in a pack. */
export interface StoredContent {
  readonly batchId: number;
  readonly shareId: number;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly cookedAt: Date | null;
  /** It is kept beside meals: broth, or fat that was skimmed. */
  readonly byProduct: ByProduct | null;
  readonly unproven: boolean;
  readonly grams: number;
  /** Tenths of a gram of it when the pack was sealed. */
  readonly sealedAmount: number;
  /** kcal and mL of water to put back in each stored g of it. */
  readonly density: number;
  readonly waterPerGram: number;
  readonly id: number;
  /** The yield that it is of, by its place. */
  readonly place: number;
  /** What of its batch it is, where that is kept apart. */
  readonly partName: string | undefined;
  /** The yields of its batch, where they are kept apart. */
  readonly apart: BatchSummary['apart'];
}

export interface StoredPack {
  readonly holdingId: number;
  readonly code: string;
  /** Of the batch that most of it is from. */
  readonly recipeId: number;
  /** Of all its contents. */
  readonly recipeName: string;
  readonly contents: readonly StoredContent[];
  /** It came into the books without a batch: of which recipe it is said to be. */
  readonly found: FoundPack | undefined;
  /** When the pot was begun that most of it is from. */
  readonly cookedAt: Date | undefined;
  readonly dogId: number | undefined;
  /** The dog that it was made for, or the dogs. */
  readonly dogName: string | undefined;
  /** The dogs that it was made for, and g of each, where they are several. */
  readonly split: readonly { readonly dogId: number; readonly grams: number }[] | undefined;
  readonly pieces: number | undefined;
  /** Sealed by its target, and not weighed. */
  readonly byTarget: boolean;
  readonly foodKind: HoldingRules['kind'];
  readonly fatty: boolean;
  readonly grams: number;
  readonly labelGrams: number;
  /** kcal in each stored gram, as it is known now. */
  readonly density: number;
  readonly waterPerGram: number;
  /** kcal in each gram as the label says it. */
  readonly labelDensity: number;
  readonly labelWaterPerGram: number;
  readonly packedOn: LocalDate;
  readonly placeId: number;
  readonly placeKind: PlaceKind;
  readonly since: LocalDate;
  readonly thawedOn: LocalDate | undefined;
  readonly openedOn: LocalDate | undefined;
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly rule: string;
  /** Days that it keeps once it is taken out of the freezer, or opened. */
  readonly keeps: OnceUsed;
  readonly short: boolean;
  readonly estimated: boolean;
  /** No meal: broth, or fat that was skimmed. */
  readonly beside: boolean;
  /** Something in it was cooked without a passed check, or cooled too slowly. */
  readonly unproven: boolean;
  /** g that were sealed in it, as it is known now. */
  readonly sealedGrams: number;
  /** Its packing was taken back: what it held is in its share again. */
  readonly void: boolean;
  /** It is not fed: somebody said so, or a day of it lies ahead. */
  readonly blocked: boolean;
  /** What was done with it on a day that is still to come, in words. */
  readonly ahead: string | undefined;
  /** In what it is packed; undefined: nobody has said. */
  readonly packaging: Packaging | undefined;
  /** The day on which it goes from the fridge into a freezer, and which one. */
  readonly freezeOn: LocalDate | undefined;
  readonly freezeIn: number | undefined;
  /** Part of it that was water when its trays were weighed last. */
  readonly moisture: number | undefined;
  /** What its label says of its quality: of a pack that waits, how long it keeps in the freezer. */
  readonly labelBestBy: LocalDate | undefined;
  readonly labelSafeUntil: LocalDate | undefined;
}

const packQuery = (tx: Tx) =>
  tx
    .select({ pack, holding, placeKind: place.kind, dogName: dog.name })
    .from(pack)
    .innerJoin(holding, eq(holding.id, pack.holdingId))
    .innerJoin(place, eq(place.id, holding.placeId))
    .leftJoin(dog, eq(dog.id, pack.dogId));

type PackRow = Awaited<ReturnType<typeof packQuery>>[number];

/** What a pack says of the pots that it is from; each is read once, however many packs came of it. */
async function readPots(tx: Tx, ids: readonly number[]) {
  const parent = alias(batch, 'parent');
  const rows = await tx
    .select({
      id: batch.id,
      recipeId: recipe.id,
      recipeName: recipe.name,
      byProduct: batch.byProduct,
      cookedAt: batch.startedAt,
      unproven: sql<boolean>`coalesce(coalesce(${parent.summary}, ${batch.summary})->'unproven' = 'true'::jsonb, false)`,
      apart: sql<BatchSummary['apart'] | null>`${batch.summary}->'apart'`,
    })
    .from(batch)
    .leftJoin(parent, eq(parent.id, batch.parentId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(inArray(batch.id, [...ids]));
  return new Map(
    rows.map(({ id, apart, ...row }) => [id, { ...row, apart: apart ?? undefined, recipeName: nameOfBatch(row) }]),
  );
}

/** What of a pack cannot be read; undefined: nothing. */
export function unreadPack({
  pack: { holdingId, code, split, found },
}: Pick<PackRow, 'pack'>): CannotBeRead | undefined {
  const why = isUnread(split) ? 'for which dogs it is' : isUnread(found) ? 'what was found in it' : undefined;
  return why === undefined ? undefined : { kind: 'pack', id: holdingId, name: code, why };
}

/** The packs of rows that can be read. */
async function toPacks(tx: Tx, all: readonly PackRow[]): Promise<StoredPack[]> {
  const rows = all.filter((row) => !unreadPack(row));
  if (rows.length === 0) return [];
  const contents = await tx
    .select({
      id: packContent.id,
      holdingId: packContent.holdingId,
      batchId: packContent.batchId,
      shareId: packContent.shareId,
      amount: packContent.amount,
      sealedAmount: packContent.sealedAmount,
      density: packContent.density,
      waterPerGram: packContent.waterPerGram,
      place: share.yield,
    })
    .from(packContent)
    .innerJoin(share, eq(share.id, packContent.shareId))
    .where(
      inArray(
        packContent.holdingId,
        rows.map((row) => row.pack.holdingId),
      ),
    )
    .orderBy(desc(packContent.amount), asc(packContent.id));
  const batches = await readPots(tx, [...new Set(contents.map(({ batchId }) => batchId))]);
  const of = new Map<number, StoredContent[]>();
  for (const { holdingId, amount, ...row } of contents) {
    const own = of.get(holdingId) ?? [];
    const pot = sure(batches.get(row.batchId));
    own.push({
      ...row,
      ...pot,
      partName: pot.apart?.yields.find(({ place: at }) => at === row.place)?.name,
      grams: fromTenths(amount),
    });
    of.set(holdingId, own);
  }
  const names = rows.some((row) => row.pack.split)
    ? new Map((await tx.select({ id: dog.id, name: dog.name }).from(dog)).map((row) => [row.id, row.name]))
    : new Map<number, string>();
  const today = await readToday(tx);
  return rows.map((row) => toPack(row, of.get(row.pack.holdingId) ?? [], names, today));
}

const toPack = (
  { pack: sealed, holding: state, placeKind, dogName }: PackRow,
  contents: readonly StoredContent[],
  names: ReadonlyMap<number, string>,
  today: LocalDate,
): StoredPack => {
  const ahead = aheadOfClock(state, today);
  const [split, found] = [ifRead(sealed.split), ifRead(sealed.found)];
  return {
    holdingId: sealed.holdingId,
    code: sealed.code,
    recipeId: contents[0]?.recipeId ?? found?.recipeId ?? NaN,
    recipeName: found?.name ?? [...new Set(contents.map((each) => each.recipeName))].join(' and '),
    found,
    contents,
    cookedAt: contents[0]?.cookedAt ?? undefined,
    dogId: sealed.dogId ?? undefined,
    dogName: split?.map((each) => names.get(each.dogId) ?? 'a dog').join(' and ') ?? dogName ?? undefined,
    split,
    pieces: sealed.pieces ?? undefined,
    byTarget: sealed.weighed === false,
    foodKind: state.foodKind,
    fatty: state.fatty,
    grams: fromTenths(state.amount),
    sealedGrams: found ? fromTenths(sealed.labelAmount) : addUp(contents, (each) => each.grams),
    labelGrams: fromTenths(sealed.labelAmount),
    density: sure(state.density),
    waterPerGram: state.waterPerGram,
    labelDensity: sealed.labelDensity,
    labelWaterPerGram: sealed.labelWaterPerGram,
    packedOn: sealed.packedOn,
    placeId: state.placeId,
    placeKind,
    since: state.since,
    thawedOn: state.thawedOn ?? undefined,
    openedOn: state.openedOn ?? undefined,
    safeUntil: state.safeUntil ?? undefined,
    bestBy: state.bestBy ?? undefined,
    rule: state.rule,
    keeps: {
      ...(state.keepsThawed === null ? {} : { thawed: state.keepsThawed }),
      ...(state.keepsOpened === null ? {} : { opened: state.keepsOpened }),
    },
    short: sealed.short,
    estimated: sealed.estimated,
    beside: contents.some((each) => each.byProduct !== null),
    unproven: contents.some((each) => each.unproven),
    void: state.void,
    blocked: state.blocked || ahead !== undefined,
    ahead,
    packaging: state.packaging ?? undefined,
    freezeOn: sealed.freezeOn ?? undefined,
    freezeIn: sealed.freezeIn ?? undefined,
    moisture: sealed.moisture ?? undefined,
    labelBestBy: sealed.labelBestBy ?? undefined,
    labelSafeUntil: sealed.labelSafeUntil ?? undefined,
  };
};

/** The packs that still hold food and can be read. */
export const readStock = async (tx: Tx): Promise<StoredPack[]> =>
  toPacks(tx, await packQuery(tx).where(gt(holding.amount, 0)).orderBy(asc(pack.holdingId)));

/** The packs that still hold food, as far as anybody knows, and cannot be read. */
export const readUnreadPacks = async (tx: Tx): Promise<CannotBeRead[]> =>
  (
    await packQuery(tx)
      .where(and(gt(holding.amount, 0), or(isNotNull(pack.split), isNotNull(pack.found))))
      .orderBy(asc(pack.holdingId))
  ).flatMap((row) => unreadPack(row) ?? []);

const rowsOf = async (tx: Tx, holdingIds: readonly number[]): Promise<PackRow[]> =>
  holdingIds.length === 0
    ? []
    : packQuery(tx)
        .where(inArray(pack.holdingId, [...holdingIds]))
        .orderBy(asc(pack.holdingId));

/** Packs by holding id, in id order, empty ones too. Throws `Unreadable`. */
export async function readPacks(tx: Tx, holdingIds: readonly number[]): Promise<StoredPack[]> {
  const rows = await rowsOf(tx, holdingIds);
  for (const row of rows) mustBeRead(row);
  return toPacks(tx, rows);
}

/** The same for a page: what cannot be read is left out. */
export const readReadablePacks = async (tx: Tx, holdingIds: readonly number[]): Promise<StoredPack[]> =>
  toPacks(tx, await rowsOf(tx, holdingIds));

function mustBeRead(row: PackRow): void {
  const unread = unreadPack(row);
  if (unread) throw new Unreadable(unread);
}

/** The packs that hold or held food of a batch, in order of their codes; not those that were taken back. */
export async function readPacksOfBatch(tx: Tx, batchId: number): Promise<StoredPack[]> {
  const rows = await tx
    .selectDistinct({ id: packContent.holdingId })
    .from(packContent)
    .innerJoin(holding, eq(holding.id, packContent.holdingId))
    .where(and(eq(packContent.batchId, batchId), eq(holding.void, false)));
  return readReadablePacks(
    tx,
    rows.map((row) => row.id),
  );
}

/** A pack by its code. Throws `Unreadable`. */
export async function readPackByCode(tx: Tx, code: string): Promise<StoredPack | undefined> {
  const rows = await packQuery(tx).where(eq(pack.code, code.toUpperCase()));
  for (const row of rows) mustBeRead(row);
  return (await toPacks(tx, rows))[0];
}

/** The day of the pot that a pack is from; of food that was found the day it was packed, undefined where nobody knows it. */
export const potDay = (stored: StoredPack, timeZone: string): LocalDate | undefined =>
  stored.cookedAt ? dayIn(stored.cookedAt, timeZone) : stored.found?.isDated === false ? undefined : stored.packedOn;
