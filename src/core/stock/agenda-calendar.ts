import ical, { ICalCalendarMethod } from 'ical-generator';
import { addDays, instantAt, type LocalDate } from '../calendar/local-date';
import type { AgendaEntry } from './agenda';

/** Where a calendar reminds: at this hour of the evening before a pack is fed, or in the morning (ours, no source). */
const CLOCKS: Readonly<Record<AgendaEntry['kind'], string | undefined>> = {
  'take out': '20:00',
  'feed by': undefined,
  'cook by': undefined,
  'weigh in': undefined,
  'into the freezer': '09:00',
  'thaw to cook': '20:00',
  'cook or freeze': undefined,
  'cook day': undefined,
};

/**
 * The agenda as an iCalendar file (RFC 5545): what has an hour as a quarter of an hour of the household's clock, the rest as whole
 * days. Takes the agenda, the zone, and when it was made; the same entry keeps its identity from day to day.
 */
export function agendaCalendar(
  entries: readonly AgendaEntry[],
  { timeZone, made }: { readonly timeZone: string; readonly made: Date },
): string {
  const calendar = ical({
    name: 'Hodman',
    prodId: { company: 'Hodman', product: 'Hodman', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const dayOf = (day: LocalDate) => instantAt(day, '12:00', 'UTC');
  for (const { kind, day, said, about } of entries) {
    const clock = CLOCKS[kind];
    calendar.createEvent({
      id: `${about.replace(/\s+/g, '-')}@hodman`,
      stamp: made,
      summary: said,
      ...(clock === undefined
        ? { allDay: true, start: dayOf(day), end: dayOf(addDays(day, 1)) }
        : {
            start: instantAt(day, clock, timeZone),
            end: new Date(instantAt(day, clock, timeZone).getTime() + 15 * 60_000),
          }),
    });
  }
  return calendar.toString();
}
