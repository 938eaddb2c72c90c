import 'server-only';
import type { LocalDate } from '@/core/calendar/local-date';
import type { CannotBeRead } from '@/core/unreadable';
import { isUnread } from '../schema/kept-json';
import type { avoid, bowlLine, knownSchool, ration } from '../schema/dogs';

/**
 * What of a dog cannot be read, in words; of its rations those that are in force on `today` or come. A ration counts by the
 * table then, and what is on no list any more keeps nothing from anybody: both are said wherever the dog is.
 */
export function unreadOfDog(
  { id, name }: { readonly id: number; readonly name: string },
  rations: readonly (typeof ration.$inferSelect)[],
  avoids: readonly (typeof avoid.$inferSelect)[],
  bowlLines: readonly (typeof bowlLine.$inferSelect)[],
  schools: readonly (typeof knownSchool.$inferSelect)[],
  today: LocalDate,
): CannotBeRead | undefined {
  const inForce = rations.findLast(({ from }) => from <= today);
  const living = rations.filter((entry) => entry === inForce || entry.from > today);
  const why = [
    ...(living.some(({ method, extras, transition }) => [method, extras, transition].some(isUnread))
      ? ['its ration, which counts by the table meanwhile']
      : []),
    ...avoids
      .filter(({ what }) => isUnread(what))
      .map(({ label }) => `that it gets no ${label}: nothing is kept from it by that`),
    ...bowlLines.filter(({ rule }) => isUnread(rule)).map(({ what }) => `how much ${what} goes into its bowl`),
    ...(schools.some(({ school }) => isUnread(school)) ? ['a way to portion that it knows'] : []),
  ];
  return why.length === 0 ? undefined : { kind: 'dog', id, name, why: why.join('; ') };
}
