import { addDays as addByLibrary, differenceInCalendarDays, format, parseISO } from 'date-fns';
import fc from 'fast-check';
import { addDays, addMonths, daysBetween, SHORTEST_MONTH, type LocalDate } from './local-date';

// Against date-fns, day by day: leap years, the changes of the clock in the zone of the machine, the turn of a century.
const day = fc
  .date({ min: new Date('1950-01-01T12:00:00Z'), max: new Date('2150-12-31T12:00:00Z'), noInvalidDate: true })
  .map((each) => each.toISOString().slice(0, 10) as LocalDate);

test('days are added and counted as a calendar library does', () => {
  fc.assert(
    fc.property(day, fc.integer({ min: -40_000, max: 40_000 }), (from, days) => {
      const to = addDays(from, days);
      expect(to).toBe(format(addByLibrary(parseISO(from), days), 'yyyy-MM-dd'));
      expect(daysBetween(from, to)).toBe(days);
      expect(daysBetween(from, to)).toBe(differenceInCalendarDays(parseISO(to), parseISO(from)));
    }),
  );
});

test('the days on which a clock is changed are one day long, and a leap day is one', () => {
  expect(addDays('2026-03-28' as LocalDate, 2)).toBe('2026-03-30');
  expect(addDays('2026-10-24' as LocalDate, 2)).toBe('2026-10-26');
  expect(daysBetween('2028-02-28' as LocalDate, '2028-03-01' as LocalDate)).toBe(2);
});

test('property: what keeps for months keeps 28 days of each from any day', () => {
  fc.assert(
    fc.property(day, fc.integer({ min: 1, max: 24 }), (from, months) => {
      expect(daysBetween(from, addMonths(from, months))).toBeGreaterThanOrEqual(months * SHORTEST_MONTH);
    }),
  );
});
