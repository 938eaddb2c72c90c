import { kitchenToTick, type KitchenTicks } from '@/core/plan/equipment-entry';
import { eq } from 'drizzle-orm';
import type { LineEntry } from '@/core/recipe/entry-schema';
import { plainBatch, plainPlan, type PlanEntry } from '@/core/plan/plan-entry';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { TWENTY_KILOS } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { readEquipment } from '../repositories/equipment';
import { readPlaces } from '../repositories/household';
import { readPlanItems, readPlans, readPlansAway, readStoredPlan } from '../repositories/plans';
import { readPlannedLines } from '../repositories/planned';
import { planDog } from '../schema/batches';
import { startCooking } from './start-batch';
import { saveDog } from './dogs';
import { putAway } from './away';
import { beginKitchen, saveEquipment, savePlace } from './kitchen';
import { setPlanItem } from './plan-list';
import { savePlan } from './plans';
import { saveRecipe } from './recipes';
import { saveMeasure } from './supplies';

let house: TestHouse;
let ids: { dogId: number; goat: number; venison: number };

const FIRST = '2026-11-26';
const line = (amount: string, ndb: string, part: LineEntry['part']): LineEntry => ({
  amount,
  ndb,
  part,
  moment: 'cook',
});

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  const recipe = async (name: string, meat: string) =>
    valueOf(
      await house.run((context) =>
        saveRecipe(context, {
          entry: {
            name,
            lines: [
              line('1 kg', meat, 'muscle'),
              line('300 g', '20005', 'carbohydrate'),
              line('2 large', '01123', 'egg'),
              line('800 g', '14411', 'liquid'),
            ],
          },
        }),
      ),
    ).recipeId;
  ids = {
    dogId: valueOf(await house.run((context) => saveDog(context, { entry: TWENTY_KILOS }))).dogId,
    goat: await recipe('Goat', '17168'),
    venison: await recipe('Venison', '17343'),
  };
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const entryOf = (over: Partial<PlanEntry> = {}) => plainPlan(ids.goat, [ids.dogId], FIRST, over);
const keep = async (over: Partial<PlanEntry> = {}, planId?: number) =>
  house.run((context) => savePlan(context, { entry: entryOf(over), ...(planId ? { planId } : {}) }));
const batchOf = async (id: number) => (await readBatch(house.db, id, '4-9-4'))!;

test('one recipe for the mornings and one for the evenings: two batches, each for its own meals', async () => {
  const { planId, batchIds } = valueOf(
    await keep({
      batches: [
        { ...plainBatch(ids.goat), meals: 'mornings' },
        { ...plainBatch(ids.venison), meals: 'evenings' },
      ],
    }),
  );
  expect(batchIds).toHaveLength(2);
  const [goat, venison] = await Promise.all(batchIds.map(batchOf));
  expect([goat!.recipeName, venison!.recipeName]).toEqual(['Goat', 'Venison']);
  expect(goat!.filling).toMatchObject({ batch: 0, batches: [{ meals: 'mornings' }, { meals: 'evenings' }] });
  expect(await house.db.select().from(planDog).where(eq(planDog.planId, planId))).toHaveLength(1);
});

test('a kept plan is changed until it is cooked; its batches keep their ids, and a copy stays open', async () => {
  const { planId, batchIds } = valueOf(await keep());
  const before = (await batchOf(batchIds[0]!)).scale;
  const changed = valueOf(
    await keep(
      { batches: [plainBatch(ids.goat), plainBatch(ids.venison)], binding: { ...entryOf().binding, days: '14' } },
      planId,
    ),
  );
  expect(changed.planId).toBe(planId);
  expect(changed.batchIds[0]).toBe(batchIds[0]);
  expect((await batchOf(batchIds[0]!)).scale / before).toBeCloseTo(1, 6);
  const back = valueOf(await keep({}, planId));
  expect(back.batchIds).toEqual(batchIds);
  expect((await readStoredPlan(house.db, planId))!.batches).toHaveLength(1);

  const { takes } = await readPlannedLines(house.db, house.reference, await batchOf(batchIds[0]!));
  valueOf(
    await house.run((context) =>
      startCooking(context, { batchId: batchIds[0]!, grams: takes.map((take) => Math.round(take.bought)) }),
    ),
  );
  expect(await keep({}, planId)).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('being cooked already') }],
  });
  expect((await house.run((context) => putAway(context, { kind: 'plan', id: planId, away: true }))).ok).toBe(false);
  expect((await readStoredPlan(house.db, planId))!.open).toBe(false);
  expect(valueOf(await keep()).planId).not.toBe(planId);
});

