import { refused, fine, type Outcome } from '../problem';

const CLOCK = /^\s*(\d{1,2})[:.](\d{2})\s*$/;
const DAY = 24 * 60;

/** When to begin so that it is done at a clock. */
export interface BeginBy {
  /** "14:40". */
  readonly clock: string;
  /** Days before that on which it is. */
  readonly daysBefore: number;
}

/**
 * Works a cook day backwards from when it is to be done: takes "18:00" and how many minutes it takes. Refuses what is no time of
 * the clock. Source: arithmetic.
 */
export function beginBy(done: string, minutes: number): Outcome<BeginBy> {
  const read = CLOCK.exec(done);
  const [hours, minute] = [Number(read?.[1]), Number(read?.[2])];
  if (!read || hours > 23 || minute > 59) return refused('A time of the clock, such as 18:00.');
  const at = hours * 60 + minute - Math.ceil(minutes);
  const daysBefore = Math.max(0, Math.ceil(-at / DAY));
  const within = at + daysBefore * DAY;
  const two = (value: number) => String(value).padStart(2, '0');
  return fine({ clock: `${two(Math.floor(within / 60))}:${two(within % 60)}`, daysBefore });
}
