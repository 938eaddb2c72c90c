import { sql } from 'drizzle-orm';
import type { LocalDate } from '@/core/calendar/local-date';
import { partsOn } from '@/core/dog/meals';
import { grams } from '@/core/quantity/units';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import {
  EXAMPLE,
  firstMeal,
  plannedExample,
  sealedExample,
  TWENTY_KILOS,
  weighedBatch,
  weighedExample,
} from '../fixtures/worked-path';
import { readHistory } from '../repositories/movements';
import { readStock } from '../repositories/stock';
import { weighBatch } from './batches';
import { startCooking, dropBatch } from './start-batch';
import { setShares } from './shares';
import { sharesOf } from '@/core/portion/shares';
import { correctBowl, feedBowl, takeBackBowl } from './bowls';
import { readBowlsBetween } from '../repositories/bowls';
import { saveDog } from './dogs';
import { sealShare } from './packs';
import { saveTrays } from './trays';
import { saveRecipe } from './recipes';
import { correctPack } from './pack-weights';
import { discardPacks, movePacks, reverseMovement } from './stock';
import { readBatch } from '../repositories/batches';
import { readDog } from '../repositories/dogs';
import { readPlaces } from '../repositories/household';
import { readLatestVersion } from '../repositories/recipes';

const SHARES = { today: 0, fridge: 1727, freezer: 583, dry: 0 };

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  ids = await plannedExample(house, '2026-11-26');
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const placeId = async (kind: string) => (await readPlaces(house.db)).find((place) => place.kind === kind)!.id;
const count = async (table: string) =>
  Number((await house.db.execute<{ n: number }>(sql.raw(`select count(*) n from ${table}`))).rows[0]!.n);

test('the worked example through the database: scale 1.8684, density 1.2271, packs of 863 g (issue 2)', async () => {
  const planned = await readBatch(house.db, ids.batchId, '4-9-4');
  expect(planned?.scale).toBeCloseTo(1.8684, 4);
  const weighed = await weighedExample(house, ids);
  expect(weighed.whole.density).toBeCloseTo(1.2271, 4);
  const stock = await sealedExample(house, ids.batchId, SHARES);
  expect(stock.map((pack) => [pack.code, pack.grams, pack.placeKind, pack.safeUntil ?? null])).toEqual([
    ['V1', 864, 'fridge', '2026-11-29'],
    ['V2', 863, 'fridge', '2026-11-29'],
    ['V3', 583, 'freezer', null],
  ]);
  expect(stock[2]).toMatchObject({ short: true, bestBy: '2027-02-25', dogId: undefined });
});

test.each([
  [2700, /more than went in/],
  [600, /less than the solids/],
])('a yield of %d g is refused and nothing is stored', async (net, reason) => {
  const version = await readLatestVersion(house.db, house.reference, ids.recipeId);
  valueOf(
    await house.run((context) =>
      startCooking(context, { batchId: ids.batchId, grams: version!.lines.map((line) => line.grams) }),
    ),
  );
  const vessels = [{ name: 'pot', gross: grams(net), tare: grams(0) }];
  const answer = await house.run((context) =>
    weighBatch(context, { batchId: ids.batchId, weighing: { by: 'scale', vessels }, eatenBefore: 0 }),
  );
  expect(answer).toMatchObject({ ok: false });
  if (!answer.ok) expect(answer.problems[0]!.message).toMatch(reason);
  expect(await count("reading where node like 'vessel%'")).toBe(0);
  expect((await readBatch(house.db, ids.batchId, '4-9-4'))?.state).toBe('cooking');
});

test('cooking freezes what went in: a later recipe version does not reach it', async () => {
  const weighed = await weighedExample(house, ids);
  const heavier = { ...EXAMPLE, lines: EXAMPLE.lines.map((line) => ({ ...line, amount: '900 g' })) };
  valueOf(await house.run((context) => saveRecipe(context, { id: ids.recipeId, entry: heavier })));
  expect((await weighedBatch(house, ids.batchId)).sheet.kcal).toBe(weighed.sheet.kcal);
  expect((await readLatestVersion(house.db, house.reference, ids.recipeId))?.number).toBe(2);
});

