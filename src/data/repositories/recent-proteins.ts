import 'server-only';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import type { Protein } from '@/core/recipe/protein';
import { mainProtein, nextRun, type ProteinRun } from '@/core/stock/rotation';
import type { Tx } from '../database';
import { readRecipesOfBatches } from './batch-recipes';
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
  const recipes = await readRecipesOfBatches(tx, ids);
  const wordOf = (batchId: number | undefined) => proteins.get(recipes.get(batchId ?? 0)?.recipeId ?? 0)?.word;
  const mainOn = (dogId: number, day: LocalDate): string | undefined =>
    mainProtein(
      eaten.flatMap((part) =>
        part.dogId === dogId && part.day === day ? [{ kcal: part.kcal, protein: wordOf(part.batchId) }] : [],
      ),
    );
  return new Map(
    [...new Set(eaten.map(({ dogId }) => dogId))].map((dogId): [number, RecentProtein] => {
      let run: ProteinRun | undefined;
      for (let day = from; day < today; day = addDays(day, 1)) run = nextRun(run, mainOn(dogId, day));
      return [dogId, { run, today: mainOn(dogId, today) }];
    }),
  );
}
