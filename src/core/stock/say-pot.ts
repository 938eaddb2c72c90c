import { daysBetween, weekdayName, writeDay, type LocalDate } from '../calendar/local-date';

/**
 * A pot as a cook speaks of it: "today's venison pot", "Sunday's venison pot" within the week, "the venison pot of
 * Wed 4 Nov" before that. Takes the word of its protein and the day it was cooked.
 */
export function sayPot(protein: string, cookedOn: LocalDate, today: LocalDate): string {
  const ago = daysBetween(cookedOn, today);
  if (ago === 0) return `today’s ${protein} pot`;
  if (ago === 1) return `yesterday’s ${protein} pot`;
  return ago > 1 && ago < 7
    ? `${weekdayName(cookedOn)}’s ${protein} pot`
    : `the ${protein} pot of ${writeDay(cookedOn, today)}`;
}