test('shares that do not sum are refused; they may be set anew until one is sealed', async () => {
  await weighedExample(house, ids);
  const set = (shares: typeof SHARES) =>
    house.run((context) => setShares(context, { batchId: ids.batchId, shares: sharesOf(shares) }));
  expect(await set({ ...SHARES, fridge: 1700 })).toMatchObject({ ok: false, problems: [{ field: 'shares' }] });
  expect((await set({ ...SHARES, fridge: 1000, freezer: 1310 })).ok).toBe(true);
  await sealedExample(house, ids.batchId, SHARES);
  expect((await set(SHARES)).ok).toBe(false);
  const vessels = [{ name: 'pot', gross: grams(2300), tare: grams(0) }];
  const again = await house.run((context) =>
    weighBatch(context, { batchId: ids.batchId, weighing: { by: 'scale', vessels }, eatenBefore: 0 }),
  );
  expect(again.ok).toBe(false);
});

test('the dry share: trays wet, then dry, water to put back, packs by dry weight', async () => {
  await weighedExample(house, ids);
  valueOf(
    await house.run((context) =>
      setShares(context, {
        batchId: ids.batchId,
        shares: sharesOf({ today: 0, fridge: 310, freezer: 0, dry: 2000 }),
      }),
    ),
  );
  const shareId = (await weighedBatch(house, ids.batchId)).shares.find((share) => share.fate === 'dry')!.id;
  const save = (trays: { tare: number; wetGross: number; dryGross?: number }[]) =>
    house.run((context) => saveTrays(context, { batchId: ids.batchId, shareId, trays }));
  expect(await save([{ tare: 600, wetGross: 590 }])).toMatchObject({ problems: [{ field: 'trays.0.wetGross' }] });
  // More on the trays than was set aside is kept: the scale is asked about, the cook is not stopped.
  expect((await save([{ tare: 600, wetGross: 4600 }])).ok).toBe(true);
  expect((await save([{ tare: 600, wetGross: 2600 }])).ok).toBe(true);
  expect((await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId }))).ok).toBe(false);
  // The solids are 670.65 / 2310 of the food (worked example): 580.6 g on this tray.
  // Far under them it is asked about, not stopped: only what cannot be is.
  expect(await save([{ tare: 600, wetGross: 2600, dryGross: 1050 }])).toMatchObject({ ok: true });
  expect(await save([{ tare: 600, wetGross: 2600, dryGross: 600 }])).toMatchObject({
    problems: [{ field: 'trays.0.dryGross' }],
  });
  expect(await save([{ tare: 600, wetGross: 2600, dryGross: 2700 }])).toMatchObject({
    problems: [{ field: 'trays.0.dryGross' }],
  });
  expect(await save([{ tare: 600, wetGross: 2600, dryGross: 1200 }])).toMatchObject({ ok: true });
  valueOf(await house.run((context) => sealShare(context, { batchId: ids.batchId, shareId })));
  const dry = (await readStock(house.db)).filter((pack) => pack.foodKind === 'freeze-dried');
  expect(dry.reduce((sum, pack) => sum + pack.grams, 0)).toBe(600);
  expect(dry[0]!.waterPerGram).toBeCloseTo(1400 / 600, 9);
  expect(dry[0]!.density * 600).toBeCloseTo(1.2271 * 2000, 0);
  expect(dry[0]).toMatchObject({ placeKind: 'cupboard', safeUntil: undefined, bestBy: '2027-11-25' });
});

