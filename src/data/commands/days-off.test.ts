import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { homeEnergyOn, mealsOn } from '@/core/dog/meals';
import { energyDensity } from '@/core/quantity/units';
import { portionOf } from '@/core/portion/dog-portions';
import { dogDaysFrom } from '@/core/portion/proposals';
import { servedAt } from '@/core/portion/plated';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readDog } from '../repositories/dogs';
import { readStock } from '../repositories/stock';
import { feedBowl } from './bowls';
import { addDaysOff, endDaysOff } from './days-off';
import type { DaysOffEntry } from '@/core/dog/days-off';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse(`${DAY}T10:00:00Z`);
  const ids = await plannedExample(house, DAY);
  ({ dogId } = ids);
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const dog = async () => (await readDog(house.db, dogId))!;
const add = (entry: Partial<DaysOffEntry>) =>
  house.run((context) => addDaysOff(context, { dogId, entry: { kind: 'away', from: DAY, to: DAY, ...entry } }));

test('away, a dog has no meals, asks for no food, and cannot be fed; a day of it comes to what it always did', async () => {
  const before = await dog();
  valueOf(await add({ to: addDays(DAY, 1) }));
  const away = await dog();
  expect(mealsOn(away, DAY)).toEqual([]);
  expect(homeEnergyOn(away, addDays(DAY, 1))).toBe(0);
  expect(homeEnergyOn(away, addDays(DAY, 2))).toBe(homeEnergyOn(before, addDays(DAY, 2)));
  const days = dogDaysFrom(DAY, 4, [away], servedAt(energyDensity(1.2))).slice(0, 2);
  expect(days.map(({ day }) => day)).toEqual([2, 3]);
  expect(portionOf(away, DAY, energyDensity(1.2)).gramsADay).toBe(portionOf(before, DAY, energyDensity(1.2)).gramsADay);
  const [pack] = await readStock(house.db);
  const feed = await house.run((context) =>
    feedBowl(context, {
      dogId,
      slotId: before.slots[0]!.id,
      day: DAY,
      at: 'now',
      parts: [{ holdingId: pack!.holdingId, grams: 100 }],
    }),
  );
  expect(feed).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/not one of the dog’s meals/) as string }],
  });
  // Back earlier than was said.
  valueOf(await house.run((context) => endDaysOff(context, { dogId, offId: away.daysOff[0]!.id })));
  expect(mealsOn(await dog(), DAY)).toHaveLength(2);
});

test('a fast before the vet leaves out one meal; the same days are not said twice', async () => {
  const breakfast = (await dog()).slots.find(({ name }) => name === 'breakfast')!;
  valueOf(await add({ kind: 'fast', slotId: breakfast.id }));
  expect(mealsOn(await dog(), DAY).map(({ name }) => name)).toEqual(['supper']);
  expect(await add({ kind: 'fast', slotId: breakfast.id })).toMatchObject({ problems: [{ field: 'from' }] });
  expect(await add({ kind: 'fast', slotId: 99_999 })).toMatchObject({ problems: [{ field: 'slotId' }] });
  expect(await add({ from: 'soon' })).toMatchObject({ problems: [{ field: 'from' }] });
});

test('a guest is fed on its days alone', async () => {
  valueOf(await add({ kind: 'guest', from: addDays(DAY, 1), to: addDays(DAY, 2) }));
  const guest = await dog();
  const fed = Array.from({ length: 5 }, (_, index) => mealsOn(guest, addDays(DAY, index)).length);
  expect(fed).toEqual([0, 2, 2, 0, 0]);
});
