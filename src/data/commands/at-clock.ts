import 'server-only';
import { addDays, instantAt } from '@/core/calendar/local-date';
import { refuse, type Context } from './run';

const MINUTE = 60_000;

/** When something happened: now, or at a clock of the last day; never before `since`, never still to come. */
export function atClock(
  { now, today, household }: Context,
  clock: string | undefined,
  since: Date,
  began: string,
  field = 'clock',
): Date {
  if (clock === undefined || clock.trim() === '') return now;
  const padded = clock.trim().replace('.', ':').padStart(5, '0');
  const [hours = 24, minutes = 60] = padded.split(':').map(Number);
  if (!/^\d{2}:\d{2}$/.test(padded) || hours > 23 || minutes > 59)
    return refuse('A time of the clock, such as 11:57.', field);
  const at = instantAt(today, padded, household.timeZone);
  if (at.getTime() <= now.getTime() + MINUTE) {
    if (at.getTime() < since.getTime() - MINUTE) refuse(`That is before ${began}. Check the time.`, field);
    return at > now ? now : at;
  }
  // Past midnight "23:50" was yesterday, where it had begun by then.
  const yesterday = instantAt(addDays(today, -1), padded, household.timeZone);
  return yesterday.getTime() >= since.getTime() - MINUTE
    ? yesterday
    : refuse('That is still to come. Check the time.', field);
}
