import { FRESH } from '../../../tests/fixtures/dating';
import ICAL from 'ical.js';
import { addDays, type LocalDate } from '../calendar/local-date';
import { agendaOf, cookByOf } from './agenda';
import { agendaCalendar } from './agenda-calendar';
import { playAhead } from './weeks-ahead';
import type { Source } from './draw';

const DAY = '2027-03-26' as LocalDate;
const pack = (code: string, over: Partial<Source> = {}): Source => ({
  key: code,
  code,
  grams: 1000,
  density: 1,
  waterPerGram: 0,
  place: 'fridge',
  keeps: FRESH,
  opened: false,
  short: false,
  ...over,
});
const SOURCES = [
  pack('V1', { safeUntil: addDays(DAY, 1) }),
  pack('V2', { place: 'freezer', bestBy: addDays(DAY, 60) }),
  pack('V3', { place: 'freezer', bestBy: addDays(DAY, 61) }),
];
const played = playAhead([{ dogId: 1, mealsOn: () => [{ kcal: 1000 }] }], SOURCES, DAY);
const agenda = agendaOf({
  today: DAY,
  sources: SOURCES,
  played,
  weighIns: [{ dogId: 1, name: 'Otto', due: addDays(DAY, 2) }],
  toFreeze: [{ code: 'V9', on: addDays(DAY, -1) }],
  cookDays: [
    { code: 'Goat', on: addDays(DAY, 4) },
    { code: 'Venison', on: addDays(DAY, -1) },
  ],
});

test('a frozen pack is taken out the day before its first use; the pot is cooked while the last day is still covered', () => {
  expect(agenda.map(({ day, said }) => [day, said])).toEqual([
    [DAY, 'Into the freezer: V9'],
    [DAY, 'To the fridge for tomorrow: V2'],
    [addDays(DAY, 1), 'Feed by tonight: V1'],
    [addDays(DAY, 1), 'To the fridge for tomorrow: V3'],
    [addDays(DAY, 2), 'Cook by today: 1 dog to feed'],
    [addDays(DAY, 2), 'Otto is due on the scale'],
    // A plan whose day has passed is on no calendar.
    [addDays(DAY, 4), 'Cook: Goat'],
  ]);
  expect(cookByOf([], DAY)).toBeUndefined();
});

// Read back by another library. Oslo leaves winter time on 28 March 2027: 20:00 is 19:00 UTC on the 26th, and 18:00 after it.
test('the calendar file says the same days and hours to an independent reader, across the change of the clock', () => {
  const late = {
    kind: 'take out' as const,
    day: '2027-03-29' as LocalDate,
    said: 'To the fridge: V4, V5',
    about: 'take out 2027-03-29',
  };
  const text = agendaCalendar([...agenda, late], { timeZone: 'Europe/Oslo', made: new Date('2027-03-26T09:00:00Z') });
  const events = new ICAL.Component(ICAL.parse(text) as never)
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));
  expect(events).toHaveLength(agenda.length + 1);
  const of = (words: string) => events.find(({ summary }) => summary === words)!;
  expect(of('To the fridge for tomorrow: V2').startDate.toJSDate().toISOString()).toBe('2027-03-26T19:00:00.000Z');
  expect(of('To the fridge: V4, V5').startDate.toJSDate().toISOString()).toBe('2027-03-29T18:00:00.000Z');
  expect(of('Feed by tonight: V1').startDate.toString()).toBe('2027-03-27');
  expect(of('Feed by tonight: V1').startDate.isDate).toBe(true);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
});
