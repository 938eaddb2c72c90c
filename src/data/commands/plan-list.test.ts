import type { PlanItemEntry } from '@/core/plan/list-entry';
import type { LotEntry } from '@/core/stock/lot-entry';
import { readBatchesOf, readShopping, readToThaw } from '../fetching';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { readPlaces } from '../repositories/household';
import { readLots } from '../repositories/lots';
import { readPlanInputs } from '../repositories/plan-inputs';
import { readPlanItems, readPlans } from '../repositories/plans';
import { describeLot, receiveLot } from './lots';
import { buyForSeveral, setPlanItem } from './plan-list';
import { savePlan } from './plans';
import { startCooking } from './start-batch';
import { movePacks } from './stock';

const VENISON = '17343';
let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
let places: Awaited<ReturnType<typeof readPlaces>>;
let planId: number;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  ids = await plannedExample(house, '2026-11-27');
  places = await readPlaces(house.db);
  planId = (await readPlans(house.db, 1))[0]!.id;
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const at = (kind: string) => places.find((place) => place.kind === kind)!.id;
const got = (over: Partial<LotEntry> = {}): LotEntry => ({
  amount: '1900 g',
  price: '',
  date: '',
  is: 'best',
  code: '',
  kind: 'whole meat',
  placeId: at('fridge'),
  ...over,
});
const say = (over: Partial<PlanItemEntry>) =>
  house.run((context) =>
    setPlanItem(context, {
      planId,
      foodKey: VENISON,
      name: 'Venison',
      fetchedFrom: 'shop',
      ticked: true,
      ...over,
    }),
  );
const lots = async () => (await readLots(house.db)).map(({ grams, place }) => [grams, place]);

test('what is ticked as bought is in the house, twice is once, and without its tick it never came', async () => {
  valueOf(await say({ got: got() }));
  // A second device that still shows it unticked.
  valueOf(await say({ got: got() }));
  expect(await lots()).toEqual([[1900, 'fridge']]);
  const [item] = await readPlanItems(house.db, planId);
  // Put right meanwhile, it still goes back whole.
  valueOf(
    await house.run((context) =>
      describeLot(context, { holdingId: item!.holdingId!, entry: got({ amount: '2 kg', placeId: at('freezer') }) }),
    ),
  );
  valueOf(await say({ ticked: false }));
  expect(await lots()).toEqual([]);
  expect((await readPlanItems(house.db, planId))[0]).toMatchObject({ ticked: false, holdingId: undefined });
});

test('what is in the pot did come: its tick cannot be taken away', async () => {
  valueOf(await say({ got: got() }));
  const batch = await readBatch(house.db, ids.batchId, '4-9-4');
  const amounts = batch!.state === 'planned' ? batch!.amounts.filter((amount) => amount > 0) : [];
  valueOf(await house.run((context) => startCooking(context, { batchId: ids.batchId, grams: amounts })));
  const untick = await say({ ticked: false });
  expect(!untick.ok && untick.problems[0]!.message).toMatch(/Venison was used since: it did come/);
  expect((await readPlanItems(house.db, planId))[0]).toMatchObject({ ticked: true });
});

test('out of the freezer: whole bags as far as they go, a part of the last, and back again', async () => {
  for (const amount of ['600 g', '3 kg']) {
    const { holdingId } = valueOf(
      await house.run((context) =>
        receiveLot(context, { came: 'received', key: VENISON, name: 'Venison', entry: got({ amount }) }),
      ),
    );
    valueOf(await house.run((context) => movePacks(context, { holdingIds: [holdingId], placeId: at('freezer') })));
  }
  valueOf(await say({ fetchedFrom: 'freezer', thaw: 1900 }));
  expect(await lots()).toEqual([
    [600, 'fridge'],
    [1700, 'freezer'],
    [1300, 'fridge'],
  ]);
  valueOf(await say({ fetchedFrom: 'freezer', ticked: false }));
  expect(await lots()).toEqual([
    [600, 'freezer'],
    [3000, 'freezer'],
  ]);
});

