import type { Habit } from '../cook/learned';
import type { Explanation } from '../explanation';
import type { Outcome } from '../problem';
import type { Equipment } from './equipment';
import type { Loads } from './loads';
import { sure } from '../sure';

/** A component at the stove: its vessel, its loads and how long each takes. */
export interface AtStove {
  readonly name: string;
  readonly vessel: Equipment | undefined;
  readonly loads: Outcome<Loads> | undefined;
  readonly minutes: number | undefined;
  /** This kitchen's own pots say so: how many, and how far they spread. */
  readonly by?: Habit;
}

/** How long a plan keeps the cook at the stove. */
export interface StoveTime {
  /** Minutes; undefined where no component says its own. */
  readonly minutes: number | undefined;
  /** Components whose minutes nobody has written down. */
  readonly unknown: readonly string[];
  readonly explanation: Explanation;
}

/**
 * The time at the stove: in each vessel load after load, as many at once as there are of it; different vessels stand
 * side by side, so that the longest of them counts. Heating up and letting off steam come on top.
 *
 * Source: the recipe's own minutes; arithmetic.
 */
export function stoveTime(components: readonly AtStove[]): StoveTime {
  const known = components.filter((each) => each.minutes !== undefined);
  const byVessel = new Map<string, { minutes: number; sums: string[] }>();
  for (const { name, vessel, loads, minutes, by } of known) {
    const count = loads?.ok ? loads.value.loads : 1;
    const rounds = Math.ceil(count / (vessel && vessel.kind !== 'oven trays' ? vessel.count : 1));
    const key = vessel?.name ?? name;
    const own = byVessel.get(key) ?? { minutes: 0, sums: [] };
    byVessel.set(key, {
      minutes: own.minutes + rounds * sure(minutes),
      sums: [...own.sums, `${name}: ${rounds} × ${minutes} min${by ? ` (${sayHabit(by)})` : ''}`],
    });
  }
  const longest = Math.max(0, ...[...byVessel.values()].map((own) => own.minutes));
  return {
    minutes: known.length === 0 ? undefined : longest,
    unknown: components.filter((each) => each.minutes === undefined).map((each) => each.name),
    explanation: {
      title: known.length === 0 ? 'Nobody has written down how long it cooks' : `${longest} min at the stove`,
      steps: [...byVessel].map(([vessel, { minutes, sums }]) => ({
        what: vessel,
        sum: `${sums.join(' + ')} = ${minutes} min`,
      })),
      source:
        'The recipe’s own minutes, or those of your own pots of it from the second on. Vessels stand side by side; heating up and letting off steam come on top.',
    },
  };
}

/** "your last 3 pots, ± 4 min". */
export const sayHabit = ({ of, spread }: Pick<Habit, 'of' | 'spread'>): string =>
  `your last ${of === 1 ? 'pot' : `${of} pots`}${spread === undefined ? '' : `, ± ${writeMinutes(spread)}`}`;

/** Minutes as a cook says them: "4 h 10", "35 min". */
export function writeMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  return `${Math.floor(whole / 60)} h${whole % 60 === 0 ? '' : ` ${String(whole % 60).padStart(2, '0')}`}`;
}
