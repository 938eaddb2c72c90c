import type { CookedComponent } from '../batch/evidence';
import { ringsAt, type CookDay } from './cook-day';
import { nth } from '../sure';

/** A batch at the stove, as another one that wants its vessels looks at it. */
export interface AtTheStove {
  readonly name: string;
  readonly components: readonly CookedComponent[];
  /** undefined: its cooking has not begun. */
  readonly day: Pick<CookDay, 'tasks'> | undefined;
}

/** A vessel that two batches are given, and there are not so many of it. */
export interface SharedVessel {
  readonly vessel: string;
  /** The other batch. */
  readonly with: string;
  /** It stands in it now. */
  readonly isIn: boolean;
  /** When its timer rings; undefined: none runs. */
  readonly until: Date | undefined;
}

/** Whether two are called the same: what began before may have the recipe's words for it. */
const isSame = (a: string | undefined, b: string) => a?.trim().toLowerCase() === b.trim().toLowerCase();

/** How many vessels of a component are still asked for, and whether something stands in one of them. */
function asked({ components, day }: AtTheStove, place: number) {
  const component = nth(components, place);
  const most = component.vessels ?? 1;
  if (!day) return { count: Math.min(component.loads, most), isIn: false, until: undefined };
  const tasks = day.tasks.filter((task) => task.component === place && task.in);
  const open = new Set(
    tasks.flatMap((task) => (task.state === 'done' || task.state === 'skipped' ? [] : [task.in?.load])),
  );
  const running = tasks.flatMap((task) => (task.state === 'running' ? [ringsAt(task.timer)] : []));
  return {
    count: Math.min(open.size, most),
    isIn: tasks.some((task) => open.has(task.in?.load) && task.state !== 'open'),
    until: running.sort((a, b) => b.getTime() - a.getTime())[0],
  };
}

/**
 * The vessels that a batch still asks for while another one stands in them, or is to: each cook day is planned for itself, and one
 * stockpot cooks one dish at a time. Takes the batch and the others that are at the stove. Source: arithmetic.
 */
export function sharedVessels(own: AtTheStove, others: readonly AtTheStove[]): SharedVessel[] {
  return own.components.flatMap(({ vessel, vessels = 1 }, place) => {
    const mine = asked(own, place);
    if (vessel === undefined || mine.count === 0) return [];
    return others.flatMap((other) =>
      other.components.flatMap((component, at): SharedVessel[] => {
        if (!isSame(component.vessel, vessel)) return [];
        const theirs = asked(other, at);
        if (theirs.count === 0 || mine.count + theirs.count <= vessels) return [];
        return [{ vessel, with: other.name, isIn: theirs.isIn, until: theirs.until }];
      }),
    );
  });
}