test('the plan knows what is here: the list buys the rest, the freezer counts it, the calendar wants it thawed in time', async () => {
  const { holdingId } = valueOf(
    await house.run((context) =>
      receiveLot(context, { came: 'found', key: VENISON, name: 'Venison', entry: got({ amount: '4 kg' }) }),
    ),
  );
  const here = async () => {
    const { household, reference, tx, today } = await house.context();
    return readPlanInputs({ tx, reference, household, today });
  };
  expect((await here()).lots).toMatchObject([{ key: VENISON, grams: 4000, place: 'fridge' }]);
  const used = (await here()).freezer.used;
  valueOf(await house.run((context) => movePacks(context, { holdingIds: [holdingId], placeId: at('freezer') })));
  expect((await here()).freezer.used - used).toBe(4000);
  const context = await house.context();
  const read = { ...context, db: context.tx, clock: '12:00' };
  // USDA: about 24 h for 2 kg in the fridge. By hand: 1868 g in one piece take 23 h, and the cook begins at 10.
  expect(await readToThaw(read)).toMatchObject([
    { planId, key: VENISON, cookDay: '2026-11-27', by: { day: '2026-11-26', hour: 11 } },
  ]);
});

test('what one pot takes of the cupboard is not there for the next: its list buys it', async () => {
  valueOf(
    await house.run((context) =>
      receiveLot(context, {
        came: 'found',
        key: VENISON,
        name: 'Venison',
        entry: got({ amount: '2 kg', placeId: at('freezer') }),
      }),
    ),
  );
  const [first] = await readPlans(house.db, 1);
  const later = valueOf(
    await house.run((context) =>
      savePlan(context, {
        entry: { ...first!.entry!, cookDay: '2026-11-28', firstDay: '2026-11-29', lessStock: false },
      }),
    ),
  );
  const context = await house.context();
  const read = { ...context, db: context.tx, clock: '12:00' };
  const list = async (id: number) => {
    const plan = (await readPlans(house.db, 8)).find((each) => each.id === id)!;
    const items = await readShopping(read, plan, await readBatchesOf(read, plan));
    return items.find(({ key }) => key === VENISON)!;
  };
  const [one, two] = [await list(planId), await list(later.planId)];
  expect(one).toMatchObject({ promised: 0, toBuy: 0 });
  expect(two.promised).toBeCloseTo(one.grams, 1);
  expect(two.toBuy).toBeCloseTo(two.grams - (2000 - one.grams), 1);
});

test('bought once for two plans: in the house once, ticked on both lists, and away again with its tick', async () => {
  const [first] = await readPlans(house.db, 1);
  const { planId: second } = valueOf(
    await house.run((context) =>
      savePlan(context, {
        entry: { ...first!.entry!, cookDay: '2026-11-28', firstDay: '2026-11-29', lessStock: false },
      }),
    ),
  );
  const both = { planIds: [planId, second], foodKey: VENISON, name: 'Venison' };
  valueOf(
    await house.run((context) => buyForSeveral(context, { ...both, ticked: true, got: got({ amount: '3800 g' }) })),
  );
  expect(await lots()).toEqual([[3800, 'fridge']]);
  for (const id of both.planIds)
    expect(await readPlanItems(house.db, id)).toMatchObject([{ ticked: true, fetchedFrom: 'shop' }]);
  valueOf(
    await house.run((context) => buyForSeveral(context, { ...both, ticked: true, got: got({ amount: '3800 g' }) })),
  );
  expect(await lots()).toEqual([[3800, 'fridge']]);
  valueOf(await house.run((context) => buyForSeveral(context, { ...both, ticked: false })));
  expect(await lots()).toEqual([]);
  for (const id of both.planIds) expect(await readPlanItems(house.db, id)).toMatchObject([{ ticked: false }]);
});
