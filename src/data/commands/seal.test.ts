import { sharesOf } from '@/core/portion/shares';
import { addUp } from '@/core/add-up';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readTraysOfPack } from '../repositories/bags';
import { readPacks, readStock } from '../repositories/stock';
import { fillPack, sealShare } from './packs';
import { noteQuality, dropQuality } from './quality';
import { readQuality, readQualityOfRecipe } from '../repositories/quality';
import { planPacks, setShares } from './shares';
import { movePacks, takeBackShare } from './stock';
import { saveTrays, sayHowDried } from './trays';

let house: TestHouse;
let batchId: number;
let recipeId: number;
let dogId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T10:00:00Z');
  const ids = await plannedExample(house, '2026-11-25');
  ({ batchId, recipeId, dogId } = ids);
  await weighedExample(house, ids);
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const divide = (shares: { freezer?: number; fridge?: number; dry?: number }) =>
  house.run((context) =>
    setShares(context, { batchId, shares: sharesOf({ today: 0, fridge: 0, freezer: 0, dry: 0, ...shares }) }),
  );
const share = async (fate: string) => (await weighedBatch(house, batchId)).shares.find((each) => each.fate === fate)!;
const packs = () => readStock(house.db);
const seen = async () => (await weighedBatch(house, batchId)).revision;

test('what waits for the freezer lies in the fridge: its days count, and its label says how long it keeps frozen', async () => {
  valueOf(await divide({ fridge: 310, freezer: 2000 }));
  const shareId = (await share('freezer')).id;
  const seal = (days: number) =>
    house.run((context) => sealShare(context, { batchId, shareId, freezeOn: [{ index: 1, days }] }));
  expect(await seal(5)).toMatchObject({ problems: [{ field: 'freezeOn' }] });
  expect(await packs()).toHaveLength(0);
  valueOf(await seal(1));
  const [first, second] = await packs();
  expect([first!.placeKind, first!.safeUntil, first!.bestBy]).toEqual(['freezer', undefined, '2027-02-25']);
  expect([second!.placeKind, second!.safeUntil, second!.freezeOn]).toEqual(['fridge', '2026-11-29', '2026-11-26']);
  expect(second!.labelBestBy).toBe('2027-02-26');
  // The next day it goes in; thawed, a fridge day is gone.
  house.setNow('2026-11-26T10:00:00Z');
  const freezer = first!.placeId;
  valueOf(
    await house.run((context) => movePacks(context, { holdingIds: [second!.holdingId], placeId: second!.freezeIn! })),
  );
  const [frozen] = await readPacks(house.db, [second!.holdingId]);
  expect([frozen!.placeId, frozen!.bestBy]).toEqual([freezer, '2027-02-26']);
  house.setNow('2026-12-10T10:00:00Z');
  valueOf(
    await house.run((context) => movePacks(context, { holdingIds: [second!.holdingId], placeId: second!.placeId })),
  );
  expect((await readPacks(house.db, [second!.holdingId]))[0]!.safeUntil).toBe('2026-12-13');
  // And what is sealed so is taken back as every pack is.
  valueOf(await house.run((context) => takeBackShare(context, { batchId, shareId })));
  expect(await packs()).toHaveLength(0);
});

test('bags filled tray by tray say which trays they are of, to the tenth of a gram, also after some were taken back', async () => {
  valueOf(await divide({ fridge: 310, dry: 2000 }));
  const shareId = (await share('dry')).id;
  const trays = [
    { tare: 600, wetGross: 1600, dryGross: 900 },
    { tare: 610, wetGross: 1610, dryGross: 911 },
  ];
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays })));
  const entry = { by: 'weight' as const, size: '250 g', count: '', each: '', aim: 'fewest' as const };
  valueOf(await house.run((context) => planPacks(context, { batchId, shareId, entry })));
  valueOf(
    await house.run((context) =>
      sealShare(context, { batchId, shareId, packaging: 'barrier bag with absorber', trayByTray: true }),
    ),
  );
  const sealed = await packs();
  // 300 + 301 g: bags of 250, 250 and 101 g.
  expect(sealed.map(({ grams }) => grams)).toEqual([250, 250, 101]);
  expect(await readTraysOfPack(house.db, sealed[1]!.holdingId)).toEqual([0, 1]);
  expect(await readTraysOfPack(house.db, sealed[2]!.holdingId)).toEqual([1]);
  const bagged = (await share('dry')).packs.flatMap((each) => each.trays ?? []);
  const ids = (await share('dry')).trays.map(({ id }) => id);
  expect(
    ids.map((id) =>
      addUp(
        bagged.filter(({ trayId }) => trayId === id),
        ({ amount }) => amount,
      ),
    ),
  ).toEqual([3000, 3010]);
  expect(sealed[0]).toMatchObject({ packaging: 'barrier bag with absorber', bestBy: '2027-11-25' });
  // The solids are 670.65 / 2310 of the food (worked example, its barley by weight here).
  expect(sealed[0]!.moisture).toBeCloseTo(1 - (2000 * 670.65) / 2310 / 601, 2);
});

