import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { backupsToDrop, sayInside } from './backups';

const day = (text: string) => text as LocalDate;
const made = (from: string, days: number) =>
  Array.from({ length: days }, (_, at) => ({
    name: `hodman-${addDays(day(from), at)}`,
    day: addDays(day(from), at),
  }));

test('a backup a day for two years leaves fourteen days and the last of twelve months', () => {
  const all = made('2024-11-28', 731);
  const gone = new Set(backupsToDrop(all, day('2026-11-28')).map(({ name }) => name));
  const left = all.filter(({ name }) => !gone.has(name)).map((each) => each.day);
  expect(left.filter((each) => each > '2026-11-14')).toHaveLength(14);
  // November's last before the fortnight goes: the month has later ones. November a year ago is the twelfth month back.
  expect(left.filter((each) => each <= '2026-11-14')).toEqual([
    '2025-11-30',
    '2025-12-31',
    ...['2026-01-31', '2026-02-28', '2026-03-31', '2026-04-30', '2026-05-31', '2026-06-30', '2026-07-31'],
    ...['2026-08-31', '2026-09-30', '2026-10-31'],
  ]);
});

test('the newest stays whatever its age; what was made by a clock that ran ahead stays', () => {
  expect(backupsToDrop(made('2020-01-01', 1), day('2026-11-28'))).toEqual([]);
  expect(backupsToDrop(made('2027-01-01', 3), day('2026-11-28'))).toEqual([]);
});

test('dropping is done once: what is left is left', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(900), { maxLength: 60 }), (ages) => {
      const today = day('2026-11-28');
      const all = ages.map((age, at) => ({ name: `${addDays(today, -age)}-${at}`, day: addDays(today, -age) }));
      const gone = new Set(backupsToDrop(all, today));
      const left = all.filter((each) => !gone.has(each));
      expect(backupsToDrop(left, today)).toEqual([]);
      expect(left.length).toBeGreaterThanOrEqual(Math.min(1, all.length));
    }),
  );
});

test('what is in a backup is said in words', () => {
  const inside = {
    dogs: ['Otto', 'Wren'],
    batches: 1,
    packs: 12,
    lots: 3,
    weighIns: 9,
    diary: 1,
    last: '2026-11-24T20:00:00Z',
  };
  expect(sayInside(inside)).toBe(
    'Otto, Wren · 1 batch · 12 packs and 3 ingredients in stock · 9 weigh-ins · 1 diary entry · last written down 2026-11-24 20:00 UTC',
  );
  expect(sayInside({ dogs: [], batches: 0, packs: 0, lots: 0, weighIns: 0, diary: 0, last: undefined })).toBe(
    'no dogs · 0 batches · 0 packs in stock · 0 weigh-ins · nothing written down yet',
  );
});
