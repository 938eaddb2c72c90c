import { writeDayInFull, type LocalDate } from '../calendar/local-date';

interface Dated {
  /** The day from which it lies where it lies. */
  readonly since: LocalDate;
  readonly thawedOn: LocalDate | null;
  readonly openedOn: LocalDate | null;
}

const WORDS = { thawedOn: 'thawed', openedOn: 'opened', since: 'put where it is' } as const;

/**
 * What a holding is said to have been on a day that is still to come: a clock ran ahead when it was written down. How long it is
 * safe is counted from that day, and so too long: it is not used until the day is put right. Undefined: no day lies ahead.
 * Source: ours.
 */
export function aheadOfClock(held: Dated, today: LocalDate): string | undefined {
  for (const key of ['thawedOn', 'openedOn', 'since'] as const) {
    const day = held[key];
    if (day !== null && day > today) return `${WORDS[key]} on ${writeDayInFull(day)}, which is still to come`;
  }
  return undefined;
}
