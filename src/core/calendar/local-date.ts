import { addMonths as addM, format, isValid, parseISO } from 'date-fns';
import { TZDate } from '@date-fns/tz';

declare const localDate: unique symbol;

/** A calendar day without a time zone, written 2026-11-25. */
export type LocalDate = string & { readonly [localDate]: true };

/** A day without a time is one of UTC (ECMAScript), where every day has 24 hours: the days ahead count them by the thousand. */
const DAY_MS = 86_400_000;

/** A day as date-fns writes it. */
const written = (day: Date) => format(day, 'yyyy-MM-dd') as LocalDate;

/** Reads a written day; undefined where it is no day of the calendar. */
export function readLocalDate(text: string): LocalDate | undefined {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return undefined;
  const day = parseISO(text);
  return isValid(day) && written(day) === text ? written(day) : undefined;
}

/** The day that it is at `instant` in the household's IANA time zone. */
export function dayIn(instant: Date, timeZone: string): LocalDate {
  return written(new TZDate(instant, timeZone));
}

/** The wall-clock time at `instant` in the household's zone, written 18:00. */
export function clockIn(instant: Date, timeZone: string): string {
  return format(new TZDate(instant, timeZone), 'HH:mm');
}

/** The instant at which a household's clock shows `clock` on `day`. */
export function instantAt(day: LocalDate, clock: string, timeZone: string): Date {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(new TZDate(year, month - 1, date, hour, minute, timeZone).getTime());
}

export const addDays = (day: LocalDate, days: number) =>
  new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10) as LocalDate;

/** The same day `months` later; the last day of a month that is too short. */
export const addMonths = (day: LocalDate, months: number) => written(addM(parseISO(day), months));

/** So many days a month has at the least: what keeps for months keeps so long from any day. */
export const SHORTEST_MONTH = 28;

/** Days from `from` to `to`; negative where `to` is earlier. */
export const daysBetween = (from: LocalDate, to: LocalDate) => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** A day further off than this is said with its year: nine months. */
const SAME_YEAR_DAYS = 274;

/** "Wed 25 Nov", with the weekday that a cook thinks in; with its year where it is over nine months from `today`. */
export const writeDay = (day: LocalDate, today: LocalDate) =>
  Math.abs(daysBetween(today, day)) > SAME_YEAR_DAYS ? writeDayOnLabel(day) : format(parseISO(day), 'EEE d MMM');

/** "Wed 25 Nov 2026": what stands on a label is read a year later. */
export const writeDayOnLabel = (day: LocalDate) => format(parseISO(day), 'EEE d MMM yyyy');

/** "Wednesday 25 November". */
export const writeDayInFull = (day: LocalDate) => format(parseISO(day), 'EEEE d MMMM');

/** "Sunday". */
export const weekdayName = (day: LocalDate) => format(parseISO(day), 'EEEE');

/** The first letter of the weekday, for the head of a strip of days. */
export const weekdayLetter = (day: LocalDate) => format(parseISO(day), 'EEEEE');
