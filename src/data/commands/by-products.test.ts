import { summaryOf } from '@/core/batch/summary';
import { fatKcalOf } from '@/core/nutrition/energy';
import { grams } from '@/core/quantity/units';
import { sharesOf } from '@/core/portion/shares';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { answerAsks, firstMeal, plannedExample, weighedBatch } from '../fixtures/worked-path';
import { readAvoided } from '../repositories/avoided';
import { readBatch, readBatchList } from '../repositories/batches';
import { readDogs } from '../repositories/dogs';
import { readPots } from '../repositories/pots';
import { readStoredPlan } from '../repositories/plans';
import { readLatestVersion } from '../repositories/recipes';
import { readStock } from '../repositories/stock';
import { sourceOf } from '../repositories/sources';
import { fitFor } from '@/core/stock/draw';
import { feedBowl } from './bowls';
import { dropByProduct, keepByProduct } from './by-products';
import { weighBatch } from './batches';
import { startCooking } from './start-batch';
import { cookBatch } from './cook-day';
import { sealShare } from './packs';
import { setShares } from './shares';

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
const KEPT = 150;
const SKIMMED = 12;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T10:00:00Z');
  ids = await plannedExample(house, '2026-11-25');
  const version = await readLatestVersion(house.db, house.reference, ids.recipeId);
  const went = version!.lines.map((line) => line.grams);
  valueOf(await house.run((context) => startCooking(context, { batchId: ids.batchId, grams: went })));
  valueOf(await house.run((context) => answerAsks(context, ids.batchId)));
  valueOf(await weigh({ kept: KEPT, skimmed: SKIMMED }));
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const weigh = (out: { kept?: number; skimmed?: number; packsStand?: boolean }) =>
  house.run((context) =>
    weighBatch(context, {
      batchId: ids.batchId,
      weighing: { by: 'scale', vessels: [{ name: 'pot', gross: grams(3400), tare: grams(1240) }] },
      eatenBefore: 0,
      ...out,
    }),
  );
const keep = async (of: 'broth' | 'fat') =>
  valueOf(await house.run((context) => keepByProduct(context, { batchId: ids.batchId, of }))).batchId;
const setTo = async (batchId: number, freezer: number) =>
  valueOf(
    await house.run((context) =>
      setShares(context, { batchId, shares: sharesOf({ today: 0, fridge: 0, freezer, dry: 0 }) }),
    ),
  );
async function sealed(of: 'broth' | 'fat', mass: number) {
  const batchId = await keep(of);
  await setTo(batchId, mass);
  const [share] = (await weighedBatch(house, batchId)).shares;
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId: share!.id })));
  return { batchId, pack: (await readStock(house.db)).find((pack) => pack.beside)! };
}

test('the liquid that was kept is a batch of its own: of its pot, of its day, with no task of its own and an estimate', async () => {
  const id = await keep('broth');
  const own = await weighedBatch(house, id);
  expect(own.recipeName).toBe('Broth of Venison, barley & parsnip');
  expect(own.yields[0]).toMatchObject({ net: KEPT, estimated: true });
  expect(own.startedAt).toEqual((await weighedBatch(house, ids.batchId)).startedAt);
  expect([own.day.tasks, own.day.loads, own.pans]).toEqual([[], [], []]);
  expect(summaryOf(own)).toMatchObject({ step: 'divide', next: 'divide it' });
  expect(own.parentId).toBe(ids.batchId);
  expect((await readBatchList(house.db)).map((each) => each.recipeName)).toContain(own.recipeName);
});

test.each(['4-9-4', 'modified', 'table'] as const)(
  'the fat has the energy that its pot lost, by %s: what comes in goes out',
  async (factors) => {
    const own = summaryOf((await readBatch(house.db, await keep('fat'), factors))!)!;
    expect(own.kcal[factors]).toBeCloseTo(SKIMMED * fatKcalOf(factors), 6);
  },
);

