import { addDays, type LocalDate } from '../calendar/local-date';
import { keptUntil } from '../preserve/food-life';
import type { Source } from './draw';

/** g that thaw in the fridge in a day, as one pack (USDA, from memory; handbook 10). */
const THAWS_A_DAY = 2000;

/** Whole days before its first use that a frozen pack goes into the fridge: one for up to 2 kg, two for up to 4. Takes g. */
export const thawDays = (grams: number): number => Math.max(1, Math.ceil(grams / THAWS_A_DAY - 1e-9));

const sooner = (a: LocalDate | undefined, b: LocalDate | undefined): LocalDate | undefined =>
  a === undefined || (b !== undefined && b < a) ? b : a;

/** Those dates of a source that a day has changed. */
type Changed = Pick<Source, 'place' | 'opened' | 'safeUntil'>;

/** A frozen pack that lies in the fridge from a day on: it keeps what is left of its own days. */
export const takenOut = (source: Source, on: LocalDate): Source => {
  const { thawed } = source.keeps;
  const safeUntil = thawed === undefined ? source.safeUntil : sooner(source.safeUntil, keptUntil(on, thawed));
  return { ...source, place: 'fridge', ...(safeUntil === undefined ? {} : { safeUntil }) };
};

/**
 * The day on which a frozen pack goes into the fridge for its first use: as long before as it takes to thaw, but never so long that
 * its own days are over by then (a pack that was frozen on its last day is thawed and fed on one day). Source: USDA (24 h for 2 kg).
 */
export const outFor = ({ grams, keeps: { thawed } }: Source, first: LocalDate): LocalDate =>
  addDays(first, -Math.min(thawDays(grams), Math.max(0, thawed ?? Infinity)));

/** What a first use on a day makes of a source: a frozen one was taken out in time, a dry one is open. */
export function firstUse(source: Source, day: LocalDate): Changed {
  if (source.place === 'freezer') return { ...takenOut(source, outFor(source, day)), opened: true };
  const { opened } = source.keeps;
  const safeUntil =
    opened === undefined || source.opened ? source.safeUntil : sooner(source.safeUntil, keptUntil(day, opened));
  return { place: source.place, opened: true, ...(safeUntil === undefined ? {} : { safeUntil }) };
}
