import { sql } from 'drizzle-orm';
import { batchGraph, imbalance } from '@/core/batch/graph';
import { mealsOn } from '@/core/dog/meals';
import { sharesOf } from '@/core/portion/shares';
import { grams } from '@/core/quantity/units';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedBatch, weighedExample } from '../fixtures/worked-path';
import { readReadings } from '../repositories/readings';
import { readFedOfBatch } from '../repositories/bowls';
import { readDog } from '../repositories/dogs';
import { readHistory } from '../repositories/movements';
import { readPacksOfBatch, readStock } from '../repositories/stock';
import { correctLine, weighBatch } from './batches';
import { feedBowl, takeBackBowl } from './bowls';
import { sealShare } from './packs';
import { tryCommand } from './run';
import { setShares } from './shares';
import { labelOff } from '@/core/stock/label';
import { writeLabelsAgain } from './labels';
import { weighPacksAgain } from './pack-weights';
import { reverseMovement, takeBackPacks, takeBackShare } from './stock';

const TODAY = '2026-11-25';
const vessels = (net: number) => [{ name: 'pot', gross: grams(net + 1240), tare: grams(1240) }];

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;

beforeAll(async () => {
  house = await freshHouse(`${TODAY}T12:00:00Z`);
  ids = await plannedExample(house, TODAY);
  await weighedExample(house, ids);
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const batch = () => weighedBatch(house, ids.batchId);
const weigh = (net: number, packsStand = false) =>
  house.run((context) =>
    weighBatch(context, {
      batchId: ids.batchId,
      weighing: { by: 'scale', vessels: vessels(net) },
      eatenBefore: 0,
      packsStand,
    }),
  );
const divide = (shares: Parameters<typeof sharesOf>[0]) =>
  house.run((context) => setShares(context, { batchId: ids.batchId, shares: sharesOf(shares) }));
async function feed(holdingId: number, mass: number, meal = 0) {
  const dog = (await readDog(house.db, ids.dogId))!;
  const slotId = mealsOn(dog, TODAY as never)[meal]!.id;
  return house.run((context) =>
    feedBowl(context, { dogId: dog.id, slotId, day: TODAY, at: 'now', parts: [{ holdingId, grams: mass }] }),
  );
}
/** What the ledger says of a batch: everything that left the pot lies in packs or was eaten, to the gram. */
async function closes() {
  const own = await batch();
  for (const [key, gap] of imbalance(batchGraph(own, [], '4-9-4')))
    expect([key, Math.abs(gap) < 1e-6]).toEqual([key, true]);
  const { rows } = await house.db.execute<{
    unbalanced: number;
    drift: number;
    cooked: number;
    packed: number;
  }>(sql`select
    (select count(*)::int from (select movement_id from leg group by movement_id having sum(amount) <> 0) m) unbalanced,
    (select count(*)::int from holding h where h.amount <> coalesce((select sum(amount) from leg where holding_id = h.id), 0)) drift,
    (select -coalesce(sum(amount), 0)::int from leg where account = 'cooked') cooked,
    (select coalesce(sum(c.amount), 0)::int from pack_content c join holding h on h.id = c.holding_id where not h.void) packed`);
  const warm = own.shares.filter((share) => share.fate === 'today').reduce((sum, share) => sum + share.used, 0);
  expect(rows[0]).toMatchObject({ unbalanced: 0, drift: 0, cooked: Math.round(rows[0]!.packed + warm * 10) });
  return own;
}

test('liquid that was poured off is a mass of its own: weighed, put right, poured back', async () => {
  const weighing = { by: 'scale' as const, vessels: vessels(2110) };
  const of = (kept?: number) =>
    house.run((context) =>
      weighBatch(context, {
        batchId: ids.batchId,
        weighing,
        eatenBefore: 0,
        ...(kept === undefined ? {} : { kept }),
        packsStand: true,
      }),
    );
  valueOf(await of(150));
  const kept = async () =>
    batchGraph(await closes(), [], '4-9-4').edges.flatMap((edge) => (edge.to === 'kept-0' ? [edge.grams] : []));
  expect(await kept()).toEqual([150]);
  valueOf(await of(80));
  expect(await kept()).toEqual([80]);
  valueOf(await of());
  expect(await kept()).toEqual([]);
  // What was struck out stays to be seen.
  const all = await readReadings(house.db, ids.batchId);
  expect(all.filter((each) => each.node === 'kept:0' && each.kind === 'gross').map((each) => each.value)).toEqual([
    150, 80,
  ]);
});

test('packs are sealed, taken back, divided anew: not a gram is lost, and no code comes twice', async () => {
  await sealedExample(house, ids.batchId, { today: 0, fridge: 1727, freezer: 583, dry: 0 });
  const first = await closes();
  expect(first.shares.every((share) => share.sealed)).toBe(true);
  for (const share of first.shares)
    valueOf(await house.run((context) => takeBackShare(context, { batchId: ids.batchId, shareId: share.id })));
  const open = await closes();
  expect(open.shares.map((share) => [share.left, share.sealed])).toEqual([
    [1727, false],
    [583, false],
  ]);
  expect(await readStock(house.db)).toEqual([]);
  expect(await readPacksOfBatch(house.db, ids.batchId)).toEqual([]);
  valueOf(await divide({ today: 0, fridge: 864, freezer: 1446, dry: 0 }));
  for (const share of (await batch()).shares.filter((each) => each.grams > 0))
    valueOf(await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId: share.id })));
  const again = await readStock(house.db);
  expect(again.map((pack) => pack.code)).toEqual(['V4', 'V5', 'V6']);
  expect(again.reduce((sum, pack) => sum + pack.grams, 0)).toBe(2310);
  await closes();
});

