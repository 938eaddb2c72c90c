import 'server-only';
import { asc, desc, eq, inArray, isNull, and, sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import type { PlanEntry } from '@/core/plan/plan-entry';
import type { FetchedFrom } from '@/core/plan/shopping';
import type { Tx } from '../database';
import { batch, plan, planItem } from '../schema/batches';
import { ifRead, isUnread } from '../schema/kept-json';
import { recipe, recipeVersion } from '../schema/recipes';
import type { CannotBeRead } from '@/core/unreadable';

export interface StoredPlan {
  readonly id: number;
  /** undefined: it cannot be read. */
  readonly entry: PlanEntry | undefined;
  readonly unread: CannotBeRead | undefined;
  readonly firstDay: LocalDate;
  readonly cookDay: LocalDate;
  readonly days: number;
  readonly batches: readonly {
    readonly id: number;
    readonly recipeName: string;
    readonly started: boolean;
  }[];
  /** Nothing of it was cooked yet: it may still be changed. */
  readonly open: boolean;
}

async function toPlans(tx: Tx, rows: readonly (typeof plan.$inferSelect)[]): Promise<StoredPlan[]> {
  if (rows.length === 0) return [];
  const batches = await tx
    .select({ id: batch.id, planId: batch.planId, startedAt: batch.startedAt, recipeName: recipe.name })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(
      and(
        inArray(
          batch.planId,
          rows.map((row) => row.id),
        ),
        isNull(batch.droppedAt),
        isNull(batch.parentId),
      ),
    )
    .orderBy(asc(batch.id));
  return rows.flatMap((row): StoredPlan[] => {
    const own = batches.filter((each) => each.planId === row.id);
    if (own.length === 0) return [];
    return [
      {
        id: row.id,
        entry: ifRead(row.entry),
        unread: isUnread(row.entry)
          ? {
              kind: 'plan',
              id: row.id,
              name: own.map(({ recipeName }) => recipeName).join(' and '),
              why: row.entry.why,
            }
          : undefined,
        firstDay: row.firstDay,
        cookDay: row.cookDay,
        days: row.days,
        batches: own.map(({ id, recipeName, startedAt }) => ({ id, recipeName, started: startedAt !== null })),
        open: own.every((each) => each.startedAt === null),
      },
    ];
  });
}

/** The newest plans that were not dropped, newest first. */
export const readPlans = async (tx: Tx, limit: number): Promise<StoredPlan[]> =>
  toPlans(tx, await tx.select().from(plan).orderBy(desc(plan.id)).limit(limit));

/** One plan; undefined where there is none or all of it was dropped. */
export const readStoredPlan = async (tx: Tx, id: number): Promise<StoredPlan | undefined> =>
  (await toPlans(tx, await tx.select().from(plan).where(eq(plan.id, id))))[0];

export interface StoredPlanItem {
  readonly foodKey: string;
  readonly fetchedFrom: FetchedFrom;
  readonly ticked: boolean;
  /** What came in by its tick. */
  readonly holdingId: number | undefined;
}

/** What has been said about a plan's list. */
export const readPlanItems = async (tx: Tx, planId: number): Promise<StoredPlanItem[]> =>
  (await tx.select().from(planItem).where(eq(planItem.planId, planId)).orderBy(asc(planItem.foodKey))).map(
    ({ foodKey, fetchedFrom, tickedAt, holdingId }) => ({
      foodKey,
      fetchedFrom,
      ticked: tickedAt !== null,
      holdingId: holdingId ?? undefined,
    }),
  );

/** The newest plans of which everything was put away before it was cooked. */
export const readPlansAway = (
  tx: Tx,
  limit: number,
): Promise<{ readonly id: number; readonly name: string; readonly firstDay: LocalDate }[]> =>
  tx
    .select({
      id: plan.id,
      firstDay: plan.firstDay,
      name: sql<string>`string_agg(${recipe.name}, ' and ' order by ${batch.id})`,
    })
    .from(plan)
    .innerJoin(batch, eq(batch.planId, plan.id))
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .innerJoin(recipe, eq(recipe.id, recipeVersion.recipeId))
    .where(isNull(batch.parentId))
    .groupBy(plan.id)
    .having(sql`bool_and(${batch.droppedAt} is not null)`)
    .orderBy(desc(plan.id))
    .limit(limit);