describe('in the store and at the bowl', () => {
  let stock: Awaited<ReturnType<typeof sealedExample>>;
  beforeEach(async () => {
    await weighedExample(house, ids);
    stock = await sealedExample(house, ids.batchId, SHARES);
  });
  const pack = async (code: string) => (await readStock(house.db)).find((each) => each.code === code);

  test('one press feeds, one takes back, the ledger balances throughout', async () => {
    const bowl = await firstMeal(house, ids.dogId, stock[0]!.holdingId, 432);
    const { bowlId } = valueOf(await house.run((context) => feedBowl(context, bowl)));
    expect((await pack('V1'))?.grams).toBe(432);
    const again = await house.run((context) => feedBowl(context, bowl));
    expect(!again.ok && again.problems[0]!.message).toMatch(/has had breakfast already/);
    valueOf(await house.run((context) => takeBackBowl(context, { bowlId })));
    expect((await pack('V1'))?.grams).toBe(864);
    expect((await house.run((context) => takeBackBowl(context, { bowlId }))).ok).toBe(false);
    expect((await house.run((context) => feedBowl(context, bowl))).ok).toBe(true);
  });

  test('a press far from the meal asks when it was fed; a meal of the last three days has its own time', async () => {
    const bowl = await firstMeal(house, ids.dogId, stock[0]!.holdingId, 100);
    // 13:00 in Oslo, breakfast was at 07:30; supper is at 18:00.
    const unsaid = { ...bowl, at: undefined };
    expect(await house.run((context) => feedBowl(context, unsaid))).toMatchObject({
      problems: [{ field: 'at', message: expect.stringMatching(/fed then, or now/) as string }],
    });
    const slots = (await readDog(house.db, ids.dogId))!.slots;
    const supper = { ...unsaid, slotId: slots.find((slot) => slot.name === 'supper')!.id };
    expect(await house.run((context) => feedBowl(context, supper))).toMatchObject({ problems: [{ field: 'at' }] });
    expect(await house.run((context) => feedBowl(context, { ...bowl, at: '23:59' }))).toMatchObject({
      problems: [{ field: 'at', message: 'That is still to come.' }],
    });
    expect(await house.run((context) => feedBowl(context, { ...bowl, at: 'noon' }))).toMatchObject({ ok: false });
    valueOf(await house.run((context) => feedBowl(context, { ...bowl, at: '07:40' })));
    house.setNow('2026-11-27T12:00:00Z');
    const late = { ...supper, day: '2026-11-26', at: '18:10' };
    const { bowlId } = valueOf(await house.run((context) => feedBowl(context, late)));
    const fed = await readBowlsBetween(house.db, '2026-11-25' as LocalDate, '2026-11-27' as LocalDate);
    expect(fed.map((each) => [each.day, each.fedAt.toISOString()])).toEqual([
      ['2026-11-25', '2026-11-25T06:40:00.000Z'],
      ['2026-11-26', '2026-11-26T17:10:00.000Z'],
    ]);
    valueOf(
      await house.run((context) =>
        correctBowl(context, { bowlId, parts: [{ holdingId: stock[1]!.holdingId, grams: 250 }] }),
      ),
    );
    expect([(await pack('V1'))?.grams, (await pack('V2'))?.grams]).toEqual([764, 613]);
    expect(await house.run((context) => feedBowl(context, { ...bowl, day: '2026-11-20' }))).toMatchObject({
      problems: [{ field: 'day' }],
    });
  });

  test('the same command id is carried out once and answers the same', async () => {
    const bowl = await firstMeal(house, ids.dogId, stock[0]!.holdingId, 432);
    const first = await house.run((context) => feedBowl(context, bowl), 'one-and-the-same');
    const second = await house.run((context) => feedBowl(context, bowl), 'one-and-the-same');
    expect(second).toEqual(first);
    expect(await count('bowl')).toBe(1);
  });

  test('what cannot be fed is refused: more than there is, frozen, past its date', async () => {
    const from = async (index: number, mass: number) => firstMeal(house, ids.dogId, stock[index]!.holdingId, mass);
    const tooMuch = await from(0, 900);
    expect((await house.run((context) => feedBowl(context, tooMuch))).ok).toBe(false);
    const frozen = await from(2, 100);
    expect(await house.run((context) => feedBowl(context, frozen))).toMatchObject({
      problems: [{ message: expect.stringMatching(/freezer/) as string }],
    });
    house.setNow('2026-12-01T12:00:00Z');
    const stale = await from(0, 400);
    expect(await house.run((context) => feedBowl(context, stale))).toMatchObject({
      problems: [{ message: expect.stringMatching(/safe until/) as string }],
    });
    expect(await count('bowl')).toBe(0);
  });

  test('move, correct, discard and reverse; a reversal that would break a later movement is refused', async () => {
    const { holdingId } = stock[0]!;
    const to = async (kind: string) => {
      const place = await placeId(kind);
      return house.run((context) => movePacks(context, { holdingIds: [holdingId], placeId: place }));
    };
    house.setNow('2026-11-27T12:00:00Z');
    valueOf(await to('freezer'));
    expect(await pack('V1')).toMatchObject({ placeKind: 'freezer', safeUntil: undefined });
    expect(await to('freezer')).toMatchObject({ ok: false });
    expect(await to('cupboard')).toMatchObject({ ok: false });
    house.setNow('2026-12-05T12:00:00Z');
    valueOf(await to('fridge'));
    // USDA: thaw day + fridge days not yet used (4 − 2).
    expect(await pack('V1')).toMatchObject({ thawedOn: '2026-12-05', safeUntil: '2026-12-07' });
    valueOf(await house.run((context) => correctPack(context, { holdingId, grams: 850 })));
    expect((await pack('V1'))?.grams).toBe(850);
    expect((await house.run((context) => correctPack(context, { holdingId, grams: 5000 }))).ok).toBe(false);
    const packed = (await readHistory(house.db, holdingId))[0]!;
    valueOf(await house.run((context) => discardPacks(context, { holdingIds: [holdingId] })));
    expect(await pack('V1')).toBeUndefined();
    // What was thrown away is not in its share: its packing stands until that is taken back.
    expect(await house.run((context) => reverseMovement(context, { movementId: packed.id }))).toMatchObject({
      problems: [{ message: expect.stringMatching(/discarded from/) as string }],
    });
    const thrown = (await readHistory(house.db, holdingId)).at(-1)!;
    valueOf(await house.run((context) => reverseMovement(context, { movementId: thrown.id })));
    expect((await pack('V1'))?.grams).toBe(850);
    expect((await house.run((context) => reverseMovement(context, { movementId: thrown.id }))).ok).toBe(false);
    // The taking back is taken back: thrown away after all, and again not.
    const back = (await readHistory(house.db, holdingId)).at(-1)!;
    valueOf(await house.run((context) => reverseMovement(context, { movementId: back.id })));
    expect(await pack('V1')).toBeUndefined();
    valueOf(await house.run((context) => reverseMovement(context, { movementId: thrown.id })));
    expect((await pack('V1'))?.grams).toBe(850);
  });

  test('several packs move together or not at all', async () => {
    const freezer = await placeId('freezer');
    const answer = await house.run((context) =>
      movePacks(context, { holdingIds: stock.map((each) => each.holdingId), placeId: freezer }),
    );
    expect(answer.ok).toBe(false);
    expect(await pack('V1')).toMatchObject({ placeKind: 'fridge' });
  });
});

