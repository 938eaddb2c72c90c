import { sharesOf } from '@/core/portion/shares';
import type { PackPlanEntry } from '@/core/portion/pack-plan';
import { fitFor } from '@/core/stock/draw';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, TWENTY_KILOS, weighedBatch, weighedExample, planOne, SEEN } from '../fixtures/worked-path';
import { readFilling } from '../repositories/filling';
import { readMeasured } from '../repositories/measured-here';
import { readStock } from '../repositories/stock';
import { sourceOf } from '../repositories/sources';
import { saveDog } from './dogs';
import { saveEquipment } from './kitchen';
import { strikeObservation } from './learned';
import { weighCup } from './rations';
import { fillPack, sealShare } from './packs';
import { planPacks, setShares } from './shares';
import { takeBackPacks, takeBackShare } from './stock';

const TODAY = '2026-11-25';
const EMPTY: PackPlanEntry = { by: 'dog and day', size: '', count: '', each: '', aim: 'fewest' };
let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
let small: number;
let batchId: number;

beforeAll(async () => {
  house = await freshHouse(`${TODAY}T10:00:00Z`);
  ids = await plannedExample(house, TODAY);
  small = valueOf(
    await house.run((context) => saveDog(context, { entry: { ...TWENTY_KILOS, name: 'Small', weight: '6 kg' } })),
  ).dogId;
  batchId = valueOf(
    await house.run((context) =>
      planOne(context, ids.recipeId, [ids.dogId, small], 3, { firstDay: TODAY, seen: SEEN }),
    ),
  ).batchId;
  await weighedExample(house, { ...ids, batchId });
  valueOf(
    await house.run((context) =>
      setShares(context, { batchId, shares: sharesOf({ today: 0, fridge: 1310, freezer: 1000, dry: 0 }) }),
    ),
  );
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const shareOf = async (fate: 'fridge' | 'freezer') =>
  (await weighedBatch(house, batchId)).shares.find((each) => each.fate === fate)!;
const plan = async (fate: 'fridge' | 'freezer', entry: Partial<PackPlanEntry>) => {
  const { id: shareId } = await shareOf(fate);
  return house.run((context) => planPacks(context, { batchId, shareId, entry: { ...EMPTY, ...entry } }));
};
const seal = async (fate: 'fridge' | 'freezer') => {
  const { id: shareId } = await shareOf(fate);
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId })));
  return (await readStock(house.db)).filter((pack) => pack.contents.some((each) => each.shareId === shareId));
};

test('one a day for all dogs: the bag says the part of each, and is for these dogs alone', async () => {
  valueOf(await plan('fridge', { by: 'household day' }));
  const packs = await seal('fridge');
  const [first] = packs;
  expect(first!.dogId).toBeUndefined();
  expect(first!.split!.map(({ dogId }) => dogId)).toEqual([ids.dogId, small]);
  expect(first!.split!.reduce((sum, each) => sum + each.grams, 0)).toBe(first!.grams);
  expect(packs.reduce((sum, pack) => sum + pack.grams, 0)).toBe(1310);
  const fits = (dogId: number) => fitFor([sourceOf(first!)], dogId).length;
  expect([fits(ids.dogId), fits(small), fits(9999)]).toEqual([1, 1, 0]);
});

test('two ways in one batch; taken back, the share is filled in its way again', async () => {
  valueOf(await plan('fridge', { by: 'weight', size: '300 g' }));
  expect((await seal('fridge')).map((pack) => [pack.grams, pack.short])).toEqual([
    [300, false],
    [300, false],
    [300, false],
    [300, false],
    [110, true],
  ]);
  expect((await seal('freezer')).every((pack) => pack.grams !== 300)).toBe(true);
  const { id: shareId } = await shareOf('fridge');
  valueOf(await house.run((context) => takeBackShare(context, { batchId, shareId })));
  expect((await shareOf('fridge')).plan).toEqual({ by: 'weight', grams: 300 });
  expect(await seal('fridge')).toHaveLength(5);
});

test('a volume needs a cup that was weighed; containers those that are there', async () => {
  expect(await plan('fridge', { by: 'volume', size: '500 mL' })).toMatchObject({
    ok: false,
    problems: [{ field: 'size', message: expect.stringContaining('Weigh one cup of this food first') }],
  });
  expect((await shareOf('fridge')).plan).toBeUndefined();
  valueOf(await house.run((context) => weighCup(context, { recipeId: ids.recipeId, grams: 240 })));
  valueOf(await plan('fridge', { by: 'volume', size: '500 mL' }));
  const half = (await seal('fridge'))[0]!.grams;
  // 240 g in a cup of 250 mL, or of 236.588 mL in a US household.
  expect([480, 507]).toContain(half);
  expect(await plan('freezer', { by: 'containers' })).toMatchObject({ ok: false, problems: [{ field: 'aim' }] });
  const entry = { kind: 'container' as const, name: 'tubs', size: '450 g', count: '3' };
  valueOf(await house.run((context) => saveEquipment(context, { entry })));
  valueOf(await plan('freezer', { by: 'containers' }));
  expect((await seal('freezer')).map((pack) => pack.grams)).toEqual([450, 450, 100]);
});

