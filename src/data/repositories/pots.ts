import 'server-only';
import { and, asc, desc, eq, inArray, isNull, lte, sql } from 'drizzle-orm';
import type { Learned } from '@/core/cook/learned';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { recipeVersion } from '../schema/recipes';

/** How many weighed pots back a kitchen's yield is looked at; older habits fade (common practice, no source). */
const POTS_BACK = 12;

/** What the cook days of this kitchen taught, newest first; of one recipe those of its own, as many as count. */
export async function readLearned(
  tx: Tx,
): Promise<{ readonly all: readonly Learned[]; readonly of: (recipeId: number) => readonly Learned[] }> {
  const rows = await tx
    .select({ recipeId: recipeVersion.recipeId, learned: sql<Learned>`${batch.summary}->'learned'` })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(isNull(batch.droppedAt), isNull(batch.parentId), sql`jsonb_typeof(${batch.summary}->'learned') = 'object'`),
    )
    .orderBy(desc(batch.id))
    .limit(DAYS_BACK);
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

/**
 * Of each pot that was weighed on a scale, what was there of each g that went in, by recipe and newest first. A yield
 * that was counted in cups is an estimate and teaches nothing.
 */
export async function readPots(tx: Tx, recipeIds: readonly number[]): Promise<Map<number, number[]>> {
  const pots = new Map<number, number[]>();
  if (recipeIds.length === 0) return pots;
  const numbered = tx.$with('numbered').as(
    tx
      .select({
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
  // Counted pots are left out below: twice as many are looked at.
  const rows = await tx
    .with(numbered)
    .select()
    .from(numbered)
    .where(lte(numbered.place, POTS_BACK * 2))
    .orderBy(asc(numbered.place));
  for (const { recipeId, inPot, whole, estimated } of rows) {
    const own = pots.get(recipeId) ?? [];
    if (whole === null || inPot === null || estimated || !(inPot > 0) || own.length >= POTS_BACK) continue;
    pots.set(recipeId, [...own, Math.min(1, whole / inPot)]);
  }
  return pots;
}
