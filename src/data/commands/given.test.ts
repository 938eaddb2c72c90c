import { addDays, type LocalDate } from '@/core/calendar/local-date';
import type { GivenEntry } from '@/core/dog/given';
import { mealsOn } from '@/core/dog/meals';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readBowlsOn } from '../repositories/bowls';
import { readDog } from '../repositories/dogs';
import { readIntake } from '../repositories/eaten';
import { readHolds } from '../repositories/holds';
import { readStock } from '../repositories/stock';
import { feedBowl, takeBackBowl } from './bowls';
import { feedExtra, giveBetween, takeBackGiven } from './given';
import { freePack, holdPack } from './holds';
import { addBowlLine } from './keeping';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T16:30:00Z');
  const ids = await plannedExample(house, DAY);
  ({ dogId } = ids);
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 1310, freezer: 1000, dry: 0 });
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const dog = async () => (await readDog(house.db, dogId))!;
const kcalOf = async (day: LocalDate) => mealsOn(await dog(), day).map(({ kcal }) => kcal);
const thawed = async () => (await readStock(house.db)).find(({ placeKind }) => placeKind === 'fridge')!;
const give = (entry: Partial<GivenEntry>, over: object = {}) =>
  house.run((context) =>
    giveBetween(context, {
      dogId,
      entry: { kind: 'treat', name: 'liver chip', amount: '60', measure: 'kcal', label: '', ...entry },
      takesOff: true,
      ...over,
    }),
  );

test('a treat makes supper smaller; taken back, supper is what it was; only written down, nothing changes', async () => {
  const [breakfast, supper] = (await kcalOf(DAY)) as readonly number[] as [number, number];
  // Late in the afternoon breakfast is over, marked or not: it is supper that is still to come.
  const { givenId } = valueOf(await give({}));
  expect((await kcalOf(DAY)).map((kcal) => Math.round(kcal))).toEqual([breakfast, supper - 60].map(Math.round));
  valueOf(await house.run((context) => takeBackGiven(context, { givenId })));
  expect(await kcalOf(DAY)).toEqual([breakfast, supper]);
  expect((await house.run((context) => takeBackGiven(context, { givenId }))).ok).toBe(false);
  valueOf(await give({}, { takesOff: false }));
  expect(await kcalOf(DAY)).toEqual([breakfast, supper]);
});

test('more than supper holds comes off tomorrow; what nobody knows comes off nothing and makes the day unknown', async () => {
  const [, supper] = (await kcalOf(DAY)) as readonly number[] as [number, number];
  const tomorrow = await kcalOf(addDays(DAY, 1));
  valueOf(await give({ amount: String(Math.round(supper) + 100) }));
  expect((await kcalOf(DAY))[1]).toBe(0);
  const less =
    tomorrow.reduce((sum, kcal) => sum + kcal, 0) - (await kcalOf(addDays(DAY, 1))).reduce((a, b) => a + b, 0);
  expect(less).toBeCloseTo(Math.round(supper) + 100 - supper, 6);
  // With breakfast fed the day is whole: supper was eaten by the treat.
  const pack = await thawed();
  const slotId = (await dog()).slots.find(({ name }) => name === 'breakfast')!.id;
  const fed = { dogId, slotId, day: DAY, at: '07:30', parts: [{ holdingId: pack.holdingId, grams: 300 }] };
  valueOf(await house.run((context) => feedBowl(context, fed)));
  const intake = async () => (await readIntake(house.db, await dog(), DAY, DAY))(DAY);
  expect(await intake()).toBeCloseTo(300 * pack.density + Math.round(supper) + 100, 6);
  valueOf(await give({ measure: 'unknown', name: 'a biscuit from the neighbour' }));
  expect(await intake()).toBeUndefined();
});

test('what cannot be read stands at its field, and nothing is kept', async () => {
  expect(await give({ name: '', amount: 'some' })).toMatchObject({
    problems: [{ field: 'name' }, { field: 'amount' }],
  });
  expect(await give({}, { at: '23:00' })).toMatchObject({ problems: [{ field: 'at' }] });
  expect((await dog()).given).toEqual([]);
});

