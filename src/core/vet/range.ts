import { z } from 'zod';
import { addDays, daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { CommandResult, Problem } from '../problem';

/** The days that the pages are made of, as they stand in the address. */
export const vetRangeSchema = z.object({ from: z.string().max(20).default(''), to: z.string().max(20).default('') });

/** Days that are asked for where nobody says (six weeks: ours, no source), and at the most. */
export const USUAL_DAYS = 42;
const MOST_DAYS = 366;

export interface VetRange {
  readonly from: LocalDate;
  readonly to: LocalDate;
}

/** Reads the days; nothing said is the six weeks to today. Each problem at its field. */
export function readVetRange(asked: z.infer<typeof vetRangeSchema>, today: LocalDate): CommandResult<VetRange> {
  const to = asked.to === '' ? today : readLocalDate(asked.to);
  const from = asked.from === '' ? to && addDays(to, 1 - USUAL_DAYS) : readLocalDate(asked.from);
  const problems: Problem[] = [];
  const say = (field: string, message: string) => problems.push({ field, message });
  if (from === undefined) say('from', 'From which day? Write it as YYYY-MM-DD.');
  if (to === undefined) say('to', 'To which day? Write it as YYYY-MM-DD.');
  else if (to > today) say('to', 'This day has not been yet.');
  if (from !== undefined && to !== undefined && problems.length === 0) {
    if (from > to) say('from', 'The first day comes after the last one.');
    else if (daysBetween(from, to) >= MOST_DAYS) say('from', 'A year at the most: choose a later first day.');
  }
  return from === undefined || to === undefined || problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: { from, to } };
}
