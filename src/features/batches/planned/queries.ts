import 'server-only';
import { takeOf } from '@/core/batch/evidence';
import { scheduleTasks } from '@/core/cook/schedule';
import { tasksOf } from '@/core/cook/tasks';
import { cooledHabits, plannedMinutes, type Habit } from '@/core/cook/learned';
import { AROUND } from '@/core/heat/pans';
import { scaledForKitchen } from '@/core/plan/rounding';
import { linesOfWeights, type ReckonedLine } from '@/core/recipe/bases';
import { sayWhatGoes } from '@/core/recipe/written';
import type { Page } from '@/data/page';
import type { StoredBatch } from '@/data/repositories/batches';
import { lotsOffered } from '../lots/queries';
import { readLearned } from '@/data/repositories/pots';
import { readPlannedLines } from '@/data/repositories/planned';
import { nth } from '@/core/sure';
import { sayHabit, writeMinutes } from '@/core/plan/stove';
import { countOf } from '@/core/quantity/count-words';
import { writeTemperature } from '@/core/quantity/temperature';
import type { UnitSet } from '@/core/quantity/units';
import { COOLING_LIMITS } from '@/core/heat/cooling';
import type { SheetLine } from '../view';

const sayCooked = (name: string, by: Habit) => `${name} cooks ${writeMinutes(by.mean)} by ${sayHabit(by)}`;
const sayCooled = ({ where, mean, spread, of }: ReturnType<typeof cooledHabits>[number], set: UnitSet) =>
  `${AROUND[where].words}, your pans come to ${writeTemperature(COOLING_LIMITS.first.celsius, set)} in ${writeMinutes(mean)}${spread === undefined ? '' : ` ± ${writeMinutes(spread)}`} (${countOf(of, 'pan')})`;

/** What a planned batch takes, line by line as it is weighed, and what of that stays in the food. */
export async function plannedLines(
  read: Page,
  batch: StoredBatch,
): Promise<{
  readonly lines: SheetLine[];
  readonly reckoned: readonly ReckonedLine[];
  readonly dayMinutes: number | undefined;
  readonly habits: readonly string[];
  readonly uncounted: readonly string[];
}> {
  const { db, reference, household } = read;
  const { written: lines, bought, takes, components, uncounted } = await readPlannedLines(db, reference, batch);
  const weighed = takes.map(({ written, bought: planned }) => ({ ...takeOf(written, planned), weighed: planned }));
  const learned = await readLearned(db);
  const own = learned.of(batch.recipeId);
  const timed = components.map((component) => ({ ...component, ...plannedMinutes(component, own) }));
  const day = scheduleTasks(
    tasksOf(
      weighed,
      timed.map(({ minutes, ...component }) => ({ ...component, ...(minutes === undefined ? {} : { minutes }) })),
    ),
    1,
  );
  const kitchen = scaledForKitchen(
    takes.map((take) => take.written),
    takes.map((take) => take.bought),
    household.unitSet,
  );
  const house = await lotsOffered(
    read,
    takes.map(({ written }) => written.source.food.ndb),
  );
  return {
    lines: takes.map(({ written, bought }, index) => ({
      house: house.get(written.source.food.ndb) ?? [],
      line: index,
      name: written.text,
      grams: bought * (1 - written.refuse),
      toWeigh: bought,
      measure: nth(kitchen, index).byWeight ? undefined : nth(kitchen, index).measure,
      note: sayWhatGoes(written),
      moment: written.moment,
      part: written.part,
    })),
    uncounted: uncounted.map(({ text }) => text),
    reckoned: linesOfWeights(lines, bought),
    dayMinutes: day.ok ? day.value.end : undefined,
    habits: [
      ...timed.flatMap(({ name, by }) => (by ? [sayCooked(components.length > 1 ? name : 'it', by)] : [])),
      ...cooledHabits(learned.all)
        .slice(0, 2)
        .map((each) => sayCooled(each, household.unitSet)),
    ],
  };
}