test('a taking back is taken back while its share has room; then not', async () => {
  const stock = await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  const [v1] = stock;
  valueOf(await house.run((context) => takeBackPacks(context, [v1!.holdingId])));
  const back = (await readHistory(house.db, v1!.holdingId)).at(-1)!;
  valueOf(await house.run((context) => reverseMovement(context, { movementId: back.id })));
  expect((await readStock(house.db)).map((pack) => pack.code)).toEqual(['V1', 'V2', 'V3']);
  valueOf(await house.run((context) => takeBackPacks(context, [v1!.holdingId])));
  const [share] = (await batch()).shares;
  valueOf(await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId: share!.id })));
  const last = (await readHistory(house.db, v1!.holdingId)).at(-1)!;
  expect(await house.run((context) => reverseMovement(context, { movementId: last.id }))).toMatchObject({
    problems: [{ message: expect.stringMatching(/packed otherwise/) as string }],
  });
  await closes();
});

test('packs weighed again give back to their share, or take of it; taken back, they hold what they did', async () => {
  const stock = await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  const again = (grams: readonly number[]) =>
    house.run((context) =>
      weighPacksAgain(context, {
        batchId: ids.batchId,
        packs: grams.map((mass, index) => ({ holdingId: stock[index]!.holdingId, grams: mass })),
      }),
    );
  const before = stock.map((pack) => pack.grams);
  expect(await again([before[0]!])).toMatchObject({ ok: false, problems: [{ field: 'packs' }] });
  const [{ holdingId }] = [stock[0]!];
  const twice = [900, 800].map((mass) => ({ holdingId, grams: mass }));
  expect(await house.run((context) => weighPacksAgain(context, { batchId: ids.batchId, packs: twice }))).toMatchObject({
    ok: false,
    problems: [{ message: 'A pack stands here twice.' }],
  });
  expect(await again([before[0]! * 3])).toMatchObject({ ok: false, problems: [{ field: 'packs.0' }] });
  valueOf(await again([before[0]! - 60, before[1]! - 50]));
  const own = await closes();
  expect(own.shares[0]).toMatchObject({ left: 110, sealed: false });
  const [first] = await readPacksOfBatch(house.db, ids.batchId);
  expect(labelOff(first!)).toMatch(`write it again: ${before[0]! - 60} g, not ${before[0]} g`);
  // The pot, weighed again, has room for them now: nobody has to believe anything.
  valueOf(await weigh(2200));
  expect((await closes()).shares[0]).toMatchObject({ grams: 2200, left: 0, sealed: true });
  valueOf(await weigh(2310));
  const last = (await readHistory(house.db, stock[1]!.holdingId)).at(-1)!;
  const takenBack = () => house.run((context) => reverseMovement(context, { movementId: last.id }));
  expect(await takenBack()).toMatchObject({
    problems: [{ message: expect.stringMatching(/not that much left/) as string }],
  });
  const [share] = (await batch()).shares;
  valueOf(
    await house.run((context) =>
      setShares(context, { batchId: ids.batchId, shares: [{ id: share!.id, fate: 'fridge', grams: 2310 }] }),
    ),
  );
  valueOf(await takenBack());
  expect((await readPacksOfBatch(house.db, ids.batchId))[1]).toMatchObject({
    grams: before[1],
    sealedGrams: before[1],
  });
  await closes();
  valueOf(await feed(stock[0]!.holdingId, 100));
  expect(await again([500])).toMatchObject({ ok: false, problems: [{ field: 'packs.0' }] });
});

