import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { inOrderOfUse } from '@/core/stock/draw';
import { sure } from '@/core/sure';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { firstMeal, plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { changeHousehold, readPlaces } from '../repositories/household';
import { sourceOf } from '../repositories/sources';
import { readStock } from '../repositories/stock';
import { feedBowl } from './bowls';
import { clockIsRight } from './household';
import { putDayRight } from './said-of-packs';
import { movePacks, reverseAll } from './stock';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse(`${DAY}T12:00:00Z`);
  const ids = await plannedExample(house, DAY);
  dogId = ids.dogId;
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 0, freezer: 2310, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const packNow = async () => sure((await readStock(house.db))[0]);
const placeOf = async (kind: string) => sure((await readPlaces(house.db)).find((each) => each.kind === kind)).id;
const thaw = async () => {
  const { holdingId } = await packNow();
  valueOf(
    await house.run(async (context) =>
      movePacks(context, { holdingIds: [holdingId], placeId: await placeOf('fridge') }),
    ),
  );
  return holdingId;
};
const isProposed = async (day: LocalDate) => inOrderOfUse([sourceOf(await packNow())], day).length > 0;

/** The clock ran three days ahead while a pack was taken out; then it was set right, and the cook said so. */
async function thawedAhead(): Promise<number> {
  house.setNow('2026-11-28T12:00:00Z');
  const holdingId = await thaw();
  house.setNow('2026-11-25T18:00:00Z');
  valueOf(await house.run((context) => clockIsRight(context)));
  return holdingId;
}

test('a pack that was thawed on a day to come is in no bowl, and says why', async () => {
  const holdingId = await thawedAhead();
  expect(await packNow()).toMatchObject({
    blocked: true,
    ahead: 'thawed on Saturday 28 November, which is still to come',
  });
  expect(await isProposed(DAY)).toBe(false);
  const meal = await firstMeal(house, dogId, holdingId, 100);
  expect(await house.run((context) => feedBowl(context, meal))).toMatchObject({
    ok: false,
    problems: [
      { message: expect.stringMatching(/^\S+ was thawed on Saturday 28 November, which is still to come\./) as string },
    ],
  });
});

test('the day is put right: how long it is safe is counted from it; taken back, it blocks again', async () => {
  const holdingId = await thawedAhead();
  const late = sure((await packNow()).safeUntil);
  const say = (day: string) => house.run((context) => putDayRight(context, { holdingIds: [holdingId], day }));
  expect(await say('2026-11-27')).toMatchObject({ ok: false, problems: [{ field: 'day' }] });
  expect(await say('soon')).toMatchObject({ ok: false, problems: [{ field: 'day' }] });
  const { movementIds } = valueOf(await say(DAY));
  expect(await packNow()).toMatchObject({ blocked: false, ahead: undefined, thawedOn: DAY, since: DAY });
  expect((await packNow()).safeUntil).toBe(addDays(late, -3));
  expect(await isProposed(DAY)).toBe(true);
  expect((await say(DAY)).ok).toBe(false);
  valueOf(await house.run((context) => reverseAll(context, { movementIds })));
  expect(await packNow()).toMatchObject({ blocked: true, safeUntil: late });
});

test('a day said too early makes nothing fresher, and a day that has come blocks nothing', async () => {
  const holdingId = await thawedAhead();
  const late = sure((await packNow()).safeUntil);
  house.setNow('2026-11-28T08:00:00Z');
  expect(await packNow()).toMatchObject({ blocked: false, safeUntil: late });
  house.setNow('2026-11-26T08:00:00Z');
  valueOf(await house.run((context) => putDayRight(context, { holdingIds: [holdingId], day: '2026-11-24' })));
  expect(sure((await packNow()).safeUntil) <= addDays(late, -3)).toBe(true);
});

/** What was thawed at one instant, looked at in another: both are days of the household, by its time zone. */
async function thawedThen(timeZone: string, then: string, later: string) {
  await house.db.transaction((tx) => changeHousehold(tx, { timeZone }));
  house.setNow(then);
  await thaw();
  house.setNow(later);
  return packNow();
}

test('midnight: a minute before it is yesterday, a minute after nothing lies ahead', async () => {
  const pack = await thawedThen('Europe/Oslo', '2026-11-26T22:59:00Z', '2026-11-26T23:01:00Z');
  expect(pack).toMatchObject({ thawedOn: '2026-11-26', blocked: false });
  // A machine whose clock is a little fast writes down tomorrow: asked about, and blocked until it is tomorrow.
  const fast = await thawedFast();
  expect(fast).toMatchObject({ thawedOn: '2026-11-27', blocked: true });
  house.setNow('2026-11-26T23:00:00Z');
  expect((await packNow()).blocked).toBe(false);
});

async function thawedFast() {
  await house.undo();
  await house.begin();
  return thawedThen('Europe/Oslo', '2026-11-26T23:00:00Z', '2026-11-26T22:59:00Z');
}

// The tz database, Europe/Oslo: clocks went back from 03:00 to 02:00 on 25 October 2026, and on from 02:00 to 03:00 on 28 March 2027.
test.each([
  ['the end of summer time', '2026-10-25T00:30:00Z', '2026-10-25T01:10:00Z', '2026-10-25'],
  ['the beginning of summer time', '2027-03-28T00:59:00Z', '2027-03-28T01:01:00Z', '2027-03-28'],
])('%s: the same wall clock twice, or an hour that is not there, is one day', async (_, then, later, day) => {
  house.setNow(then);
  if (day < DAY) valueOf(await house.run((context) => clockIsRight(context)));
  const pack = await thawedThen('Europe/Oslo', then, later);
  expect(pack).toMatchObject({ thawedOn: day, ...(day > DAY ? { blocked: false } : {}) });
});

// The tz database, America/Havana: on 1 November 2026 at 01:00 it is 00:00 again, so that the day has 25 hours and begins once.
test('where the clock changes at midnight the day begins once', async () => {
  house.setNow('2026-11-01T04:30:00Z');
  valueOf(await house.run((context) => clockIsRight(context)));
  const pack = await thawedThen('America/Havana', '2026-11-01T04:30:00Z', '2026-11-01T05:10:00Z');
  expect(pack.thawedOn).toBe('2026-11-01');
});