test('rounded amounts and a swapped food are what is weighed out', async () => {
  const { batchIds } = valueOf(
    await keep({ rounded: true, batches: [{ ...plainBatch(ids.goat), swaps: { 0: '17343' } }] }),
  );
  const { takes } = await readPlannedLines(house.db, house.reference, await batchOf(batchIds[0]!));
  expect(takes[0]!.written.source.food.ndb).toBe('17343');
  const eggs = takes[2]!.bought / 50;
  expect(eggs).toBeCloseTo(Math.round(eggs), 9);
  expect(takes[0]!.bought % 5).toBeCloseTo(0, 9);
});

test('another recipe may take the place of a line, and is weighed out as itself', async () => {
  const swaps = { 0: `R${ids.venison}` };
  const { batchIds } = valueOf(await keep({ batches: [{ ...plainBatch(ids.goat), swaps }] }));
  const { takes } = await readPlannedLines(house.db, house.reference, await batchOf(batchIds[0]!));
  expect(takes[0]!.written.source.food.name).toBe('Venison');
});

test('the list is ticked, says where a thing is fetched from, and a tick is taken back', async () => {
  const { planId } = valueOf(await keep());
  const say = async (ticked: boolean, fetchedFrom: 'shop' | 'freezer') =>
    valueOf(
      await house.run((context) =>
        setPlanItem(context, { planId, foodKey: '17168', name: 'goat', fetchedFrom, ticked }),
      ),
    );
  await say(false, 'freezer');
  await say(true, 'freezer');
  expect(await readPlanItems(house.db, planId)).toEqual([
    { foodKey: '17168', fetchedFrom: 'freezer', ticked: true, holdingId: undefined },
  ]);
  await say(false, 'shop');
  expect((await readPlanItems(house.db, planId))[0]).toMatchObject({ fetchedFrom: 'shop', ticked: false });
  expect(
    (
      await house.run((context) =>
        setPlanItem(context, { planId: 99, foodKey: 'x', name: 'x', fetchedFrom: 'shop', ticked: true }),
      )
    ).ok,
  ).toBe(false);
});

test('a plan that is put away is gone, and nothing half is kept of one that is refused', async () => {
  const { planId } = valueOf(await keep());
  valueOf(await house.run((context) => putAway(context, { kind: 'plan', id: planId, away: true })));
  expect(await readStoredPlan(house.db, planId)).toBeUndefined();
  expect((await keep({ dogIds: [] })).ok).toBe(false);
  expect((await keep({ batches: [plainBatch(ids.goat), plainBatch(ids.goat)] })).ok).toBe(false);
  expect(await readPlans(house.db, 9)).toEqual([]);
  expect((await readPlansAway(house.db, 9)).map((away) => away.id)).toEqual([planId]);
  valueOf(await house.run((context) => putAway(context, { kind: 'plan', id: planId, away: false })));
  expect((await readStoredPlan(house.db, planId))?.open).toBe(true);
});

test('the vessel limits the plan: what cannot fit is refused before anything is bought', async () => {
  const entry = { kind: 'pot', name: 'thimble', size: '20 mL', count: '1' } as const;
  const { id } = valueOf(await house.run((context) => saveEquipment(context, { entry })));
  expect(await keep()).toMatchObject({ ok: false, problems: [{ field: 'vessel' }] });
  valueOf(await house.run((context) => saveEquipment(context, { id, entry: { ...entry, size: '12 L' } })));
  expect((await keep()).ok).toBe(true);
  valueOf(await house.run((context) => putAway(context, { kind: 'equipment', id, away: true })));
  expect(await readEquipment(house.db)).toEqual([]);
  valueOf(await house.run((context) => putAway(context, { kind: 'equipment', id, away: false })));
  expect((await readEquipment(house.db)).map((thing) => thing.id)).toEqual([id]);
});

