import { z } from 'zod';
import { daysBetween, readLocalDate, writeDay, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import { idSchema } from '../schema';
import { fitFor, type Source } from './draw';
import { thawDays } from './first-use';

export const holdSchema = z.object({ holdingId: idSchema, dogId: idSchema, day: z.string().max(10) });
export type HoldEntry = Readonly<z.infer<typeof holdSchema>>;

/** Further ahead than this no pack is kept for a day (the weeks that are drawn). */
const MOST_DAYS = 56;

/**
 * Whether a pack can be kept for a dog's day, and which day that is. Takes the pack as a source, the dog with its name and the
 * day as typed; refuses what it must not get, what is not safe by then, and what does not thaw by then. Source: USDA (24 h of
 * thawing for 2 kg); arithmetic.
 */
export function readHold(
  source: Source,
  dog: { readonly id: number; readonly name: string },
  typed: string,
  today: LocalDate,
): Outcome<LocalDate> {
  const day = readLocalDate(typed);
  if (!day) return refused('A day, such as 2026-12-24.', 'day');
  const ahead = daysBetween(today, day);
  if (ahead < 0) return refused('That day is over.', 'day');
  if (ahead >= MOST_DAYS) return refused('That is further ahead than eight weeks.', 'day');
  if (source.blocked === true) return refused(`${source.code} is not fed until somebody says that it may be.`);
  if (fitFor([source], dog.id).length === 0)
    return refused(
      `${source.code} is not for ${dog.name}: made for another dog, or something in it that it does not get.`,
    );
  if (source.safeUntil !== undefined && source.safeUntil < day)
    return refused(`${source.code} must be fed by ${writeDay(source.safeUntil, today)}.`, 'day');
  const thaws = thawDays(source.grams);
  if (source.place === 'freezer' && source.piece === undefined && ahead < thaws)
    return refused(
      `${source.code} is frozen: it thaws for ${thaws === 1 ? 'a day' : `${thaws} days`} in the fridge first.`,
      'day',
    );
  return fine(day);
}
