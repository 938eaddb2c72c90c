import 'server-only';
import { minutesAfter } from '@/core/calendar/minutes';
import { ringsAt } from '@/core/cook/cook-day';
import { nameOfCooking } from '@/core/cook/tasks';
import { isWatched, WARM_HOURS } from '@/core/heat/warm-pans';
import { writeHours } from '@/core/preserve/drying-words';
import { writeTemperature } from '@/core/quantity/temperature';
import type { UnitSet } from '@/core/quantity/units';
import { pageQuery } from '@/data/page';
import { readBatchIfReadable, readBatchList } from '@/data/repositories/batches';
import { freezerNow } from '@/devices/machines-now';

/** A timer that runs, of whichever batch. */
export interface RunningTimer {
  /** Where it is looked after. */
  readonly href: string;
  readonly key: string;
  /** "stockpot, load 2 of 3". */
  readonly name: string;
  readonly recipe: string;
  /** ms until it rings; below 0 it rang so long ago. */
  readonly left: number;
  /** It is no timer but something that is wrong, in words. */
  readonly alarm?: string;
}

/** Every timer that runs in this house, the next to ring first. */
export const runningTimers = pageQuery(async ({ db, household, now }): Promise<RunningTimer[]> => {
  const open = (await readBatchList(db, { open: true, orStartedSince: minutesAfter(now, -WARM_HOURS * 60) })).filter(
    ({ state, summary }) =>
      state === 'cooking' || (state === 'weighed' && summary?.warm?.some((pan) => isWatched(pan, now).is)),
  );
  const running: RunningTimer[] = [];
  for (const { id, recipeName } of open) {
    const batch = await readBatchIfReadable(db, id, household.energyFactors);
    if (!batch || batch.state === 'planned') continue;
    for (const { key, name, timer } of batch.pans)
      if (timer)
        running.push({
          href: `/batches/${id}?step=cool`,
          key: `pan ${key}`,
          name: `${name}: measure it`,
          recipe: recipeName,
          left: ringsAt(timer).getTime() - now.getTime(),
        });
    if (batch.state !== 'cooking') continue;
    for (const task of batch.day.tasks)
      if (task.state === 'running')
        running.push({
          href: `/batches/${id}`,
          key: task.key,
          name: nameOfCooking(task),
          recipe: recipeName,
          left: ringsAt(task.timer).getTime() - now.getTime(),
        });
  }
  return [...running, ...freezerAlarm(household.unitSet)].sort((a, b) => a.left - b.left);
});

const HOUR = 3_600_000;

/** A freezer that has been too warm for long rings like a timer that is up. */
function freezerAlarm(set: UnitSet): RunningTimer[] {
  const watch = freezerNow(Date.now());
  if (watch?.is !== 'alarm') return [];
  return [
    {
      href: '/household/instruments',
      key: 'freezer',
      name: 'the freezer',
      recipe: 'Look',
      left: -watch.warmFor * HOUR,
      alarm: `${writeTemperature(watch.celsius, set)} for ${writeHours(watch.warmFor)}`,
    },
  ];
}
