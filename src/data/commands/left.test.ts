import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readBowlsOn } from '../repositories/bowls';
import { readDog } from '../repositories/dogs';
import { readIntake } from '../repositories/eaten';
import { readPackByCode, readStock } from '../repositories/stock';
import { feedBowl, takeBackBowl } from './bowls';
import { leaveInBowl } from './left';
import { reverseMovement } from './stock';
import type { LeftEntry } from '@/core/stock/left';
import type { LocalDate } from '@/core/calendar/local-date';

let house: TestHouse;
let dogId: number;
const DAY = '2026-11-25' as LocalDate;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T07:00:00Z');
  const ids = await plannedExample(house, DAY);
  ({ dogId } = ids);
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const feed = async (grams: number, slot = 0) => {
  const dog = (await readDog(house.db, dogId))!;
  const [pack] = await readStock(house.db);
  const { bowlId } = valueOf(
    await house.run((context) =>
      feedBowl(context, {
        dogId,
        slotId: dog.slots.filter(({ name }) => ['breakfast', 'supper'].includes(name))[slot]!.id,
        day: DAY,
        at: 'now',
        parts: [{ holdingId: pack!.holdingId, grams }],
      }),
    ),
  );
  return { bowlId, code: pack!.code };
};
const leave = (bowlId: number, much: LeftEntry['much'], fate: LeftEntry['fate'] = 'thrown') =>
  house.run((context) => leaveInBowl(context, { bowlId, much, fate }));
const pack = async (code: string) => (await readPackByCode(house.db, code))!;
const left = async () => (await readBowlsOn(house.db, DAY))[0]!.left;

test('half of it left and thrown: the pack stays as it is, the dog had half the kcal', async () => {
  const { bowlId, code } = await feed(400);
  await feed(400, 1);
  const before = await pack(code);
  const dog = (await readDog(house.db, dogId))!;
  const eaten = async () => (await readIntake(house.db, dog, DAY, DAY))(DAY)!;
  const all = await eaten();
  valueOf(await leave(bowlId, { part: 0.5 }));
  expect(await left()).toMatchObject({ grams: 200, fate: 'thrown' });
  expect((await pack(code)).grams).toBe(before.grams);
  expect(all - (await eaten())).toBeCloseTo(200 * before.density, 6);
  expect((await leave(bowlId, { part: 0.5 })).ok).toBe(false);
  // Taken back, it ate all of it.
  valueOf(await house.run(async (context) => reverseMovement(context, { movementId: (await left())!.movementId })));
  expect(await left()).toBeUndefined();
  expect(await eaten()).toBeCloseTo(all, 6);
});

test('back into its pack within two hours: more in it, and all of it is fed by tomorrow; later it is thrown away', async () => {
  const { bowlId, code } = await feed(400);
  const before = await pack(code);
  expect(await leave(bowlId, { grams: 900 }, 'fridge')).toMatchObject({ problems: [{ field: 'much' }] });
  house.setNow('2026-11-25T10:00:00Z');
  // USDA: two hours out of the fridge, no longer.
  expect(await leave(bowlId, { grams: 90 }, 'fridge')).toMatchObject({ problems: [{ field: 'fate' }] });
  house.setNow('2026-11-25T08:30:00Z');
  valueOf(await leave(bowlId, { grams: 90 }, 'fridge'));
  expect(await pack(code)).toMatchObject({ grams: before.grams + 90, safeUntil: '2026-11-26' });
  // The whole bowl is taken back, and what was left with it.
  valueOf(await house.run((context) => takeBackBowl(context, { bowlId })));
  expect(await pack(code)).toMatchObject({ grams: before.grams + 400, safeUntil: before.safeUntil });
  expect((await leave(bowlId, { part: 1 })).ok).toBe(false);
});