test('the database itself refuses edits of the ledger, unbalanced legs and a holding below zero', async () => {
  // A house of its own: what the database refuses ends the transaction that it is in.
  const strict = await freshHouse('2026-11-25T12:00:00Z');
  const own = await plannedExample(strict, '2026-11-26');
  await weighedExample(strict, own);
  await sealedExample(strict, own.batchId, SHARES);
  const cause = async (statement: string) => {
    try {
      await strict.db.execute(sql.raw(statement));
      return 'accepted';
    } catch (error) {
      return String((error as Error).cause ?? error);
    }
  };
  expect(await cause('update leg set amount = amount + 1')).toMatch(/append-only/);
  expect(await cause('delete from movement')).toMatch(/append-only/);
  expect(await cause(`insert into leg (movement_id, account, amount) values (1, 'lost', 5)`)).toMatch(
    /do not sum to zero/,
  );
  expect(await cause('delete from reading')).toMatch(/append-only/);
  expect(await cause('update holding set amount = -1')).toMatch(/nothing_below_zero/);
});

test('a dog: every impossible field is named, a new weight is a weigh-in, another day a new ration', async () => {
  const nonsense = { ...TWENTY_KILOS, name: ' ', birthDate: '2027-01-01', weight: '900 kg', meals: '9' };
  const refusal = await house.run((context) => saveDog(context, { entry: nonsense }));
  expect(refusal.ok ? [] : refusal.problems.map((problem) => problem.field)).toEqual(['name', 'weight', 'meals']);
  valueOf(
    await house.run((context) =>
      saveDog(context, { id: ids.dogId, entry: { ...TWENTY_KILOS, weight: '21 kg', work: 'light' } }),
    ),
  );
  const dog = (await readDog(house.db, ids.dogId))!;
  expect(dog.weighIns.map((entry) => entry.grams)).toEqual([20_000, 21_000]);
  expect(dog.rations.map((entry) => entry.work)).toEqual(['none', 'light']);
  expect(partsOn(dog, '2026-11-25' as LocalDate).length).toBe(2);
});

test('a recipe with lines that cannot be is refused line by line', async () => {
  const answer = await house.run((context) =>
    saveRecipe(context, {
      entry: {
        name: 'x',
        lines: [
          { amount: '1/0 cup', ndb: '20005', part: 'carbohydrate', moment: 'cook' },
          { amount: '1 cup', ndb: '17168', part: 'muscle', moment: 'cook' },
          { amount: '4000 cups', ndb: '20005', part: 'carbohydrate', moment: 'cook' },
          { amount: '5 g', ndb: '99999', part: 'muscle', moment: 'cook' },
        ],
      },
    }),
  );
  expect(answer.ok ? [] : answer.problems.map((problem) => problem.field)).toEqual([
    'lines.0.amount',
    'lines.1.amount',
    'lines.2.amount',
    'lines.3.ndb',
  ]);
  expect(await count('recipe')).toBe(1);
});

test('a plan that was put away is gone; a cooked one stays', async () => {
  valueOf(await house.run((context) => dropBatch(context, { batchId: ids.batchId })));
  expect(await readBatch(house.db, ids.batchId, '4-9-4')).toBeUndefined();
  expect((await house.run((context) => dropBatch(context, { batchId: ids.batchId }))).ok).toBe(false);
});
