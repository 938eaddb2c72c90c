import { daysBetween, type LocalDate } from '../calendar/local-date';
import type { Transition } from './dog';

export const TRANSITION_DAYS = { shortest: 7, longest: 10 } as const;

/**
 * The part of the day's food that is the new one: a quarter, a half, three quarters, all, over 7 to 10 days.
 * 1 before and after. Source: common practice, no source.
 */
export function newFoodPart(transition: Transition | undefined, day: LocalDate): number {
  if (!transition) return 1;
  const since = daysBetween(transition.starts, day);
  if (since < 0 || since >= transition.days) return 1;
  return (Math.floor((since * 4) / transition.days) + 1) / 4;
}
