import 'server-only';
import { and, asc, desc, eq, gt, inArray, isNull, or, sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { foldBatch, type BatchState, type WeighedState } from '@/core/batch/fold';
import { wholeOf, type WholeYield } from '@/core/batch/whole';
import type { BatchSummary } from '@/core/batch/summary';
import { type Filling } from '@/core/dog/filling';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { readShare } from '@/core/plan/read-plan';
import type { Tx } from '../database';
import { batch, plan, planDog } from '../schema/batches';
import { recipe, recipeVersion } from '../schema/recipes';
import { nameOfBatch, readBatchHistory, unreadBatch } from './batch-history';
import { ifRead, isUnread } from '../schema/kept-json';
import { unlessUnread, Unreadable, type CannotBeRead } from '@/core/unreadable';

interface Common {
  readonly id: number;
  readonly versionId: number;
  readonly versionNumber: number;
  readonly recipeId: number;
  /** Of the recipe; of a by-product, what of it it is. */
  readonly recipeName: string;
  readonly parentId: number | undefined;
  readonly letter: string;
  readonly scale: number;
  /** g bought of each line, as planned. */
  readonly amounts: readonly number[];
  /** Even vesselfuls of each component, as planned. */
  readonly loads: readonly number[];
  readonly swaps: Readonly<Record<string, string>> | undefined;
  readonly planId: number;
  /** Which meals its recipe fills, among those that are planned with it. */
  readonly filling: Filling;
  readonly createdAt: Date;
  readonly firstDay: LocalDate;
  readonly days: number;
  readonly dogIds: readonly number[];
  /** Rises with every change. */
  readonly revision: number;
}

/** A batch with its yields, and all of them together. */
export type WeighedBatch = Common & WeighedState & { readonly whole: WholeYield };
/** A batch that is or was on the stove. */
export type CookedBatch = Exclude<StoredBatch, { readonly state: 'planned' }>;

/** A batch is planned, cooking or weighed; only a weighed one has a yield, and a planned one has nothing frozen. */
export type StoredBatch =
  | (Common & Extract<BatchState, { state: 'planned' }>)
  | (Common & Extract<BatchState, { state: 'cooking' }>)
  | WeighedBatch;

/** The meals that a batch's recipe fills. */
function fillingOf(entry: PlanEntry, recipeId: number): Filling {
  const batches = entry.batches.map(({ recipeId: id, meals, share: said }) => {
    const read = readShare(said);
    if (!read.ok) throw new Error(`a plan was kept with a share of ${said}`);
    return { recipeId: id, meals, share: read.value };
  });
  return { batches, batch: entry.batches.findIndex((each) => each.recipeId === recipeId) };
}

/** One batch as far as it has come; undefined where there is none or its plan was dropped. Throws `Unreadable`. */
export async function readBatch(tx: Tx, id: number, factors: EnergyFactors): Promise<StoredBatch | undefined> {
  const [row] = await tx
    .select({
      batch: {
        id: batch.id,
        versionId: batch.versionId,
        scale: batch.scale,
        amounts: batch.amounts,
        loads: batch.loads,
        swaps: batch.swaps,
        createdAt: batch.createdAt,
        revision: batch.revision,
      },
      parentId: batch.parentId,
      byProduct: batch.byProduct,
      plan,
      number: recipeVersion.number,
      recipeId: recipe.id,
      recipeName: recipe.name,
      letter: recipe.letter,
    })
    .from(batch)
    .innerJoin(plan, eq(plan.id, batch.planId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(and(eq(batch.id, id), isNull(batch.droppedAt)));
  if (!row) return undefined;
  const dogs = await tx
    .select({ dogId: planDog.dogId })
    .from(planDog)
    .where(eq(planDog.planId, row.plan.id))
    .orderBy(asc(planDog.dogId));
  const state = foldBatch(await readBatchHistory(tx, id), factors);
  if (!state.ok) throw new Unreadable(unreadBatch(id, nameOfBatch(row), state.problem.message));
  const entry = row.plan.entry;
  if (isUnread(entry)) throw new Unreadable({ kind: 'plan', id: row.plan.id, name: row.recipeName, why: entry.why });
  const common: Common = {
    ...row.batch,
    loads: row.batch.loads ?? [],
    swaps: row.batch.swaps ?? undefined,
    versionNumber: row.number,
    recipeId: row.recipeId,
    recipeName: nameOfBatch(row),
    parentId: row.parentId ?? undefined,
    letter: row.letter,
    planId: row.plan.id,
    filling: fillingOf(entry, row.recipeId),
    firstDay: row.plan.firstDay,
    days: row.plan.days,
    // Nobody is fed a by-product by the plan.
    dogIds: row.byProduct ? [] : dogs.map((each) => each.dogId),
  };
  return state.value.state === 'weighed'
    ? { ...common, ...state.value, whole: wholeOf(state.value.yields) }
    : { ...common, ...state.value };
}

/** The same for those who look at many: one that cannot be read is left out, and said where it is listed. */
export const readBatchIfReadable = (...asked: Parameters<typeof readBatch>): Promise<StoredBatch | undefined> =>
  unlessUnread(readBatch(...asked));

/** A batch as a list shows it: no evidence is read for it. */
export interface ListedBatch {
  readonly id: number;
  readonly planId: number;
  readonly recipeId: number;
  readonly recipeName: string;
  readonly parentId: number | undefined;
  readonly state: BatchState['state'];
  readonly open: boolean;
  readonly summary: BatchSummary | undefined;
  /** Its figures cannot be read. */
  readonly unread: CannotBeRead | undefined;
  readonly createdAt: Date;
  readonly startedAt: Date | undefined;
  /** What its version notes for the next time. */
  readonly note: string | undefined;
  readonly firstDay: LocalDate;
  readonly days: number;
  readonly dogIds: readonly number[];
}

/** The batches that were not dropped, newest first; the open ones alone, or with those begun lately, or so many. */
export async function readBatchList(
  tx: Tx,
  of: {
    readonly id?: number;
    readonly open?: true;
    /** Beside the open ones: begun since, whether open or not. */
    readonly orStartedSince?: Date;
    readonly limit?: number;
    readonly from?: number;
  } = {},
): Promise<ListedBatch[]> {
  const query = tx
    .select({
      id: batch.id,
      planId: batch.planId,
      recipeId: recipe.id,
      recipeName: recipe.name,
      parentId: batch.parentId,
      byProduct: batch.byProduct,
      state: batch.state,
      open: batch.open,
      summary: batch.summary,
      createdAt: batch.createdAt,
      startedAt: batch.startedAt,
      note: recipeVersion.note,
      firstDay: plan.firstDay,
      days: plan.days,
    })
    .from(batch)
    .innerJoin(plan, eq(plan.id, batch.planId))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(
      and(
        isNull(batch.droppedAt),
        // Sealed, a pot may still be cooling.
        of.open
          ? or(eq(batch.open, true), of.orStartedSince ? gt(batch.startedAt, of.orStartedSince) : undefined)
          : undefined,
        of.id === undefined ? undefined : eq(batch.id, of.id),
      ),
    )
    .orderBy(desc(batch.id));
  const rows = of.limit === undefined ? await query : await query.limit(of.limit).offset(of.from ?? 0);
  if (rows.length === 0) return [];
  const dogs = await tx
    .select({ planId: planDog.planId, dogId: planDog.dogId })
    .from(planDog)
    .where(
      inArray(
        planDog.planId,
        rows.map((row) => row.planId),
      ),
    )
    .orderBy(asc(planDog.dogId));
  return rows.map((row) => ({
    ...row,
    recipeName: nameOfBatch(row),
    parentId: row.parentId ?? undefined,
    summary: ifRead(row.summary),
    unread: isUnread(row.summary) ? unreadBatch(row.id, nameOfBatch(row), 'its figures') : undefined,
    startedAt: row.startedAt ?? undefined,
    note: row.note ?? undefined,
    dogIds: dogs.filter((entry) => row.byProduct === null && entry.planId === row.planId).map((entry) => entry.dogId),
  }));
}

/** One batch as the list shows it. */
export const readListedBatch = async (tx: Tx, id: number): Promise<ListedBatch | undefined> =>
  (await readBatchList(tx, { id }))[0];

/** What was kept of a batch and is one of its own by now. */
export const readByProducts = async (tx: Tx, parentId: number) =>
  (
    await tx
      .select({ id: batch.id, byProduct: batch.byProduct, recipeName: recipe.name, summary: batch.summary })
      .from(batch)
      .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
      .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
      .where(and(eq(batch.parentId, parentId), isNull(batch.droppedAt)))
  ).map((row) => ({ ...row, summary: ifRead(row.summary), recipeName: nameOfBatch(row) }));

/** The latest batch of each recipe of which all was weighed, by the recipe's id: by-products and half a pot say nothing of its food. */
export async function readLatestPots(tx: Tx, recipeIds?: readonly number[]): Promise<Map<number, number>> {
  const rows = await tx
    .select({ recipeId: recipeVersion.recipeId, id: sql<number>`max(${batch.id})::int` })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(
        eq(batch.state, 'weighed'),
        isNull(batch.droppedAt),
        isNull(batch.parentId),
        sql`${batch.summary}->'whole' is not null`,
        recipeIds ? inArray(recipeVersion.recipeId, [...recipeIds]) : undefined,
      ),
    )
    .groupBy(recipeVersion.recipeId);
  return new Map(rows.map((row) => [row.recipeId, row.id]));
}
