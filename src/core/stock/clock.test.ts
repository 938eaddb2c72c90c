import type { LocalDate } from '../calendar/local-date';
import { askClock } from './clock';

const day = (of: number) => `2026-11-${of}` as LocalDate;

test('a day before the newest entry is asked about, once for all that lies ahead', () => {
  expect(askClock(undefined, day(25), undefined)).toBeUndefined();
  expect(askClock(day(25), day(25), undefined)).toBeUndefined();
  expect(askClock(day(26), day(25), undefined)).toBe(
    'By this machine’s clock it is Wednesday 25 November, but something was written down on Thursday 26 November. Is the clock right?',
  );
  expect(askClock(day(26), day(25), day(26))).toBeUndefined();
  expect(askClock(day(27), day(25), day(26))).toBeDefined();
});
