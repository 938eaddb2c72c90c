import 'server-only';
import { ringsAt } from '@/core/cook/cook-day';
import { nameOfCooking } from '@/core/cook/tasks';
import { pageQuery } from '@/data/page';
import { readBatch, readBatchList } from '@/data/repositories/batches';

/** A timer that runs, of whichever batch. */
export interface RunningTimer {
  readonly batchId: number;
  readonly key: string;
  /** "stockpot, load 2 of 3". */
  readonly name: string;
  readonly recipe: string;
  /** ms until it rings; below 0 it rang so long ago. */
  readonly left: number;
}

/** Every timer that runs in this house, the next to ring first. */
export const runningTimers = pageQuery(async ({ db, household, now }): Promise<RunningTimer[]> => {
  const open = (await readBatchList(db, { open: true })).filter((batch) => batch.state === 'cooking');
  const running: RunningTimer[] = [];
  for (const { id, recipeName } of open) {
    const batch = await readBatch(db, id, household.energyFactors);
    if (batch?.state !== 'cooking') continue;
    for (const task of batch.day.tasks)
      if (task.state === 'running')
        running.push({
          batchId: id,
          key: task.key,
          name: nameOfCooking(task),
          recipe: recipeName,
          left: ringsAt(task.timer).getTime() - now.getTime(),
        });
  }
  return running.sort((a, b) => a.left - b.left);
});
