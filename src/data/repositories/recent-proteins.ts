import 'server-only';
import { eq, inArray } from 'drizzle-orm';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import type { Protein } from '@/core/recipe/protein';
import { nextRun, type ProteinRun } from '@/core/stock/rotation';
import type { Tx } from '../database';
import { batch } from '../schema/batches';
import { recipeVersion } from '../schema/recipes';
import { readEatenKcal } from './eaten-kcal';

/** What protein a dog has had in a row until yesterday, and what it had of today. */
export interface RecentProtein {
  readonly run: ProteinRun | undefined;
  readonly today: string | undefined;
}

/**
 * The proteins of each dog's last days, by its bowls; a day without a bowl ends a run. Asked for so many days back as matter: one more
 * than the household allows.
 */
export async function readRecentProteins(
  tx: Tx,
  today: LocalDate,
  most: number,
  proteins: ReadonlyMap<number, Protein>,
): Promise<ReadonlyMap<number, RecentProtein>> {
  const from = addDays(today, -most - 1);
  const eaten = await readEatenKcal(tx, from);
  const ids = [...new Set(eaten.flatMap(({ batchId }) => batchId ?? []))];
  const recipes = new Map(
    ids.length === 0
      ? []
      : (
          await tx
            .select({ id: batch.id, recipeId: recipeVersion.recipeId })
            .from(batch)
            .innerJoin(recipeVersion, eq(recipeVersion.id, batch.versionId))
            .where(inArray(batch.id, ids))
        ).map(({ id, recipeId }) => [id, recipeId] as const),
  );
  const wordOf = (batchId: number | undefined) => proteins.get(recipes.get(batchId ?? 0) ?? 0)?.word;
  const mainOn = (dogId: number, day: LocalDate): string | undefined => {
    const kcal = new Map<string, number>();
    for (const part of eaten) {
      const word = part.dogId === dogId && part.day === day ? wordOf(part.batchId) : undefined;
      if (word !== undefined) kcal.set(word, (kcal.get(word) ?? 0) + part.kcal);
    }
    return [...kcal].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]?.[0];
  };
  return new Map(
    [...new Set(eaten.map(({ dogId }) => dogId))].map((dogId): [number, RecentProtein] => {
      let run: ProteinRun | undefined;
      for (let day = from; day < today; day = addDays(day, 1)) run = nextRun(run, mainOn(dogId, day));
      return [dogId, { run, today: mainOn(dogId, today) }];
    }),
  );
}