test('a part of a tray that is laid out for a dog becomes that dog’s bag, on the scale and by target', async () => {
  valueOf(await divide({ fridge: 310, dry: 2000 }));
  const shareId = (await share('dry')).id;
  const laid = [
    { tare: 0, wetGross: 700, dryGross: undefined },
    { tare: 0, wetGross: 700, dryGross: undefined },
    { tare: 0, wetGross: 600, dryGross: undefined },
  ];
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays: laid })));
  const ids = (await share('dry')).trays.map(({ id }) => id);
  const isFor = (dog: number) =>
    house.run((context) => sayHowDried(context, { batchId, shareId, of: { what: 'for', tray: ids[1]!, dogId: dog } }));
  expect(await isFor(999)).toMatchObject({ problems: [{ message: expect.stringMatching(/not one of the plan/) }] });
  valueOf(await isFor(dogId));
  const dry = [210, 211, 180].map((dryGross, index) => ({ ...laid[index]!, dryGross }));
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays: dry })));
  // The second bag is filled on the scale, and 1.5 g stay as crumbs; the others hold what their trays do.
  const fill = { batchId, shareId, index: 1, grams: 209.5, spread: false, revision: await seen() };
  valueOf(await house.run((context) => fillPack(context, fill)));
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId })));
  const bags = (await share('dry')).packs.map((each) => ({
    dogId: each.dogId,
    grams: each.grams,
    of: each.trays?.map(({ trayId }) => ids.indexOf(trayId)),
  }));
  expect(bags).toEqual([
    { dogId, grams: 209.5, of: [1] },
    { dogId: undefined, grams: 211, of: [0] },
    { dogId: undefined, grams: 181, of: [2] },
  ]);
});

test('bags filled on the scale tray by tray say which trays they are of', async () => {
  valueOf(await divide({ fridge: 310, dry: 2000 }));
  const shareId = (await share('dry')).id;
  const trays = [
    { tare: 0, wetGross: 1000, dryGross: 300 },
    { tare: 0, wetGross: 1000, dryGross: 301 },
  ];
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays })));
  const entry = { by: 'weight' as const, size: '200 g', count: '', each: '', aim: 'fewest' as const };
  valueOf(await house.run((context) => planPacks(context, { batchId, shareId, entry })));
  const fill = { batchId, shareId, index: 0, grams: 200, spread: false, revision: await seen(), trayByTray: true };
  valueOf(await house.run((context) => fillPack(context, fill)));
  const next = { ...fill, grams: 201, revision: await seen() };
  valueOf(await house.run((context) => fillPack(context, next)));
  const { trays: lay, packs: bags } = await share('dry');
  expect(bags.map(({ trays: of }) => of)).toEqual([
    [{ trayId: lay[0]!.id, amount: 2000 }],
    [
      { trayId: lay[0]!.id, amount: 1000 },
      { trayId: lay[1]!.id, amount: 1010 },
    ],
  ]);
});

test('a jar keeps dried food a month: the packaging is evidence of the pack', async () => {
  valueOf(await divide({ fridge: 310, dry: 2000 }));
  const shareId = (await share('dry')).id;
  const trays = [{ tare: 0, wetGross: 2000, dryGross: 600 }];
  valueOf(await house.run((context) => saveTrays(context, { batchId, shareId, trays })));
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId, packaging: 'jar' })));
  expect((await packs())[0]).toMatchObject({ packaging: 'jar', bestBy: '2026-12-25' });
});

test('how a pack was is noted, belongs to its kind of food, and can be taken back', async () => {
  valueOf(await divide({ freezer: 2310 }));
  const shareId = (await share('freezer')).id;
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId })));
  const { holdingId } = (await packs())[0]!;
  const note = (of: { about: 'texture' | 'eaten'; good: boolean; dogId?: number }) =>
    house.run((context) => noteQuality(context, { batchId, holdingId, words: '', ...of }));
  expect(await note({ about: 'eaten', good: false })).toMatchObject({ problems: [{ field: 'dogId' }] });
  valueOf(await note({ about: 'eaten', good: false, dogId }));
  valueOf(await note({ about: 'texture', good: true }));
  expect(await readQualityOfRecipe(house.db, recipeId)).toEqual([
    { kind: 'cooked', about: 'texture', good: true },
    { kind: 'cooked', about: 'eaten', good: false },
  ]);
  const [first] = await readQuality(house.db, { holdingId });
  valueOf(await house.run((context) => dropQuality(context, { noteId: first!.id })));
  expect((await house.run((context) => dropQuality(context, { noteId: first!.id }))).ok).toBe(false);
  expect(await readQuality(house.db, { batchId })).toHaveLength(1);
});
