import { writeDayInFull, type LocalDate } from '../calendar/local-date';

/**
 * Asked where the day of the clock lies before the newest day of the ledger: the clock was set back, or it had run ahead. Undefined:
 * it does not, or the cook has said of all that lies ahead that the clock is right. Source: arithmetic; a day, for an hour may be a time zone.
 */
export function askClock(
  newest: LocalDate | undefined,
  today: LocalDate,
  said: LocalDate | undefined,
): string | undefined {
  if (newest === undefined || newest <= today || (said !== undefined && newest <= said)) return undefined;
  return `By this machine’s clock it is ${writeDayInFull(today)}, but something was written down on ${writeDayInFull(newest)}. Is the clock right?`;
}