test('the pot is put right after two packs were fed: packs that stand share its energy, bowls stay, labels are written again', async () => {
  const stock = await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  valueOf(await feed(stock[0]!.holdingId, 432));
  valueOf(await feed(stock[1]!.holdingId, 400, 1));
  expect(await weigh(2200)).toMatchObject({ ok: false, problems: [{ field: 'packsStand' }] });
  expect((await batch()).whole.net).toBe(2310);
  const tried = valueOf(
    await tryCommand({ db: house.db, reference: house.reference, now: new Date(`${TODAY}T13:00:00Z`) }, (context) =>
      weighBatch(context, {
        batchId: ids.batchId,
        weighing: { by: 'scale', vessels: vessels(2200) },
        eatenBefore: 0,
        packsStand: true,
      }),
    ),
  );
  expect([tried.net, tried.over, tried.packs.length]).toEqual([{ from: 2310, to: 2200 }, 110, 0]);
  expect((await batch()).whole.net).toBe(2310);
  expect(valueOf(await weigh(2200, true))).toEqual(tried);
  const now = await closes();
  expect(now.yields[0]!.undivided).toBe(-110);
  // 2310 g stand in packs and bowls: 2834.56 kcal are in all of it, however little the pot weighs (arithmetic).
  for (const { density } of await readPacksOfBatch(house.db, ids.batchId)) expect(density).toBeCloseTo(1.2271, 4);
  // A pot that weighed more has less in each gram; the label still says what it said.
  valueOf(await weigh(2400, true));
  const packs = await readPacksOfBatch(house.db, ids.batchId);
  for (const pack of packs) {
    expect(pack.density).toBeCloseTo(2834.56 / 2400, 3);
    expect(pack.labelDensity).toBeCloseTo(1.2271, 4);
  }
  const fed = await readFedOfBatch(house.db, ids.batchId);
  expect(fed.map((bowl) => bowl.kcal / bowl.grams)).toEqual([
    expect.closeTo(1.2271, 4) as number,
    expect.closeTo(1.2271, 4) as number,
  ]);
  valueOf(await house.run((context) => writeLabelsAgain(context, { holdingIds: [packs[2]!.holdingId] })));
  expect((await readPacksOfBatch(house.db, ids.batchId))[2]!.labelDensity).toBeCloseTo(2834.56 / 2400, 3);
  // The readings of before are struck out, and there to be seen.
  const readings = await readReadings(house.db, ids.batchId);
  expect(readings.filter((each) => each.kind === 'struck').map((each) => each.text)).toContain(
    'the pot weighed otherwise',
  );
  expect(
    readings.filter((each) => each.kind === 'gross' && each.node === 'vessel:0.0').map((each) => each.value),
  ).toEqual([3550, 3440, 3640]);
});

