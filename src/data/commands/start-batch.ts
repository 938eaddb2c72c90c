import 'server-only';
import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import { takeOf } from '@/core/batch/evidence';
import type { NewReading } from '@/core/batch/reading';
import type { StartEntry } from '@/core/batch/steps/weigh-out';
import { orderOf } from '@/core/cook/cook-day';
import { readBatchIfReadable } from '../repositories/batches';
import { readPlannedLines } from '../repositories/planned';
import { batch } from '../schema/batches';
import { recipeVersion } from '../schema/recipes';
import { batchIn, observe, refreshBatch } from './batch-at-hand';
import { takeLots } from './lot-uses';
import { refuse, type Context } from './run';
import { nth } from '@/core/sure';

/** More than a home kitchen cooks at once: a slip (common practice, no source). */
const MOST_GRAMS = 200_000;

/** Starts cooking: freezes the composition of each food as it is now, and writes down what really goes in. */
export async function startCooking(context: Context, input: StartEntry): Promise<void> {
  const { tx, now, reference } = context;
  const planned = await batchIn(context, input, ['planned']);
  const { takes, components } = await readPlannedLines(tx, reference, planned);
  if (input.grams.length !== takes.length) refuse('The recipe has changed under this page. Look again.');
  for (const [index, weight] of input.grams.entries()) checkLine(weight, `grams.${index}`);
  const order = await lastOrder(context, planned.recipeId);
  await tx
    .update(batch)
    .set({
      startedAt: now,
      evidence: {
        takes: takes.map(({ written, bought }) => takeOf(written, bought)),
        components,
        ...(order.length > 0 ? { order } : {}),
      },
    })
    .where(eq(batch.id, input.batchId));
  await observe(
    context,
    input.batchId,
    input.grams.flatMap((value, index): NewReading[] => {
      const text = input.lots?.[index]?.trim();
      return [
        { node: `line:${index}`, kind: 'gross', value },
        ...(text ? [{ node: `line:${index}`, kind: 'note', text } as const] : []),
        ...(input.frozen?.[index] ? [{ node: `line:${index}`, kind: 'frozen', value: 1 } as const] : []),
      ];
    }),
  );
  await takeLots(
    context,
    input.batchId,
    takes.map(({ written, bought }, line) => ({
      line,
      take: takeOf(written, bought),
      grams: nth(input.grams, line),
      named: input.from?.[line] ?? [],
    })),
  );
  await refreshBatch(context, input.batchId);
}

/** In which order things were taken apart the last time that a recipe was cooked. */
async function lastOrder({ tx, household }: Context, recipeId: number): Promise<string[]> {
  const [last] = await tx
    .select({ id: batch.id })
    .from(batch)
    .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
    .where(
      and(
        eq(recipeVersion.recipeId, recipeId),
        isNotNull(batch.startedAt),
        isNull(batch.parentId),
        isNull(batch.droppedAt),
      ),
    )
    .orderBy(desc(batch.id))
    .limit(1);
  const found = last && (await readBatchIfReadable(tx, last.id, household.energyFactors));
  return found && found.state !== 'planned' ? orderOf(found.day) : [];
}

/** Refuses a weight of a line that cannot be. */
export function checkLine(weight: number, field: string): void {
  if (!(weight > 0)) refuse('How much of this really went in? A weight above 0.', field);
  if (weight > MOST_GRAMS) refuse('That is more than a home kitchen cooks at once.', field);
}

/** Puts a planned batch away; what has been cooked stays. */
export async function dropBatch(context: Context, input: { batchId: number }): Promise<void> {
  await batchIn(context, input, ['planned']);
  await context.tx.update(batch).set({ droppedAt: context.now }).where(eq(batch.id, input.batchId));
}
