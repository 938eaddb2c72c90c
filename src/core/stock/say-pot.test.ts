import type { LocalDate } from '../calendar/local-date';
import { sayPot } from './say-pot';

const TODAY = '2026-11-25' as LocalDate; // a Wednesday

test.each([
  ['2026-11-25', 'today’s venison pot'],
  ['2026-11-24', 'yesterday’s venison pot'],
  ['2026-11-22', 'Sunday’s venison pot'],
  ['2026-11-19', 'Thursday’s venison pot'],
  ['2026-11-18', 'the venison pot of Wed 18 Nov'],
  ['2025-11-18', 'the venison pot of Tue 18 Nov 2025'],
  ['2026-11-26', 'the venison pot of Thu 26 Nov'],
])('cooked on %s: %s', (day, said) => {
  expect(sayPot('venison', day as LocalDate, TODAY)).toBe(said);
});
