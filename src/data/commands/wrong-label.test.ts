import type { LocalDate } from '@/core/calendar/local-date';
import { labelOff } from '@/core/stock/label';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readDog } from '../repositories/dogs';
import { readAllPlaces } from '../repositories/household';
import { readHistory } from '../repositories/movements';
import { readPackByCode, readStock } from '../repositories/stock';
import { addAvoid } from './keeping';
import { feedExtra } from './given';
import { movePacks, reverseMovement } from './stock';
import { packForDog, swapLabels } from './wrong-label';

const DAY = '2026-11-25' as LocalDate;
let house: TestHouse;
let dogId: number;
let fridge: number;
let freezer: number;

beforeAll(async () => {
  house = await freshHouse(`${DAY}T16:00:00Z`);
  const ids = await plannedExample(house, DAY);
  ({ dogId } = ids);
  await weighedExample(house, ids);
  await sealedExample(house, ids.batchId, { today: 0, fridge: 900, freezer: 1410, dry: 0 });
  const places = await readAllPlaces(house.db);
  fridge = places.find(({ kind }) => kind === 'fridge')!.id;
  freezer = places.find(({ kind }) => kind === 'freezer')!.id;
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const stock = async () => readStock(house.db);
const pack = async (code: string) => (await readPackByCode(house.db, code))!;
const swap = (holdingId: number, code: string) => house.run((context) => swapLabels(context, { holdingId, code }));
const move = (holdingIds: number[], placeId: number, fits?: boolean) =>
  house.run((context) => movePacks(context, { holdingIds, placeId, ...(fits === undefined ? {} : { fits }) }));

test('two packs with each other’s label: the codes change places, the food stays, and each label is to be written again', async () => {
  const [first, second] = (await stock()).filter(({ placeKind }) => placeKind === 'freezer');
  // Of different weight, so that it matters.
  await house.db.execute(`update pack set label_amount = label_amount + 500 where holding_id = ${second!.holdingId}`);
  const written = await pack(second!.code);
  valueOf(await swap(first!.holdingId, second!.code.toLowerCase()));
  expect((await pack(second!.code)).holdingId).toBe(first!.holdingId);
  expect((await pack(first!.code)).holdingId).toBe(second!.holdingId);
  expect((await pack(second!.code)).labelGrams).toBe(written.labelGrams);
  expect(labelOff(await pack(second!.code))).toMatch(/^write it again: /);
  expect((await readHistory(house.db, first!.holdingId)).at(-1)).toMatchObject({
    kind: 'corrected',
    note: `the labels of ${first!.code} and ${second!.code} had been swapped`,
  });
  // Once more it is as it was.
  valueOf(await swap(first!.holdingId, first!.code));
  expect((await pack(first!.code)).holdingId).toBe(first!.holdingId);
  expect((await pack(first!.code)).labelGrams).toBe(first!.labelGrams);
});

test('what was done with one of them alone was done with the other: it is said, and nothing changes', async () => {
  const [first, second] = (await stock()).filter(({ placeKind }) => placeKind === 'freezer');
  expect(await swap(first!.holdingId, 'Z99')).toMatchObject({ problems: [{ field: 'code' }] });
  expect(await swap(first!.holdingId, first!.code)).toMatchObject({ problems: [{ field: 'code' }] });
  valueOf(await move([second!.holdingId], fridge));
  expect(await swap(first!.holdingId, second!.code)).toMatchObject({
    problems: [{ message: expect.stringMatching(/were not moved alike/) as string }],
  });
  // Thawed together they are alike again, until one is fed from.
  valueOf(await move([first!.holdingId], fridge));
  valueOf(await swap(first!.holdingId, second!.code));
  const parts = [{ holdingId: second!.holdingId, grams: 50 }];
  valueOf(await house.run((context) => feedExtra(context, { dogId, parts, takesOff: false })));
  expect(await swap(second!.holdingId, second!.code)).toMatchObject({
    problems: [{ message: expect.stringMatching(/something was taken of/) as string }],
  });
  expect((await pack(first!.code)).holdingId).toBe(second!.holdingId);
});

test('a pack is for another dog than its label says, unless that one does not get what is in it', async () => {
  const [own] = await stock();
  const forDog = (id?: number) =>
    house.run((context) =>
      packForDog(context, { holdingId: own!.holdingId, ...(id === undefined ? {} : { dogId: id }) }),
    );
  valueOf(await forDog());
  expect((await pack(own!.code)).dogId).toBeUndefined();
  valueOf(await forDog(dogId));
  expect((await pack(own!.code)).dogId).toBe(dogId);
  expect(await forDog(dogId)).toMatchObject({ problems: [{ field: 'dogId' }] });
  valueOf(await forDog());
  const dog = (await readDog(house.db, dogId))!;
  valueOf(
    await house.run((context) =>
      addAvoid(context, {
        dogId,
        entry: {
          what: { kind: 'protein', protein: 'venison' },
          reason: 'reaction',
          tryAgainOn: '',
          note: '',
        },
      }),
    ),
  );
  expect(await forDog(dogId)).toMatchObject({ problems: [{ field: 'dogId' }] });
  expect(dog.avoids).toEqual([]);
});

test('a place that is said to hold less asks, once; where it fits, it goes in, and no half of it', async () => {
  const thawed = (await stock()).filter(({ placeKind }) => placeKind === 'fridge');
  const ids = thawed.map(({ holdingId }) => holdingId);
  const frozen = (await stock()).filter(({ placeKind }) => placeKind === 'freezer');
  const used = frozen.reduce((sum, { grams }) => sum + grams, 0);
  await house.db.execute(`update place set capacity_ml = ${Math.round(used) + 200} where id = ${freezer}`);
  expect(await move(ids, freezer)).toMatchObject({
    ok: false,
    problems: [{ field: 'fits', message: expect.stringMatching(/0\.2 L of it are free: this is/) as string }],
  });
  expect((await stock()).filter(({ placeId }) => placeId === freezer)).toHaveLength(frozen.length);
  valueOf(await move(ids, freezer, true));
  expect((await stock()).filter(({ placeId }) => placeId === freezer)).toHaveLength(frozen.length + ids.length);
  // Nobody is asked where nobody said what a place holds.
  await house.db.execute(`update place set capacity_ml = null where id = ${fridge}`);
  valueOf(await move(ids, fridge));
});

test('a label that was put right is not taken back in the books alone: it says how it is put right again', async () => {
  const [first] = (await stock()).filter(({ dogId: own }) => own === dogId);
  valueOf(await house.run((context) => packForDog(context, { holdingId: first!.holdingId })));
  const { id } = (await readHistory(house.db, first!.holdingId)).at(-1)!;
  expect(await house.run((context) => reverseMovement(context, { movementId: id }))).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/put right again, not taken back/) as string }],
  });
  expect((await pack(first!.code)).dogId).toBeUndefined();
});
