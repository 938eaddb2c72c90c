import { minutesBetween } from '../calendar/minutes';
import type { CookedComponent } from '../batch/evidence';
import { COOLING_LIMITS } from '../heat/cooling';
import { coolingOf } from '../heat/pan-cooling';
import type { PanState, Where } from '../heat/pans';
import { habitOf } from '../plan/predict';
import { addUp } from '../add-up';
import type { CookDay } from './cook-day';

/** What one cook day taught: how long each component cooked, and how fast its pans cooled. */
export interface Learned {
  /** Minutes of a load in the mean, by the component's name. */
  readonly cooked: readonly { readonly name: string; readonly minutes: number }[];
  /** Minutes from 57 to 21 °C by a pan's own curve, and Newton's constant per hour, by where it stood. */
  readonly cooled: readonly { readonly where: Where; readonly minutes: number; readonly k: number }[];
}

/** A figure of this kitchen: its mean, how far it spreads (from two on), and on how many it stands. */
export interface Habit {
  readonly mean: number;
  readonly spread: number | undefined;
  readonly of: number;
}

/** A day's habit takes the recipe's place in the plan from so many pots on (ours, no source). */
const ENOUGH = 2;

const mean = (values: readonly number[]) => addUp(values, (value) => value) / values.length;

/** How long each load of a component was on, in minutes, by its timers; what meat went into frozen says nothing of the usual. */
export const loadMinutes = (day: Pick<CookDay, 'tasks'>, component: number): number[] =>
  day.tasks.flatMap((task) =>
    task.kind === 'cook' && task.component === component && task.state === 'done' && task.timer && !task.frozen
      ? [minutesBetween(task.timer.startedAt, task.at)]
      : [],
  );

/**
 * What a cook day taught, for the next one's plan; undefined: nothing was timed or measured. A pan counts where it was read
 * twice or more and its curve comes to 21 °C. Source: arithmetic; Newton's law (handbook 8).
 */
export function learnedOf(
  components: readonly CookedComponent[],
  day: Pick<CookDay, 'tasks'>,
  pans: readonly PanState[],
): Learned | undefined {
  const cooked = components.flatMap(({ name }, component) => {
    const took = loadMinutes(day, component);
    return took.length > 0 && mean(took) >= 1 ? [{ name, minutes: mean(took) }] : [];
  });
  const cooled = pans.flatMap((pan) => {
    const { fit, begins } = coolingOf(pan);
    const at = fit?.crossing(COOLING_LIMITS.first.celsius)?.minutes;
    // What stood in two places says nothing of either.
    const [{ where }, moved] = pan.stretches;
    return fit && !moved && at !== undefined && at > begins ? [{ where, minutes: at - begins, k: fit.k * 60 }] : [];
  });
  return cooked.length + cooled.length === 0 ? undefined : { cooked, cooled };
}

const habit = (values: readonly number[]): Habit | undefined => {
  const { mean: middle, spread } = habitOf(values);
  return middle === undefined ? undefined : { mean: middle, spread, of: values.length };
};

/** How long a component took by this kitchen's pots of its recipe. */
export const cookedHabit = (days: readonly Learned[], name: string): Habit | undefined =>
  habit(days.flatMap(({ cooked }) => cooked.filter((each) => each.name === name).map((each) => each.minutes)));

/** How fast this kitchen's pans come from 57 to 21 °C, by where they stand, the most used first. */
export function cooledHabits(
  days: readonly Learned[],
): readonly (Habit & { readonly where: Where; readonly k: number })[] {
  const all = days.flatMap(({ cooled }) => cooled);
  return [...new Set(all.map(({ where }) => where))]
    .flatMap((where) => {
      const own = all.filter((each) => each.where === where);
      const found = habit(own.map(({ minutes }) => minutes));
      return found ? [{ ...found, where, k: mean(own.map(({ k }) => k)) }] : [];
    })
    .sort((a, b) => b.of - a.of);
}

/** A component's minutes as the plan takes them, and on how many pots they stand; none: on the recipe. */
export function plannedMinutes(
  { name, minutes }: { readonly name: string; readonly minutes?: number },
  days: readonly Learned[],
): { readonly minutes: number | undefined; readonly by?: Habit } {
  const by = cookedHabit(days, name);
  return by && (by.of >= ENOUGH || minutes === undefined) ? { minutes: Math.round(by.mean), by } : { minutes };
}
