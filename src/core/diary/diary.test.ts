import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { EatenDay } from '../eaten/days';
import { askTheVet, changesBeside, changesOf, diaryDays, unusual, type DiaryEntry, type PotOf } from './diary';
import { isJpeg, offOf, readDiaryDay, readWords, TOPICS } from './topics';

const FIRST = '2026-10-20' as LocalDate;
const on = (index: number) => addDays(FIRST, index);
const said = (index: number, topic: DiaryEntry['topic'], level: string): DiaryEntry => ({
  day: on(index),
  topic,
  level,
});

test('every topic has one word that is as usual, and its words go from less to more', () => {
  for (const { levels } of TOPICS) {
    const offs = levels.map(({ off }) => off);
    expect(offs.filter((off) => off === 0)).toHaveLength(1);
    expect(offs).toEqual([...offs].sort((a, b) => a - b));
  }
  expect(offOf('stool', 'purple')).toBeUndefined();
});

test('a day of which nothing was said is unknown, and is not as usual', () => {
  const [day] = diaryDays(FIRST, FIRST, [], []);
  expect([day!.said.size, unusual(day!)]).toEqual([0, []]);
});

test('the last press counts, and stands before what was noted beside a weigh-in', () => {
  const weighed = [{ date: on(1), stool: 'runny', appetite: 'picky' }];
  const days = diaryDays(on(0), on(1), [said(1, 'stool', 'soft'), said(1, 'stool', 'firm')], weighed);
  expect(days[1]!.said.get('stool')).toEqual({ word: 'firm', off: 0 });
  expect(unusual(days[1]!)).toEqual(['appetite picky']);
});

const eaten = (pots: readonly (readonly number[])[]): EatenDay[] =>
  pots.map((own, index) => ({
    day: on(index),
    need: 800,
    kcal: 800,
    reported: false,
    home: 800,
    added: 0,
    planned: 0,
    besides: 0,
    named: [],
    pots: new Map(own.map((id) => [id, 100])),
    potless: 0,
    fed: 2,
    missed: 0,
    refused: 0,
    water: 0,
    unknown: [],
  }));
const POTS: Readonly<Record<number, PotOf>> = {
  1: { recipeId: 1, name: 'Venison', number: 1 },
  2: { recipeId: 2, name: 'Goat', number: 1 },
  3: { recipeId: 1, name: 'Venison', number: 2 },
};
const changes = (pots: readonly (readonly number[])[], besides: { day: LocalDate; name: string }[] = []) =>
  changesOf(eaten(pots), (id) => POTS[id], besides);
const many = (count: number, own: readonly number[]) => Array.from({ length: count }, () => own);

test('the first of a recipe, another version of it, and one that is back after two weeks are changes; the next days are not', () => {
  expect(changes([...many(20, [1]), ...many(3, [2])])).toEqual([{ day: on(20), said: 'Goat began' }]);
  expect(changes([...many(20, [1]), ...many(3, [3])])).toEqual([{ day: on(20), said: 'Venison changed, version 2' }]);
  expect(changes([...many(3, [1]), ...many(20, [2]), ...many(2, [1])])).toEqual([
    { day: on(23), said: 'Venison again after 21 days' },
  ]);
});

test('of the first two weeks nothing is said, for nobody knows what was before', () => {
  expect(changes([[1], [2], ...many(13, [1])])).toEqual([]);
});

test('what a dog got besides is new once, and stands beside the three days after it', () => {
  const treats = [15, 16, 17].map((index) => ({ day: on(index), name: 'Liver chip' }));
  const found = changes(many(20, [1]), treats);
  expect(found).toEqual([{ day: on(15), said: 'Liver chip began' }]);
  expect([14, 15, 18, 19].map((index) => changesBeside(found, on(index)))).toEqual([
    [],
    ['Liver chip began that day'],
    ['Liver chip began 3 days before'],
    [],
  ]);
});

test('property: a change is said only of a day on which that recipe was eaten and the day before it was not', () => {
  fc.assert(
    fc.property(fc.array(fc.subarray([1, 2, 3]), { maxLength: 40 }), (pots) => {
      for (const { day, said: words } of changes(pots)) {
        const index = eaten(pots).findIndex((each) => each.day === day);
        const names = (at: number) => (pots[at] ?? []).map((id) => `${POTS[id]!.name} ${POTS[id]!.number}`);
        expect(names(index).some((name) => words.includes(name.split(' ')[0]!))).toBe(true);
        if (words.endsWith(' began'))
          expect(pots.slice(0, index).flat()).not.toEqual(expect.arrayContaining(pots[index]!));
      }
    }),
  );
});

// When to ask a vet is common practice, no source.
test('runny stool or refused food on two days, one after the other, asks for a vet; a day between does not', () => {
  const asked = (...entries: DiaryEntry[]) => askTheVet(diaryDays(on(0), on(6), entries, []));
  expect(asked(said(5, 'stool', 'runny'), said(6, 'stool', 'runny'))).toContain('Runny stool on two days');
  expect(asked(said(4, 'appetite', 'refuses'), said(5, 'appetite', 'refuses'))).toContain('Food refused on two days');
  expect(asked(said(4, 'stool', 'runny'), said(6, 'stool', 'runny'))).toBeUndefined();
  expect(asked(said(1, 'stool', 'runny'), said(2, 'stool', 'runny'))).toBeUndefined();
});

test('a day to come, one that is no day and one of long ago are answered in words', () => {
  const today = on(41);
  const why = (text: string) => {
    const read = readDiaryDay(text, today);
    return read.ok ? 'fine' : read.problem.message;
  };
  expect([why(today), why(on(0)), why(addDays(today, 1)), why(addDays(today, -42)), why('2026-02-30')]).toEqual([
    'fine',
    'fine',
    'This day has not been yet.',
    'The diary is written no further back than six weeks.',
    'Which day? Write it as YYYY-MM-DD.',
  ]);
});

test('words or a photograph, one of them; a JPEG begins as T.81 says', () => {
  expect(readWords({ words: '  ', photo: '' }).ok).toBe(false);
  expect(readWords({ words: '', photo: 'eA==' }).ok).toBe(true);
  expect([isJpeg(Uint8Array.of(0xff, 0xd8, 0xff, 0xe0)), isJpeg(Uint8Array.of(0x89, 0x50, 0x4e))]).toEqual([
    true,
    false,
  ]);
});
