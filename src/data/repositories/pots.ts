import 'server-only';
import { and, asc, desc, eq, inArray, isNull, lte, sql } from 'drizzle-orm';
import type { Learned } from '@/core/cook/learned';
import { observationKey } from '@/core/learned/figure';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { recipeVersion } from '../schema/recipes';
import { readStruck } from './struck';

/** How many weighed pots back a kitchen's yield is looked at; older habits fade (common practice, no source). */
export const POTS_BACK = 12;

/** What one cook day taught, with where. */
export interface TaughtDay {
  readonly batchId: number;
  readonly recipeId: number;
  readonly startedAt: Date | null;
  readonly learned: Learned;
}

/** What the cook days of this kitchen taught, newest first, with what was struck out. */
export const readTaughtDays = async (tx: Tx): Promise<TaughtDay[]> =>
  tx
    .select({
      batchId: batch.id,
      recipeId: recipeVersion.recipeId,
      startedAt: batch.startedAt,
      learned: sql<Learned>`${batch.summary}->'learned'`,
    })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(isNull(batch.droppedAt), isNull(batch.parentId), sql`jsonb_typeof(${batch.summary}->'learned') = 'object'`),
    )
    .orderBy(desc(batch.id))
    .limit(DAYS_BACK);

/** What counts of what the cook days taught, newest first; of one recipe those of its own, as many as count. */
export async function readLearned(
  tx: Tx,
): Promise<{ readonly all: readonly Learned[]; readonly of: (recipeId: number) => readonly Learned[] }> {
  const taught = await readTaughtDays(tx);
  const struck = await readStruck(tx);
  const rows = taught.map(({ batchId, recipeId, learned: { cooked, cooled } }) => ({
    recipeId,
    learned: {
      cooked: cooked.filter(({ name }) => !struck.has(observationKey('cooked', batchId, name))),
      cooled: cooled.filter((_, index) => !struck.has(observationKey('cooled', batchId, index))),
    },
  }));
  return {
    all: rows.map((row) => row.learned),
    of: (recipeId) =>
      rows
        .filter((row) => row.recipeId === recipeId)
        .slice(0, POTS_BACK)
        .map((row) => row.learned),
  };
}
/** How many cook days back are looked at for all recipes together (ours, no source). */
const DAYS_BACK = 120;

/** A number of the summary; null where it is not there, or is no number. */
const numberIn = (key: 'inPot' | 'whole') =>
  sql<
    number | null
  >`case when jsonb_typeof(${batch.summary}->${sql.raw(`'${key}'`)}) = 'number' then (${batch.summary}->>${sql.raw(`'${key}'`)})::float8 end`;

/** A pot that was weighed on a scale: what was there of each g that went in. */
export interface WeighedPot {
  readonly batchId: number;
  readonly recipeId: number;
  readonly startedAt: Date | null;
  readonly part: number;
}

/**
 * The pots that were weighed on a scale, by recipe and newest first, with those that were struck out. A yield that was counted in cups
 * is an estimate and teaches nothing.
 */
export async function readWeighedPots(tx: Tx, recipeIds: readonly number[]): Promise<WeighedPot[]> {
  if (recipeIds.length === 0) return [];
  const numbered = tx.$with('numbered').as(
    tx
      .select({
        batchId: sql<number>`${batch.id}`.as('batch_id'),
        startedAt: sql<Date | null>`${batch.startedAt}`.mapWith(batch.startedAt).as('started'),
        recipeId: recipeVersion.recipeId,
        // A summary names every food; two figures of it are wanted.
        inPot: numberIn('inPot').as('in_pot'),
        whole: numberIn('whole').as('whole'),
        estimated: sql<boolean | null>`${batch.summary}->'estimated' = 'true'::jsonb`.as('estimated'),
        place: sql<number>`row_number() over (partition by ${recipeVersion.recipeId} order by ${batch.id} desc)`.as(
          'place',
        ),
      })
      .from(batch)
      .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
      .where(
        and(
          inArray(recipeVersion.recipeId, [...recipeIds]),
          eq(batch.state, 'weighed'),
          isNull(batch.droppedAt),
          isNull(batch.parentId),
        ),
      ),
  );
  // Counted pots are left out below, and struck ones where they are asked for: twice as many are looked at.
  const rows = await tx
    .with(numbered)
    .select()
    .from(numbered)
    .where(lte(numbered.place, POTS_BACK * 2))
    .orderBy(asc(numbered.place));
  return rows.flatMap(({ batchId, recipeId, startedAt, inPot, whole, estimated }) =>
    whole === null || inPot === null || estimated || !(inPot > 0)
      ? []
      : [{ batchId, recipeId, startedAt, part: Math.min(1, whole / inPot) }],
  );
}

/** Of each weighed pot that counts, what was there of each g that went in, by recipe and newest first. */
export async function readPots(tx: Tx, recipeIds: readonly number[]): Promise<Map<number, number[]>> {
  const weighed = await readWeighedPots(tx, recipeIds);
  const struck = weighed.length > 0 ? await readStruck(tx) : new Set<string>();
  const pots = new Map<number, number[]>();
  for (const { batchId, recipeId, part } of weighed) {
    const own = pots.get(recipeId) ?? [];
    if (own.length >= POTS_BACK || struck.has(observationKey('pot', batchId))) continue;
    pots.set(recipeId, [...own, part]);
  }
  return pots;
}