test('it is no plan’s batch, teaches no yield, and is kept once', async () => {
  const plan = async () => (await readStoredPlan(house.db, (await weighedBatch(house, ids.batchId)).planId))?.batches;
  const before = [await plan(), await readPots(house.db, [ids.recipeId])];
  await keep('broth');
  expect([await plan(), await readPots(house.db, [ids.recipeId])]).toEqual(before);
  const twice = await house.run((context) => keepByProduct(context, { batchId: ids.batchId, of: 'broth' }));
  expect(twice.ok).toBe(false);
});

test('a pack of broth keeps as broth does, is no dog’s meal, and is kept from who avoids its pot', async () => {
  const { pack } = await sealed('broth', KEPT);
  expect(pack).toMatchObject({ grams: KEPT, foodKind: 'broth', estimated: true, unproven: false });
  // USDA: broth 2 to 3 months in the freezer (handbook 10).
  expect(pack.bestBy).toBe('2027-02-25');
  expect(fitFor([sourceOf(pack)], ids.dogId)).toEqual([]);
  const meal = await firstMeal(house, ids.dogId, pack.holdingId, 20);
  expect(await house.run((context) => feedBowl(context, meal))).toMatchObject({
    problems: [{ message: `${pack.code} is Broth of Venison, barley & parsnip: no meal is made of it.` }],
  });
  const what = { kind: 'food', ndb: '17343' } as const;
  const avoids = [{ id: 1, what, label: 'deer', reason: 'reaction', since: '2026-01-01' } as const];
  const dogs = (await readDogs(house.db)).map((dog) => ({ ...dog, avoids }));
  const { today } = await house.context();
  const avoided = await readAvoided(house.db, house.reference, dogs as never, today);
  expect(avoided.ofPack(pack.holdingId, ids.dogId)).toEqual([{ said: 'deer (reaction)', stops: true }]);
});

test('a pot whose heat was not proven marks its broth', async () => {
  const { pack } = await sealed('broth', KEPT);
  const { day } = await weighedBatch(house, ids.batchId);
  const [core] = day.loads[0]!.readings;
  valueOf(
    await house.run((context) =>
      cookBatch(context, {
        batchId: ids.batchId,
        of: { act: 'strike', readingId: core!.id!, why: 'it was another pot' },
      }),
    ),
  );
  valueOf(
    await house.run((context) =>
      cookBatch(context, { batchId: ids.batchId, of: { act: 'go on', load: day.loads[0]!.key, why: 'it boiled' } }),
    ),
  );
  const [after] = (await readStock(house.db)).filter((each) => each.holdingId === pack.holdingId);
  expect(after!.unproven).toBe(true);
});

test('weighed otherwise, what was kept follows its pot; packs are never left without their broth', async () => {
  const id = await keep('broth');
  await setTo(id, KEPT);
  valueOf(await weigh({ kept: 120, skimmed: SKIMMED }));
  const after = await weighedBatch(house, id);
  expect(after.whole.net).toBe(120);
  expect(after.shares.map((share) => share.grams)).toEqual([120]);
  const [share] = after.shares;
  valueOf(await house.run((context) => sealShare(context, { batchId: id, shareId: share!.id })));
  expect(await weigh({ kept: 0 })).toMatchObject({
    problems: [{ message: expect.stringContaining('take its packs back first') }],
  });
  expect(await weigh({ kept: 90 })).toMatchObject({ problems: [{ field: 'packsStand' }] });
  valueOf(await weigh({ kept: 90, packsStand: true }));
  expect((await weighedBatch(house, id)).shares[0]!.left).toBe(0);
});

test('put away while nothing of it is packed, it can be kept again; nothing kept, there is none', async () => {
  const id = await keep('fat');
  valueOf(await house.run((context) => dropByProduct(context, { batchId: id })));
  expect(await readBatch(house.db, id, '4-9-4')).toBeUndefined();
  expect(await keep('fat')).not.toBe(id);
  valueOf(await weigh({ kept: KEPT }));
  expect((await readBatchList(house.db)).some((each) => each.parentId !== undefined)).toBe(false);
  const none = await house.run((context) => keepByProduct(context, { batchId: ids.batchId, of: 'fat' }));
  expect(none).toMatchObject({ problems: [{ message: 'No fat was kept of this pot.' }] });
  const pot = await house.run((context) => dropByProduct(context, { batchId: ids.batchId }));
  expect(pot.ok).toBe(false);
});
