import type { CommandResult } from '@/core/problem';
import { mendSlip } from '@/core/preserve/tray-slips';
import { sharesOf } from '@/core/portion/shares';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readReadings } from '../repositories/readings';
import { readStock } from '../repositories/stock';
import { fillPack, sealShare } from './packs';
import { setShares } from './shares';
import { saveTrays, sayHowDried, settleTrayRest, weighTraysAgain } from './trays';

const problemsOf = (answer: CommandResult<unknown>) => (answer.ok ? [] : answer.problems);
let house: TestHouse;
let batchId: number;
let shareId: number;

// 2310 g weighed, 670.65 g of solids in it (worked example): 29 % solids, 290 g of each kg.
beforeAll(async () => {
  house = await freshHouse('2026-11-25T10:00:00Z');
  const ids = await plannedExample(house, '2026-11-25');
  batchId = ids.batchId;
  await weighedExample(house, ids);
  const shares = sharesOf({ today: 0, fridge: 310, freezer: 0, dry: 2000 });
  valueOf(await house.run((context) => setShares(context, { batchId, shares })));
  shareId = (await dryShare()).id;
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const dryShare = async () => (await weighedBatch(house, batchId)).shares.find((each) => each.fate === 'dry')!;
type Tray = { tare: number; wetGross: number; dryGross?: number };
const save = (trays: Tray[]) => house.run((context) => saveTrays(context, { batchId, shareId, trays }));
const again = (...grams: (number | undefined)[]) =>
  house.run((context) => weighTraysAgain(context, { batchId, shareId, grams }));

test('an honest reading under the table’s solids is kept with a word; one press mends a forgotten tare', async () => {
  valueOf(await save([{ tare: 600, wetGross: 1600, dryGross: 875 }]));
  expect((await dryShare()).dried!.slips).toMatchObject([{ kind: 'light', tray: 0 }]);
  // Two trays, the second one's own 640 g left in both weighings.
  const slipped = [
    { tare: 600, wetGross: 1600, dryGross: 900 },
    { tare: 0, wetGross: 980, dryGross: 742 },
  ];
  valueOf(await save(slipped));
  const [slip, ...others] = (await dryShare()).dried!.slips;
  expect([slip, others]).toEqual([{ kind: 'tare in both', tray: 1, grams: expect.closeTo(640, -1.3) }, []]);
  valueOf(await save([...mendSlip(slipped, slip!)!]));
  const { dried } = await dryShare();
  expect(dried!.slips).toEqual([]);
  expect(dried!.dry).toBeCloseTo(300 + 102, -1.3);
});

test('dried on: every weighing stays, the last one holds; heavier than before is asked about', async () => {
  valueOf(await save([{ tare: 600, wetGross: 2600, dryGross: 1300 }]));
  expect((await dryShare()).dried!.slips).toMatchObject([{ kind: 'wet core', tray: 0 }]);
  expect(problemsOf(await again(1330))[0]).toMatchObject({
    field: 'grams.0',
    message: expect.stringMatching(/30 g more/),
  });
  expect(problemsOf(await again(590))[0]!.field).toBe('grams.0');
  expect(problemsOf(await again(undefined))[0]!.field).toBe('grams.0');
  expect(problemsOf(await again(1200, 1200))[0]!.field).toBe('grams.1');
  house.setNow('2026-11-25T12:00:00Z');
  valueOf(await again(1202));
  house.setNow('2026-11-25T13:30:00Z');
  valueOf(await again(1200));
  const { trays, dried } = await dryShare();
  expect(trays[0]!.dryings).toEqual([1300, 1202, 1200]);
  // Hours since it was weighed wet.
  expect(trays[0]!.hours).toEqual([0, 2, 3.5]);
  expect([dried!.dry, dried!.water, dried!.slips]).toEqual([600, 1400, []]);
  // Nothing of it was struck out.
  expect((await readReadings(house.db, batchId)).filter((each) => each.kind === 'struck')).toEqual([]);
  valueOf(await house.run((context) => sealShare(context, { batchId, shareId })));
  const packs = (await readStock(house.db)).filter((pack) => pack.foodKind === 'freeze-dried');
  expect(packs.reduce((sum, pack) => sum + pack.grams, 0)).toBe(600);
  expect(problemsOf(await again(1199))[0]!.message).toMatch(/sealed already/);
});

test('what its weighings say is not dry is asked about before it is bagged; dry by two of them it is not', async () => {
  const seal = (damp?: boolean) =>
    house.run((context) => sealShare(context, { batchId, shareId, ...(damp === undefined ? {} : { damp }) }));
  valueOf(await save([{ tare: 600, wetGross: 2600, dryGross: 1230 }]));
  valueOf(await again(1202));
  // 28 g of 630 are lost since: far from the half per cent that two weighings may differ by (handbook 10).
  expect(problemsOf(await seal())[0]).toMatchObject({
    field: 'damp',
    message: expect.stringMatching(/not dry yet/) as string,
  });
  const fill = await house.run(async (context) =>
    fillPack(context, {
      batchId,
      shareId,
      index: 0,
      grams: 100,
      spread: false,
      revision: (await weighedBatch(house, batchId)).revision,
    }),
  );
  expect(problemsOf(fill)[0]!.field).toBe('damp');
  expect((await readStock(house.db)).filter((pack) => pack.foodKind === 'freeze-dried')).toEqual([]);
  valueOf(await seal(true));
  expect((await readStock(house.db)).some((pack) => pack.foodKind === 'freeze-dried')).toBe(true);
});

test('what the share holds and no tray does goes back to be divided: not lost, not twice', async () => {
  const back = () => house.run((context) => settleTrayRest(context, { batchId, shareId, became: 'back' }));
  expect((await back()).ok).toBe(false);
  valueOf(await save([{ tare: 600, wetGross: 2100 }]));
  valueOf(await back());
  const found = await weighedBatch(house, batchId);
  expect(found.shares.find((each) => each.id === shareId)!.grams).toBe(1500);
  expect(found.yields[0]!.undivided).toBe(500);
  expect((await back()).ok).toBe(false);
});

test('what was eaten or thrown off the trays is said, and the mass stays in balance', async () => {
  const became = (said: 'eaten' | 'thrown') =>
    house.run((context) => settleTrayRest(context, { batchId, shareId, became: said }));
  valueOf(await save([{ tare: 600, wetGross: 2100 }]));
  valueOf(await became('eaten'));
  expect((await dryShare()).gone).toEqual({ eaten: 500, thrown: 0 });
  expect((await became('thrown')).ok).toBe(false);
  // It cannot be set to less than what lies on trays and was eaten.
  const sets = sharesOf({ today: 0, fridge: 310, freezer: 1, dry: 1999 }).map((each) =>
    each.fate === 'dry' ? { ...each, id: shareId } : each,
  );
  expect(problemsOf(await house.run((context) => setShares(context, { batchId, shares: sets })))[0]!.message).toMatch(
    /lie on trays already/,
  );
});

test('a tray that is thrown away leaves the load, and comes back where that was a slip', async () => {
  const how = (of: Parameters<typeof sayHowDried>[1]['of']) =>
    house.run((context) => sayHowDried(context, { batchId, shareId, of }));
  valueOf(
    await save([
      { tare: 600, wetGross: 1600 },
      { tare: 610, wetGross: 1610 },
    ]),
  );
  const [first, second] = (await dryShare()).trays;
  valueOf(await how({ what: 'throw', trays: [first!.id], why: 'warm for 3 h without power' }));
  expect((await dryShare()).gone.thrown).toBe(1000);
  expect((await dryShare()).thrown).toEqual([{ id: first!.id, grams: 1000, why: 'warm for 3 h without power' }]);
  expect((await dryShare()).trays.map(({ id }) => id)).toEqual([second!.id]);
  // The tray that stays is dried alone; what was thrown is neither dried nor to be weighed.
  valueOf(await save([{ tare: 610, wetGross: 1610, dryGross: 910 }]));
  expect((await dryShare()).dried!.wet).toBe(1000);
  valueOf(await how({ what: 'not thrown', tray: first!.id }));
  expect((await dryShare()).trays).toHaveLength(2);
  valueOf(await how({ what: 'touch', tray: second!.id, touch: 'warm' }));
  expect((await dryShare()).trays.find(({ id }) => id === second!.id)!.touch).toBe('warm');
});

test('all of a share thrown away: nothing is left to be packed', async () => {
  valueOf(
    await save([
      { tare: 0, wetGross: 1000 },
      { tare: 0, wetGross: 1000 },
    ]),
  );
  const trays = (await dryShare()).trays.map(({ id }) => id);
  valueOf(
    await house.run((context) =>
      sayHowDried(context, { batchId, shareId, of: { what: 'throw', trays, why: 'warm and wet' } }),
    ),
  );
  const share = await dryShare();
  expect(share.sealed).toBe(true);
  expect(share.left).toBe(0);
});
