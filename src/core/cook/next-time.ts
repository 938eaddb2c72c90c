import type { CookDay } from './cook-day';
import { loadMinutes } from './learned';

/** What a cook day taught about one component: how long it cooked, and how long the recipe says. */
export interface CookedFor {
  readonly component: number;
  readonly name: string;
  /** By the recipe as it is now; undefined where nobody has written it down. */
  readonly said: number | undefined;
  /** Mean of its loads, in whole minutes, and how far they lie apart. */
  readonly minutes: number;
  readonly loads: number;
  readonly spread: number;
}

/** A time that is off by less than this part, and by less than so many minutes, is the recipe's own (ours, no source). */
const OFF = { part: 0.1, minutes: 3 } as const;

/** Whether minutes are others than those that are said; of what nobody said they are. Source: arithmetic. */
export const isOtherwise = (minutes: number, said: number | undefined): boolean =>
  said === undefined || Math.abs(minutes - said) >= Math.max(OFF.minutes, said * OFF.part);

/**
 * What is to be written into a recipe's next version: the components that cooked longer or shorter than it says, by the
 * timers of their loads. Takes the cook day, and of each component its name and the recipe's minutes as they are now.
 * Source: arithmetic.
 */
export function cookedOtherwise(
  day: Pick<CookDay, 'tasks'>,
  components: readonly { readonly name: string; readonly minutes?: number }[],
): CookedFor[] {
  return components.flatMap(({ name, minutes: said }, component): CookedFor[] => {
    const took = loadMinutes(day, component);
    if (took.length === 0) return [];
    const minutes = Math.round(took.reduce((sum, each) => sum + each, 0) / took.length);
    if (minutes < 1) return [];
    if (!isOtherwise(minutes, said)) return [];
    const spread = Math.round(Math.max(...took) - Math.min(...took));
    return [{ component, name, said, minutes, loads: took.length, spread }];
  });
}
