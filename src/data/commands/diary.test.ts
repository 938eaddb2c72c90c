import type { CommandResult } from '@/core/problem';
import type { LocalDate } from '@/core/calendar/local-date';
import { readDiaryWords, readPhoto, readPressed } from '../repositories/diary';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample } from '../fixtures/worked-path';
import { pressAsUsual, pressDiary, takeBackWords, writeDiary } from './diary';
import { saveWeighIn } from './weigh-ins';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T16:30:00Z');
  ({ dogId } = await plannedExample(house, DAY));
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const messageOf = (answer: CommandResult<unknown>) => (answer.ok ? '' : answer.problems[0]?.message);
const press = (level: string | null, day: string = DAY) =>
  house.run((context) => pressDiary(context, { dogId, day, topic: 'stool', level }));
const usual = () => house.run((context) => pressAsUsual(context, { dogId, day: DAY }));
const pressed = async () =>
  (await readPressed(house.db, dogId, DAY, DAY)).map(({ topic, level }) => `${topic} ${level}`).sort();
const write = (words: string, photo = '') =>
  house.run((context) => writeDiary(context, { dogId, day: DAY, entry: { words, photo } }));

test('a press takes the place of the one before, and pressed again it is taken back', async () => {
  valueOf(await press('soft'));
  valueOf(await press('runny'));
  expect(await pressed()).toEqual(['stool runny']);
  valueOf(await press(null));
  expect(await pressed()).toEqual([]);
});

test('as usual says what nobody said yet, and no more', async () => {
  valueOf(await press('soft'));
  valueOf(
    await house.run((context) =>
      saveWeighIn(context, {
        dogId,
        entry: { date: DAY, weight: '20 kg', bodyCondition: '', appetite: 'picky', stool: '', note: '', sure: true },
      }),
    ),
  );
  valueOf(await usual());
  valueOf(await usual());
  expect(await pressed()).toEqual(['coat as usual', 'energy as usual', 'itch none', 'stool soft']);
});

test('a word that the diary does not know, a day to come and one of long ago are refused at their field', async () => {
  expect(messageOf(await press('purple'))).toContain('no such word');
  expect(messageOf(await press('soft', '2026-11-26'))).toContain('not been yet');
  expect(messageOf(await press('soft', '2026-10-14'))).toContain('six weeks');
  expect(await pressed()).toEqual([]);
});

test('words stay with their photograph; taken back they are not shown and can be there again', async () => {
  const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16]);
  valueOf(await write('scratches', jpeg.toString('base64')));
  const [kept] = await readDiaryWords(house.db, dogId, DAY, DAY);
  expect(kept).toMatchObject({ words: 'scratches', hasPhoto: true, isBack: false });
  expect(Buffer.from((await readPhoto(house.db, kept!.id))!)).toEqual(jpeg);
  const back = (isBack: boolean) =>
    house.run((context) => takeBackWords(context, { dogId, entryId: kept!.id, isBack }));
  valueOf(await back(true));
  expect(await readPhoto(house.db, kept!.id)).toBeUndefined();
  valueOf(await back(false));
  expect(await readPhoto(house.db, kept!.id)).toBeDefined();
  expect(messageOf(await write(' '))).toContain('What is to be remembered');
  expect(messageOf(await write('a spot', Buffer.from('GIF89a').toString('base64')))).toContain('JPEG');
});
