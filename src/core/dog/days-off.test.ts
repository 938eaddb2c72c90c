import { addDays, type LocalDate } from '../calendar/local-date';
import { isFedOn, readDaysOff, sayOff, type DaysOff } from './days-off';

const DAY = '2026-11-25' as LocalDate;
const off = (kind: DaysOff['kind'], from: number, to: number, slotId?: number): DaysOff => ({
  kind,
  from: addDays(DAY, from),
  to: addDays(DAY, to),
  ...(slotId === undefined ? {} : { slotId }),
});
const fed = (of: readonly DaysOff[]) =>
  Array.from({ length: 6 }, (_, index) => isFedOn(of, addDays(DAY, index), 7))
    .map((is) => (is ? 'x' : '.'))
    .join('');

test('away and fasting days are left out, both ends included; a guest is fed on its days alone', () => {
  expect(fed([])).toBe('xxxxxx');
  expect(fed([off('away', 1, 3)])).toBe('x...xx');
  expect(fed([off('guest', 1, 3)])).toBe('.xxx..');
  expect(fed([off('guest', 1, 1), off('guest', 3, 4), off('fast', 4, 4)])).toBe('.x.x..');
  // A fast of one meal leaves the others.
  expect(fed([off('fast', 2, 2, 7)])).toBe('xx.xxx');
  expect(fed([off('fast', 2, 2, 8)])).toBe('xxxxxx');
});

test('it is said why, and until when', () => {
  expect(sayOff([off('away', 0, 2)], DAY)).toBe('is away, back Sat 28 Nov');
  expect(sayOff([off('fast', -1, 0)], DAY)).toBe('fasts until Wed 25 Nov');
  expect(sayOff([off('guest', 2, 4)], DAY)).toBe('comes Fri 27 Nov');
  expect(sayOff([off('guest', -4, -2)], DAY)).toBe('is gone again');
  expect(sayOff([off('guest', 0, 2), off('fast', 0, 0, 7)], DAY)).toBeUndefined();
});

test.each([
  [{ from: 'soon', to: '2026-11-27' }, 'from'],
  [{ from: '2026-11-27', to: '' }, 'to'],
  [{ from: '2026-11-27', to: '2026-11-26' }, 'to'],
  [{ from: '2026-11-27', to: '2028-11-27' }, 'to'],
])('what cannot be is said at its field', (dates, field) => {
  expect(readDaysOff({ kind: 'away', ...dates })).toMatchObject({ ok: false, problem: { field } });
});
