import 'server-only';
import { STEPS } from '@/core/batch/steps';
import { densityIn, type BatchSummary } from '@/core/batch/summary';
import { dayIn, writeDay } from '@/core/calendar/local-date';
import { countOf } from '@/core/quantity/count-words';
import { writeDensity, writeSumIn } from '@/core/quantity/write';
import type { Protein } from '@/core/recipe/protein';
import { pageQuery, readProteins, type Page } from '@/data/page';
import { readBatchList, type ListedBatch } from '@/data/repositories/batches';
import { readDogs, type StoredDog } from '@/data/repositories/dogs';

/** Up to four dogs by name, a pack of them by number. */
export const whom = (dogs: readonly StoredDog[]) =>
  dogs.length > 4 ? `${dogs.length} dogs` : dogs.map((dog) => dog.name).join(', ');

export interface BatchRow {
  readonly id: number;
  readonly name: string;
  /** "planned", "in the pot". */
  readonly state: string;
  readonly said: string;
  readonly protein: Protein;
  readonly day: string;
}

/** So many batches stand in the list at once. */
const ROWS = 40;

/** The batches, newest first, so many from `from` on; one more says that there are more. */
export const batchRows = pageQuery(
  async (read, from: number = 0): Promise<{ readonly rows: BatchRow[]; readonly more: boolean }> => {
    const proteins = await readProteins(read);
    const dogs = await readDogs(read.db);
    const found = await readBatchList(read.db, { limit: ROWS + 1, from });
    return {
      more: found.length > ROWS,
      rows: found.slice(0, ROWS).map((batch) => ({
        id: batch.id,
        name: batch.recipeName,
        state: batch.state === 'planned' ? STEPS[0].listed : stepOf(batch.summary).listed,
        said: saidOf(batch, dogs, read),
        protein: proteins.get(batch.recipeId) ?? { word: 'plants', hatch: 'bricks' },
        day: writeDay(dayIn(batch.startedAt ?? batch.createdAt, read.household.timeZone), read.today),
      })),
    };
  },
);

const stepOf = (summary: BatchSummary | undefined) => STEPS.find((step) => step.key === summary?.step) ?? STEPS[0];

function saidOf(batch: ListedBatch, dogs: readonly StoredDog[], { household, today }: Page): string {
  const eaters = whom(dogs.filter((dog) => batch.dogIds.includes(dog.id)));
  const forWhom = `${eaters}, ${countOf(batch.days, 'day')} from ${writeDay(batch.firstDay, today)}`;
  const { summary } = batch;
  const density = densityIn(summary, household.energyFactors);
  const next = summary?.next === undefined ? '' : ` · ${summary.next}`;
  if (summary?.net === undefined || density === undefined) return `for ${forWhom}${next}`;
  return `${writeSumIn(summary.net, household.unitSet)} at ${writeDensity(density)} kcal/g for ${forWhom}${next}`;
}