test('the vessel that a plan chose is the one that is filled: a pressure cooker is said to be one', async () => {
  const made = async (name: string, kind: 'pot' | 'pressure cooker') =>
    valueOf(await house.run((context) => saveEquipment(context, { entry: { kind, name, size: '12 L', count: '2' } })))
      .id;
  await made('Stockpot', 'pot');
  const cooker = await made('Pressure cooker', 'pressure cooker');
  const { batchIds } = valueOf(await keep({ batches: [{ ...plainBatch(ids.goat), vessels: { 0: cooker } }] }));
  const { components } = await readPlannedLines(house.db, house.reference, await batchOf(batchIds[0]!));
  expect(components).toMatchObject([{ vessel: 'Pressure cooker', vessels: 2, pressure: true }]);
});

test('a pack as sold is remembered for a food, and bought whole', async () => {
  valueOf(await house.run((context) => saveMeasure(context, { ndb: '17168', unit: 'pack', weight: '500 g' })));
  const { batchIds } = valueOf(await keep({ rounded: true }));
  const { takes } = await readPlannedLines(house.db, house.reference, await batchOf(batchIds[0]!));
  expect(takes[0]!.bought % 500).toBeCloseTo(0, 9);
});

test.each([
  [{ kind: 'pot', name: '', size: '7 L', count: '1' }, 'name'],
  [{ kind: 'pot', name: 'pot', size: '7 kg', count: '1' }, 'size'],
  [{ kind: 'pot', name: 'pot', size: '', count: '1' }, 'size'],
  [{ kind: 'freeze-dryer', name: 'dryer', size: '7 L', count: '4' }, 'size'],
  [{ kind: 'container', name: 'tub', size: '700 mL', count: '0' }, 'count'],
] as const)('%j is refused at its field', async (entry, field) => {
  expect(await house.run((context) => saveEquipment(context, { entry }))).toMatchObject({
    ok: false,
    problems: [{ field }],
  });
  expect(await readEquipment(house.db)).toEqual([]);
});

test('a new kitchen begins with what was ticked, once; a size that cannot be is refused at its thing', async () => {
  const things = kitchenToTick('metric').map(({ entry }) => entry);
  const begin = (ticks: KitchenTicks) => house.run((context) => beginKitchen(context, ticks));
  expect(await begin({ things: [] })).toMatchObject({ ok: false });
  const wrong = [things[0]!, { ...things[1]!, size: 'big' }];
  expect(await begin({ things: wrong })).toMatchObject({ problems: [{ field: 'things.1.size' }] });
  expect(await begin({ things, freezer: '3 kg' })).toMatchObject({ problems: [{ field: 'freezer' }] });
  expect(await readEquipment(house.db)).toEqual([]);
  valueOf(await begin({ things, freezer: '60 L' }));
  expect((await readEquipment(house.db)).map((thing) => thing.kind)).toEqual(things.map(({ kind }) => kind));
  expect((await readPlaces(house.db)).find((place) => place.kind === 'freezer')?.capacityMl).toBe(60_000);
  expect((await begin({ things })).ok).toBe(false);
  expect((await keep()).ok).toBe(true);
});

test('a freezer has a size, which can be made unknown again; a second one may stand beside it', async () => {
  const freezers = async () => (await readPlaces(house.db)).filter((place) => place.kind === 'freezer');
  const [freezer] = await freezers();
  const size = (text: string, over = {}) =>
    house.run((context) => savePlace(context, { ...freezer!, size: text, ...over }));
  valueOf(await size('60 L'));
  expect((await freezers())[0]!.capacityMl).toBe(60_000);
  for (const text of ['60 kg', '0 L', '9000000 L'])
    expect(await size(text)).toMatchObject({ ok: false, problems: [{ field: 'size' }] });
  expect(await size('60 L', { name: ' ' })).toMatchObject({ ok: false, problems: [{ field: 'name' }] });
  valueOf(await size(''));
  expect((await freezers())[0]!.capacityMl).toBeNull();
  valueOf(await size('100 L', { id: undefined, name: 'Chest in the shed' }));
  expect((await freezers()).map((place) => place.name)).toEqual(['Freezer', 'Chest in the shed']);
});