test('a forgotten vessel is more to be divided; a smaller pot takes from what is not packed yet', async () => {
  valueOf(await divide({ today: 0, fridge: 1000, freezer: 1310, dry: 0 }));
  const [fridge] = (await batch()).shares;
  valueOf(await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId: fridge!.id })));
  expect(valueOf(await weigh(2410))).toMatchObject({ undivided: 100, over: 0 });
  expect((await closes()).yields[0]!.undivided).toBe(100);
  valueOf(await weigh(2000));
  expect((await closes()).shares.map((share) => share.grams)).toEqual([1000, 1000]);
});

test('another line went in, a weight was wrong, that was not venison: the energy follows, the yield stands', async () => {
  const before = await batch();
  const correct = (over: Partial<Parameters<typeof correctLine>[1]>) =>
    house.run((context) => correctLine(context, { batchId: ids.batchId, grams: 1000, ...over }));
  expect(await correct({ line: 0 })).toMatchObject({ ok: false, problems: [{ field: 'grams' }] });
  expect(await correct({ line: 0, grams: -1 })).toMatchObject({ ok: false, problems: [{ field: 'grams' }] });
  expect(await correct({ line: 0, ndb: '00000' })).toMatchObject({ ok: false, problems: [{ field: 'ndb' }] });
  const less = valueOf(await correct({ line: 0, grams: 900 }));
  expect(less.net).toEqual({ from: 2310, to: 2310 });
  expect(less.density.to).toBeLessThan(less.density.from!);
  valueOf(await correct({ line: 0, ndb: '17177' }));
  const rabbit = await batch();
  expect([rabbit.takes[0]!.name, rabbit.takes[0]!.weighed]).toEqual([expect.stringMatching(/rabbit/i), 1000]);
  valueOf(await correct({ line: 0, grams: 950 }));
  expect((await batch()).takes[0]).toMatchObject({ name: rabbit.takes[0]!.name, weighed: 950 });
  valueOf(await correct({ line: undefined, grams: 50, ndb: '04582', part: 'fat' }));
  const added = await batch();
  expect(added.takes).toHaveLength(before.takes.length + 1);
  expect(added.sheet.inPot).toBeCloseTo(before.sheet.inPot, 0);
  await closes();
});

test('two pages: the later one is told what the other did, and may go on then', async () => {
  const seen = (await batch()).revision;
  valueOf(await weigh(2250));
  const late = (revision?: number) =>
    house.run((context) =>
      setShares(context, {
        batchId: ids.batchId,
        revision,
        shares: sharesOf({ today: 0, fridge: 2250, freezer: 0, dry: 0 }),
      }),
    );
  expect(await late(seen)).toMatchObject({
    problems: [{ field: 'revision', message: expect.stringMatching(/2250 g were weighed/) as string }],
  });
  expect((await late((await batch()).revision)).ok).toBe(true);
});

test('an answer that was lost, and whose effect was taken back since, is no success; an id is of one input', async () => {
  const [v1] = await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  const dog = (await readDog(house.db, ids.dogId))!;
  const slotId = dog.slots[0]!.id;
  const press = () =>
    house.run(
      (context) =>
        feedBowl(context, {
          dogId: dog.id,
          slotId,
          day: TODAY,
          at: 'now',
          parts: [{ holdingId: v1!.holdingId, grams: 100 }],
        }),
      'the-lost-answer',
    );
  const { bowlId } = valueOf(await press());
  expect(valueOf(await press()).bowlId).toBe(bowlId);
  valueOf(await house.run((context) => takeBackBowl(context, { bowlId })));
  expect(await press()).toMatchObject({ problems: [{ message: expect.stringMatching(/taken back since/) as string }] });
});
