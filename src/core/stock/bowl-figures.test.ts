import { FRESH } from '../../../tests/fixtures/dating';
import { addDays, type LocalDate } from '../calendar/local-date';
import { byMeasure } from './by-measure';
import { coverOf } from './cover';
import { drawInOrder, withHeld, type Drawn, type Source } from './draw';
import { readHold } from './held';
import { mixedWith } from './rotation';

const DAY = '2026-11-27' as LocalDate;
const pack = (code: string, over: Partial<Source> = {}): Source => ({
  key: code,
  code,
  grams: 400,
  density: 1,
  waterPerGram: 0,
  place: 'freezer',
  keeps: FRESH,
  opened: false,
  short: false,
  ...over,
});
const part = (key: string, grams: number, water = 0): Drawn => ({ key, code: key, grams, water, kcal: grams });

test('cubes go into a bowl whole, and what they leave open comes from the next pack', () => {
  const cubes = pack('K1', { piece: 30, grams: 100 });
  // 75 kcal are 2½ cubes: 3 of them, nothing else.
  expect(drawInOrder(75, [cubes, pack('K2')]).drawn).toMatchObject([{ key: 'K1', grams: 90 }]);
  // Of 100 g only three are whole.
  expect(drawInOrder(200, [cubes, pack('K2')]).drawn).toMatchObject([
    { key: 'K1', grams: 90 },
    { key: 'K2', grams: 110 },
  ]);
});

test('a bowl in pieces or cups where all of it is counted alike', () => {
  expect(byMeasure([part('a', 90)], [{ key: 'a', pieceGrams: 30 }])).toBe('about 3 pieces');
  expect(
    byMeasure(
      [part('a', 260), part('b', 10)],
      [
        { key: 'a', cupGrams: 240 },
        { key: 'b', cupGrams: 240 },
      ],
    ),
  ).toBe('1⅛ cups');
  expect(byMeasure([part('a', 260), part('b', 10)], [{ key: 'a', cupGrams: 240 }, { key: 'b' }])).toBeUndefined();
  expect(byMeasure([part('a', 60, 120)], [{ key: 'a', cupGrams: 240 }])).toBeUndefined();
  expect(byMeasure([], [])).toBeUndefined();
});

test('a pack that is kept for a day waits until then, and is that dog’s first on it', () => {
  const kept = pack('K1', { held: { dogId: 2, day: addDays(DAY, 2) }, bestBy: addDays(DAY, 10) });
  const other = pack('K2', { grams: 2000, bestBy: addDays(DAY, 30) });
  expect(withHeld([kept, other], 2, DAY).map(({ code }) => code)).toEqual(['K2']);
  expect(withHeld([other, kept], 2, addDays(DAY, 2)).map(({ code }) => code)).toEqual(['K1', 'K2']);
  expect(withHeld([kept, other], 1, addDays(DAY, 2)).map(({ code }) => code)).toEqual(['K2']);
  expect(withHeld([kept, other], 1, addDays(DAY, 3)).map(({ code }) => code)).toEqual(['K1', 'K2']);
  const dogs = [1, 2].map((dogId) => ({ dogId, mealsOn: () => [{ kcal: 400 }] }));
  const cover = coverOf(dogs, 4, [kept, other], DAY);
  expect(cover.map(({ days }) => days.map(({ drawn }) => drawn.map(({ code }) => code).join('')))).toEqual([
    ['K2', 'K2', 'K2', ''],
    ['K2', 'K2', 'K1', ''],
  ]);
});

test.each([
  [{}, 'soon', 'day'],
  [{}, '2026-11-26', 'day'],
  [{}, '2027-02-27', 'day'],
  // Frozen, it thaws for a day first (USDA).
  [{}, '2026-11-27', 'day'],
  [{ grams: 3000 }, '2026-11-28', 'day'],
  [{ place: 'fridge', safeUntil: addDays(DAY, 1) }, '2026-11-29', 'day'],
  [{ dogId: 2 }, '2026-11-28', undefined],
  [{ notFor: [1] }, '2026-11-28', undefined],
  [{ blocked: true }, '2026-11-28', undefined],
] as const)('what cannot be kept for a day is said: %j, %s', (over, day, field) => {
  const read = readHold(pack('K1', over as Partial<Source>), { id: 1, name: 'Otto' }, day, DAY);
  expect([read.ok, read.ok ? '' : read.problem.field]).toEqual([false, field]);
});

test('it can be kept for the day on which it has thawed, or cubes for today', () => {
  const otto = { id: 1, name: 'Otto' };
  expect(readHold(pack('K1'), otto, '2026-11-28', DAY)).toEqual({ ok: true, value: '2026-11-28' });
  expect(readHold(pack('K1', { piece: 20 }), otto, '2026-11-27', DAY).ok).toBe(true);
});

test('mixed: the next meal of a day is of another protein, where there is one and nothing must be eaten today', () => {
  const venison = pack('V1', { protein: { word: 'venison' }, place: 'fridge', safeUntil: addDays(DAY, 2), grams: 800 });
  const goat = pack('G1', { protein: { word: 'goat' }, grams: 800, bestBy: addDays(DAY, 40) });
  expect(mixedWith([venison, goat], 'venison', DAY).map(({ code }) => code)).toEqual(['G1', 'V1']);
  expect(mixedWith([venison, goat], 'venison', addDays(DAY, 2)).map(({ code }) => code)).toEqual(['V1', 'G1']);
  const dog = { dogId: 1, mealsOn: () => [{ kcal: 200 }, { kcal: 200 }] };
  const days = (mixed: boolean) =>
    coverOf([dog], 4, [venison, goat], DAY, { mixed })[0]!.days.map(({ drawn }) =>
      drawn.map(({ code }) => code).join(' '),
    );
  // What is frozen today is no meal of today.
  expect(days(true)).toEqual(['V1', 'V1 G1', 'V1 G1', 'G1']);
  expect(days(false)).toEqual(['V1', 'V1', 'G1', 'G1']);
});
