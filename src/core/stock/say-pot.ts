import { daysBetween, weekdayName, writeDay, type LocalDate } from '../calendar/local-date';

/** The mark of food whose heat or cooling was not proven, wherever it is seen. */
export const UNPROVEN = 'heat not proven';

/**
 * A pot as a cook speaks of it: "today's venison pot", "Sunday's venison pot" within the week, "the venison pot of
 * Wed 4 Nov" before that; marked where its heat was not proven. Takes the word of its protein and the
 * day it was cooked; undefined: nobody knows.
 */
export function sayPot(protein: string, cookedOn: LocalDate | undefined, today: LocalDate, unproven = false): string {
  const mark = unproven ? `, ${UNPROVEN}` : '';
  if (cookedOn === undefined) return `a ${protein} pot that nobody can date${mark}`;
  const ago = daysBetween(cookedOn, today);
  if (ago === 0) return `today’s ${protein} pot${mark}`;
  if (ago === 1) return `yesterday’s ${protein} pot${mark}`;
  return ago > 1 && ago < 7
    ? `${weekdayName(cookedOn)}’s ${protein} pot${mark}`
    : `the ${protein} pot of ${writeDay(cookedOn, today)}${mark}`;
}