test('what was eaten today is not bagged; a plan that cannot be read changes nothing', async () => {
  expect(await plan('fridge', { by: 'slabs', count: '0' })).toMatchObject({
    ok: false,
    problems: [{ field: 'count' }],
  });
  expect((await shareOf('fridge')).plan).toBeUndefined();
});

test('filled on the scale, what was weighed is what a pack holds; the rest is cut anew, and none is filled twice', async () => {
  valueOf(await plan('fridge', { by: 'weight', size: '300 g' }));
  const { id: shareId } = await shareOf('fridge');
  const revision = async () => (await weighedBatch(house, batchId)).revision;
  const fill = async (over: Partial<Parameters<typeof fillPack>[1]> = {}) =>
    house.run(async (context) =>
      fillPack(context, { batchId, shareId, index: 0, grams: 300, spread: false, revision: seen, ...over }),
    );
  let seen = await revision();
  expect(valueOf(await fill({ grams: 311.24 })).grams).toBe(311.2);
  // Another page that still shows the pack as empty is told.
  expect(await fill()).toMatchObject({ ok: false, problems: [{ field: 'revision' }] });
  seen = await revision();
  valueOf(await fill({ grams: 289 }));
  const stock = (await readStock(house.db)).filter((pack) => pack.contents.some((each) => each.shareId === shareId));
  expect(stock.map((pack) => [pack.grams, pack.labelGrams, pack.byTarget])).toEqual([
    [311.2, 311.2, false],
    [289, 289, false],
  ]);
  expect((await shareOf('fridge')).left).toBeCloseTo(1310 - 311.2 - 289, 6);
  seen = await revision();
  expect(await fill({ grams: 900 })).toMatchObject({ ok: false, problems: [{ field: 'grams' }] });
  expect(await fill({ grams: 0 })).toMatchObject({ ok: false, problems: [{ field: 'grams' }] });
  expect(await fill({ index: 40 })).toMatchObject({ ok: false, problems: [{ field: 'revision' }] });
  // 709.8 left are two of 300 and 110: spread, they are two of 355.
  valueOf(await fill({ grams: 355, spread: true }));
  valueOf(await house.run((context) => takeBackPacks(context, [stock[0]!.holdingId])));
  expect((await shareOf('fridge')).left).toBeCloseTo(1310 - 289 - 355, 6);
  expect((await seal('fridge')).filter((pack) => pack.byTarget).reduce((sum, pack) => sum + pack.grams, 0)).toBe(666);
});

test('a bag for all dogs that weighs otherwise keeps each dog’s part of it', async () => {
  valueOf(await plan('fridge', { by: 'household day' }));
  const { id: shareId } = await shareOf('fridge');
  const { revision } = await weighedBatch(house, batchId);
  const entry = { batchId, shareId, index: 0, grams: 1200, spread: false, revision };
  valueOf(await house.run((context) => fillPack(context, entry)));
  const [bag] = (await readStock(house.db)).filter((pack) => pack.split);
  expect(bag!.grams).toBe(1200);
  expect(bag!.split!.reduce((sum, each) => sum + each.grams, 0)).toBe(1200);
});

test('a container that was weighed twice takes what this kitchen puts into it; struck out, what the Household says', async () => {
  const entry = { kind: 'container' as const, name: 'tubs', size: '450 g', count: '9' };
  valueOf(await house.run((context) => saveEquipment(context, { entry })));
  valueOf(await plan('freezer', { by: 'containers' }));
  const { id: shareId } = await shareOf('freezer');
  const takes = async () => {
    const { containers } = await readFilling(house.db, await weighedBatch(house, batchId), 'metric');
    const [tub] = containers({ fate: 'freezer' });
    return [tub!.grams, tub!.of];
  };
  const fill = async (grams: number) => {
    const { revision } = await weighedBatch(house, batchId);
    valueOf(
      await house.run((context) => fillPack(context, { batchId, shareId, index: 0, grams, spread: false, revision })),
    );
  };
  await fill(430);
  expect(await takes()).toEqual([450, 0]);
  await fill(440);
  // (430 + 440) / 2.
  expect(await takes()).toEqual([435, 2]);
  const [last] = await readMeasured(house.db, 'fill', 'UTC');
  valueOf(await house.run((context) => strikeObservation(context, { key: last!.key, isStruck: true })));
  expect(await takes()).toEqual([450, 0]);
  // What is left of the share is less than a container: it says nothing of one.
  await fill(130);
  expect(await readMeasured(house.db, 'fill', 'UTC')).toHaveLength(2);
});