test('another meal is a bowl like every one: out of its pack, off supper, and back again with it', async () => {
  const pack = await thawed();
  const [, supper] = (await kcalOf(DAY)) as readonly number[] as [number, number];
  const extra = () =>
    house.run((context) =>
      feedExtra(context, { dogId, parts: [{ holdingId: pack.holdingId, grams: 100 }], takesOff: true }),
    );
  const { bowlId } = valueOf(await extra());
  expect((await thawed()).grams).toBe(pack.grams - 100);
  expect((await kcalOf(DAY))[1]).toBeCloseTo(supper - 100 * pack.density, 6);
  expect(await readBowlsOn(house.db, DAY)).toMatchObject([{ slotId: null, parts: [{ grams: 100 }] }]);
  // Two of them are two bowls: a meal of its own is one a day, another meal is not.
  const second = valueOf(await extra());
  valueOf(await house.run((context) => takeBackBowl(context, { bowlId })));
  valueOf(await house.run((context) => takeBackGiven(context, { givenId: second.givenId })));
  expect((await thawed()).grams).toBe(pack.grams);
  expect((await kcalOf(DAY))[1]).toBeCloseTo(supper, 6);
  expect((await dog()).given).toEqual([]);
});

test('what was ticked of the additions is written down with the bowl, and stays with it when it is put right', async () => {
  const slotId = (await dog()).slots.find(({ name }) => name === 'breakfast')!.id;
  valueOf(
    await house.run((context) =>
      addBowlLine(context, {
        dogId,
        entry: { what: 'fish oil', unit: 'mL', by: 'flat', amount: '2', perKg: '', bands: [], slotId, kcal: '' },
      }),
    ),
  );
  const [line] = (await dog()).bowlLines;
  const pack = await thawed();
  const parts = [{ holdingId: pack.holdingId, grams: 300 }];
  valueOf(
    await house.run((context) =>
      feedBowl(context, { dogId, slotId, day: DAY, at: '07:30', parts, ticked: [line!.id, 999] }),
    ),
  );
  expect(await readBowlsOn(house.db, DAY)).toMatchObject([{ ticked: ['2 mL fish oil'] }]);
});

test('only cubes are fed frozen, and only where that is said', async () => {
  const block = (await readStock(house.db)).find(({ placeKind }) => placeKind === 'freezer')!;
  const feed = (frozen: boolean) =>
    house.run((context) =>
      feedExtra(context, { dogId, parts: [{ holdingId: block.holdingId, grams: 20, frozen }], takesOff: false }),
    );
  expect(await feed(false)).toMatchObject({
    problems: [{ message: expect.stringMatching(/is in the freezer/) as string }],
  });
  expect(await feed(true)).toMatchObject({ problems: [{ message: expect.stringMatching(/is one block/) as string }] });
  await house.db.execute(`update pack set pieces = 20 where holding_id = ${block.holdingId}`);
  valueOf(await feed(true));
  expect(await readBowlsOn(house.db, DAY)).toMatchObject([{ parts: [{ frozen: true, grams: 20 }] }]);
  const [bowl] = await readBowlsOn(house.db, DAY);
  // Taken back, it lies in the freezer as before.
  valueOf(await house.run((context) => takeBackBowl(context, { bowlId: bowl!.id })));
  expect((await readStock(house.db)).find(({ code }) => code === block.code)).toMatchObject({
    grams: block.grams,
    placeKind: 'freezer',
    safeUntil: block.safeUntil,
  });
});

test('a pack is kept for a day, for another one after that, and for none', async () => {
  const block = (await readStock(house.db)).find(({ placeKind }) => placeKind === 'freezer')!;
  const hold = (day: string) => house.run((context) => holdPack(context, { holdingId: block.holdingId, dogId, day }));
  const held = async () => (await readHolds(house.db, DAY)).get(block.holdingId);
  expect((await hold(DAY)).ok).toBe(false);
  valueOf(await hold(addDays(DAY, 3)));
  expect(await held()).toEqual({ dogId, day: addDays(DAY, 3) });
  valueOf(await hold(addDays(DAY, 5)));
  expect(await held()).toEqual({ dogId, day: addDays(DAY, 5) });
  expect((await readHolds(house.db, addDays(DAY, 6))).size).toBe(0);
  valueOf(await house.run((context) => freePack(context, { holdingId: block.holdingId })));
  expect(await held()).toBeUndefined();
});
