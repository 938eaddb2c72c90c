import { z } from 'zod';
import { addDays, daysBetween, readLocalDate, writeDay, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import { idSchema } from '../schema';
import type { Dog } from './dog';
import type { Less } from './given';

export const DAYS_OFF = ['away', 'fast', 'guest'] as const;

/** Days on which a dog is not fed here, or, of a guest, the only ones on which it is; both days inclusive. */
export interface DaysOff {
  readonly kind: (typeof DAYS_OFF)[number];
  readonly from: LocalDate;
  readonly to: LocalDate;
  /** This meal alone, before the vet; absent: all of them. */
  readonly slotId?: number;
}

/** Longer than this nobody plans for (ours, no source). */
const MOST_DAYS = 366;

const isIn = (day: LocalDate, { from, to }: Pick<DaysOff, 'from' | 'to'>) => day >= from && day <= to;

/**
 * Whether a dog gets a meal on a day: it is not away and does not fast, and a guest is here. Takes what was said of its days.
 * Source: arithmetic.
 */
export function isFedOn(daysOff: readonly DaysOff[], day: LocalDate, slotId: number): boolean {
  const visits = daysOff.filter(({ kind }) => kind === 'guest');
  if (visits.length > 0 && !visits.some((visit) => isIn(day, visit))) return false;
  return !daysOff.some(
    (off) => off.kind !== 'guest' && isIn(day, off) && (off.slotId === undefined || off.slotId === slotId),
  );
}

/** Whether a dog gets no meal at all here on a day. */
export const isOffOn = (dog: Pick<Dog, 'daysOff' | 'slots'>, day: LocalDate): boolean =>
  dog.slots.every(({ id }) => !isFedOn(dog.daysOff ?? [], day, id));

/** A dog as it is on a day on which it is fed here: what a day of it comes to asks neither whether it is away just now nor what it got besides. */
export const asIfHere = <Of extends { readonly daysOff?: readonly DaysOff[]; readonly less?: readonly Less[] }>(
  dog: Of,
): Of => ({
  ...dog,
  daysOff: [],
  less: [],
});

/** Why a dog gets nothing on a day, in words; undefined: it is fed. */
export function sayOff(daysOff: readonly DaysOff[], today: LocalDate): string | undefined {
  const off = daysOff.find((each) => each.kind !== 'guest' && each.slotId === undefined && isIn(today, each));
  if (off)
    return off.kind === 'fast'
      ? `fasts until ${writeDay(off.to, today)}`
      : `is away, back ${writeDay(addDays(off.to, 1), today)}`;
  const visits = daysOff.filter(({ kind }) => kind === 'guest');
  if (visits.length === 0 || visits.some((visit) => isIn(today, visit))) return undefined;
  const next = visits.filter(({ from }) => from > today).sort((a, b) => a.from.localeCompare(b.from))[0];
  return next ? `comes ${writeDay(next.from, today)}` : 'is gone again';
}

export const daysOffSchema = z.object({
  dogId: idSchema,
  entry: z.object({
    kind: z.enum(DAYS_OFF),
    from: z.string().max(20),
    to: z.string().max(20),
    slotId: idSchema.optional(),
  }),
});
/** Days off that are taken back. */
export const endDaysOffSchema = z.object({ dogId: idSchema, offId: idSchema });
export type DaysOffEntry = Readonly<z.infer<typeof daysOffSchema>['entry']>;

/** Reads days off as they are typed; each problem at its field. Source: arithmetic. */
export function readDaysOff(entry: DaysOffEntry): Outcome<DaysOff> {
  const from = readLocalDate(entry.from);
  if (!from) return refused('The first day, such as 2026-12-24.', 'from');
  const to = readLocalDate(entry.to);
  if (!to) return refused('The last day, such as 2026-12-27.', 'to');
  const days = daysBetween(from, to);
  if (days < 0) return refused('The last day lies before the first.', 'to');
  if (days >= MOST_DAYS) return refused('That is more than a year: archive the dog instead.', 'to');
  return fine({
    kind: entry.kind,
    from,
    to,
    ...(entry.slotId === undefined || entry.kind === 'guest' ? {} : { slotId: entry.slotId }),
  });
}
