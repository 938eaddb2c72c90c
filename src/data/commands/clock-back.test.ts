import type { LocalDate } from '@/core/calendar/local-date';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readAllPlaces } from '../repositories/household';
import { readNewestDay } from '../repositories/movements';
import { readStock } from '../repositories/stock';
import { clockIsRight } from './household';
import { movePacks } from './stock';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;

beforeAll(async () => {
  house = await freshHouse(`${DAY}T12:00:00Z`);
  const ids = await plannedExample(house, DAY);
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const move = async () => {
  const [pack] = await readStock(house.db);
  const places = await readAllPlaces(house.db);
  const placeId = places.find(({ kind }) => kind === (pack!.placeKind === 'freezer' ? 'fridge' : 'freezer'))!.id;
  return house.run((context) => movePacks(context, { holdingIds: [pack!.holdingId], placeId }));
};

test('a clock that was set back by a day: nothing is moved, and nothing is half written, until somebody says which is right', async () => {
  house.setNow('2026-11-24T12:00:00Z');
  expect(await move()).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/it is Tuesday 24 November, but .* Wednesday 25 November/) as string }],
  });
  expect(await readNewestDay(house.db)).toBe(DAY);
  // The clock is put right again: it goes on.
  house.setNow('2026-11-25T13:00:00Z');
  valueOf(await move());
});

test('a clock that had run ahead: once it is said to be right, work goes on; what lies further ahead is asked about anew', async () => {
  house.setNow('2026-11-24T12:00:00Z');
  valueOf(await house.run((context) => clockIsRight(context)));
  valueOf(await move());
  house.setNow('2026-11-28T12:00:00Z');
  valueOf(await move());
  house.setNow('2026-11-24T12:00:00Z');
  expect((await move()).ok).toBe(false);
});

test('an hour is no question: a time zone, or the end of summer time', async () => {
  house.setNow('2026-11-25T11:00:00Z');
  valueOf(await move());
});
