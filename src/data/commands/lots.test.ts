import type { LocalDate } from '@/core/calendar/local-date';
import type { LotEntry } from '@/core/stock/lot-entry';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { readPlaces } from '../repositories/household';
import { readLots, readLotsById, readUses } from '../repositories/lots';
import { readAllMovements } from '../repositories/movements';
import { readStock } from '../repositories/stock';
import { correctLine } from './batches';
import { describeLot, partLot, prepareLot, receiveLot, weighLot } from './lots';
import { sayOfPacks, unblockPacks } from './said-of-packs';
import { startCooking } from './start-batch';
import { discardPacks, movePacks, reverseAll, reverseMovement } from './stock';

const VENISON = '17343';

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
let places: Awaited<ReturnType<typeof readPlaces>>;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
  ids = await plannedExample(house, '2026-11-26');
  places = await readPlaces(house.db);
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const at = (kind: string) => places.find((place) => place.kind === kind)!.id;
const entry = (over: Partial<LotEntry> = {}): LotEntry => ({
  amount: '1200 g',
  price: '18.00',
  date: '',
  is: 'best',
  code: '',
  kind: 'whole meat',
  placeId: at('fridge'),
  ...over,
});
const receive = async (over: Partial<LotEntry> = {}, key = VENISON, name = 'Venison') =>
  valueOf(await house.run((context) => receiveLot(context, { came: 'received', key, name, entry: entry(over) })))
    .holdingId;
const one = async (id: number) => (await readLotsById(house.db, [id]))[0]!;
const linesOf = async () => {
  const batch = await readBatch(house.db, ids.batchId, '4-9-4');
  return batch!.state === 'planned' ? batch!.amounts : [];
};
const cook = async (from?: number[][]) => {
  const amounts = (await linesOf()).filter((amount) => amount > 0);
  valueOf(
    await house.run((context) =>
      startCooking(context, { batchId: ids.batchId, grams: amounts, ...(from ? { from } : {}) }),
    ),
  );
  return amounts;
};
/** What an account, or all that lies in the house, sums to: the books close. */
const closes = async () => {
  const legs = (await readAllMovements(house.db)).flatMap((movement) => movement.legs);
  expect(legs.reduce((sum, leg) => sum + leg.amount, 0)).toBe(0);
  for (const lot of await readLots(house.db)) {
    const own = legs.flatMap((leg) => ('holdingId' in leg && leg.holdingId === lot.holdingId ? [leg.amount] : []));
    expect(own.reduce((sum, amount) => sum + amount, 0) / 10).toBeCloseTo(lot.grams, 6);
  }
};

test('raw meat from the shop has its days, frozen its months, thawed again what was left (USDA, whole cuts 3–5 days)', async () => {
  const id = await receive();
  expect(await one(id)).toMatchObject({ grams: 1200, safeUntil: '2026-11-30', priceMinor: 1800 });
  valueOf(await house.run((context) => movePacks(context, { holdingIds: [id], placeId: at('freezer') })));
  expect(await one(id)).toMatchObject({ safeUntil: undefined, bestBy: '2027-03-25' });
  const cupboard = await house.run((context) => movePacks(context, { holdingIds: [id], placeId: at('cupboard') }));
  expect(!cupboard.ok && cupboard.problems[0]!.message).toMatch(/whole meat: it does not keep in the/);
});

test('a maker’s use-by holds while it is as it was bought, and no longer once it was frozen', async () => {
  const id = await receive({ date: '2026-12-06', is: 'safe' });
  expect((await one(id)).safeUntil).toBe('2026-12-06');
  for (const kind of ['freezer', 'fridge'])
    valueOf(await house.run((context) => movePacks(context, { holdingIds: [id], placeId: at(kind) })));
  expect((await one(id)).safeUntil).toBe('2026-11-30');
});

test('what goes into a pot is taken first expired first; what no book knew of is no reason not to cook', async () => {
  const later = await receive({ amount: '900 g', date: '2026-12-06', is: 'safe' });
  const first = await receive({ amount: '500 g', date: '2026-11-27', is: 'safe' });
  const amounts = await cook();
  const [line] = amounts.map(Number);
  const uses = await readUses(house.db, { batchIds: [ids.batchId] });
  expect(uses.map(({ holdingId, grams }) => [holdingId, grams])).toEqual([
    [first, 500],
    [later, 900],
  ]);
  expect(line).toBeGreaterThan(1400);
  expect((await one(first)).grams).toBe(0);
  await closes();
});

test('the cook’s own choice goes before the order of use', async () => {
  const first = await receive({ amount: '3 kg', date: '2026-11-27', is: 'safe' });
  const chosen = await receive({ amount: '3 kg', date: '2026-12-06', is: 'safe' });
  await cook([[chosen]]);
  expect((await one(first)).grams).toBe(3000);
  expect((await one(chosen)).grams).toBeLessThan(3000);
});

test('a line that is put right gives back what it took, and takes what it really was', async () => {
  const id = await receive({ amount: '3 kg' });
  const amounts = await cook();
  const took = 3000 - (await one(id)).grams;
  expect(took).toBeCloseTo(amounts[0]!, 0);
  valueOf(await house.run((context) => correctLine(context, { batchId: ids.batchId, line: 0, grams: 1000 })));
  expect((await one(id)).grams).toBe(2000);
  // It was beef: the venison is here again.
  valueOf(
    await house.run((context) => correctLine(context, { batchId: ids.batchId, line: 0, grams: 1000, ndb: '23557' })),
  );
  expect((await one(id)).grams).toBe(3000);
  expect(await readUses(house.db, { batchIds: [ids.batchId] })).toEqual([]);
  await closes();
});

test('what went into a pot may be taken back by hand, once: it is put right on its batch', async () => {
  const id = await receive({ amount: '3 kg' });
  await cook();
  const [use] = await readUses(house.db, { holdingIds: [id] });
  valueOf(await house.run((context) => reverseMovement(context, { movementId: use!.movementId })));
  expect((await one(id)).grams).toBe(3000);
  expect(await readUses(house.db, { holdingIds: [id] })).toEqual([]);
  const back = (await readAllMovements(house.db)).at(-1)!;
  const again = await house.run((context) => reverseMovement(context, { movementId: back.id }));
  expect(!again.ok && again.problems[0]!.message).toMatch(/put right on its batch/);
});

test('made ahead: price and lot code go with it, the loss is no waste, and it can be taken back', async () => {
  const id = await receive({ amount: '1000 g', price: '10', code: 'L 77' });
  const { holdingId, movementIds } = valueOf(
    await house.run((context) =>
      prepareLot(context, {
        holdingId: id,
        grams: 600,
        key: '17165',
        name: 'Venison, roasted',
        made: 420,
        placeId: at('fridge'),
      }),
    ),
  );
  expect(await one(id)).toMatchObject({ grams: 400 });
  expect(await one(holdingId)).toMatchObject({
    grams: 420,
    priceMinor: 600,
    code: 'L 77',
    madeOf: id,
    foodKind: 'cooked',
    safeUntil: '2026-11-29',
  });
  await closes();
  valueOf(await house.run((context) => reverseAll(context, { movementIds })));
  expect(await one(id)).toMatchObject({ grams: 1000 });
  expect((await one(holdingId)).void).toBe(true);
  const tooMuch = await house.run((context) =>
    prepareLot(context, {
      holdingId: id,
      grams: 1001,
      key: '17165',
      name: 'Venison',
      made: 420,
      placeId: at('fridge'),
    }),
  );
  expect(!tooMuch.ok && tooMuch.problems[0]).toMatchObject({ field: 'grams', message: 'Only 1000 g of it are left.' });
});

test('what stands of an ingredient is put right: how much came, where it lies, what it cost', async () => {
  const id = await receive();
  valueOf(
    await house.run((context) =>
      describeLot(context, {
        holdingId: id,
        entry: entry({ amount: '1500 g', price: '', code: 'L 9', kind: 'raw', placeId: at('freezer') }),
      }),
    ),
  );
  expect(await one(id)).toMatchObject({
    grams: 1500,
    receivedGrams: 1500,
    priceMinor: undefined,
    code: 'L 9',
    foodKind: 'raw',
    place: 'freezer',
    bestBy: '2027-03-25',
  });
  valueOf(await house.run((context) => weighLot(context, { holdingId: id, grams: 1400 })));
  expect(await one(id)).toMatchObject({ grams: 1400, receivedGrams: 1500 });
  const less = await house.run((context) =>
    describeLot(context, { holdingId: id, entry: entry({ amount: '90 g', kind: 'raw', placeId: at('freezer') }) }),
  );
  expect(!less.ok && less.problems[0]!.field).toBe('amount');
  await closes();
});

test('a price put right goes on to what was parted from it or made of it before, and to nothing that has its own', async () => {
  const id = await receive();
  const part = async (from: number, mass: number) =>
    valueOf(await house.run((context) => partLot(context, { holdingId: from, grams: mass, placeId: at('fridge') })))
      .holdingId;
  const before = (await one(id)).receivedGrams;
  const early = await part(id, 400);
  const own = await part(id, 100);
  const of = (price: string, amount: number) =>
    entry({ amount: `${amount} g`, price, kind: 'raw', placeId: at('fridge') });
  valueOf(await house.run((context) => describeLot(context, { holdingId: own, entry: of('9.99', 100) })));
  const later = await part(early, 150);
  valueOf(await house.run((context) => describeLot(context, { holdingId: id, entry: of('50.00', before) })));
  // By hand: 400 g and 150 g of so many at 50.00.
  expect((await one(early)).priceMinor).toBe(Math.round((5000 * 400) / before));
  expect(Math.abs((await one(later)).priceMinor! - (5000 * 150) / before)).toBeLessThanOrEqual(1);
  expect((await one(own)).priceMinor).toBe(999);
  await closes();
});

test('a price written down later rounds no weight', async () => {
  const id = await receive({ amount: '12.4 g', kind: 'pantry', placeId: at('cupboard') }, '04582', 'Oil');
  valueOf(
    await house.run((context) =>
      describeLot(context, {
        holdingId: id,
        entry: entry({ amount: '12 g', price: '0.20', kind: 'pantry', placeId: at('cupboard') }),
      }),
    ),
  );
  expect(await one(id)).toMatchObject({ grams: 12.4, receivedGrams: 12.4, priceMinor: 20 });
});

test('it is thrown away, blocked and moved as packs are; bad input leaves nothing behind', async () => {
  const id = await receive();
  valueOf(await house.run((context) => sayOfPacks(context, { holdingIds: [id], is: 'blocked', why: 'recall' })));
  await cook();
  expect((await one(id)).grams).toBe(1200);
  valueOf(await house.run((context) => discardPacks(context, { holdingIds: [id], why: 'recall' })));
  expect((await one(id)).grams).toBe(0);
  const before = (await readAllMovements(house.db)).length;
  const bad = await house.run((context) =>
    receiveLot(context, { came: 'found', key: '99999', name: 'Dragon', entry: entry() }),
  );
  expect(!bad.ok && bad.problems[0]!.field).toBe('key');
  const kind = await house.run((context) =>
    receiveLot(context, { came: 'found', key: VENISON, name: 'Venison', entry: entry({ placeId: at('cupboard') }) }),
  );
  expect(!kind.ok && kind.problems[0]!.field).toBe('placeId');
  expect((await readAllMovements(house.db)).length).toBe(before);
  expect(await readStock(house.db)).toEqual([]);
  expect((await one(id)).receivedOn).toBe('2026-11-25' as LocalDate);
});

test('a part of what is blocked is blocked, whatever is cooked; it is unblocked by itself, and undone with its block', async () => {
  const holdingId = await receive();
  valueOf(
    await house.run((context) =>
      sayOfPacks(context, { holdingIds: [holdingId], is: 'blocked', why: 'the shop calls it back' }),
    ),
  );
  const part = valueOf(
    await house.run((context) => partLot(context, { holdingId, grams: 400, placeId: at('freezer') })),
  );
  expect(await one(part.holdingId)).toMatchObject({ blocked: true, grams: 400, place: 'freezer' });
  valueOf(await house.run((context) => unblockPacks(context, { holdingIds: [part.holdingId], why: 'another lot' })));
  expect([(await one(part.holdingId)).blocked, (await one(holdingId)).blocked]).toEqual([false, true]);
  const again = valueOf(
    await house.run((context) => partLot(context, { holdingId, grams: 100, placeId: at('fridge') })),
  );
  valueOf(await house.run((context) => reverseAll(context, { movementIds: again.movementIds })));
  expect((await one(holdingId)).grams).toBe(800);
  expect((await one(again.holdingId)).grams).toBe(0);
});

// Handbook 10: thaw day + the days left of its own kind and label.
test('use by tomorrow, frozen today, thawed in two weeks: a day is left of it, and a part of it has no more', async () => {
  const holdingId = await receive({ kind: 'raw', date: '2026-11-26', is: 'safe' });
  expect((await one(holdingId)).safeUntil).toBe('2026-11-26');
  valueOf(await house.run((context) => movePacks(context, { holdingIds: [holdingId], placeId: at('freezer') })));
  expect((await one(holdingId)).safeUntil).toBeUndefined();
  const later = (days: number) => new Date(Date.parse('2026-11-25T12:00:00Z') + days * 86_400_000);
  const part = valueOf(
    await house.run((context) =>
      partLot(
        { ...context, today: '2026-12-10' as LocalDate, now: later(15) },
        { holdingId, grams: 300, placeId: at('fridge') },
      ),
    ),
  );
  expect((await one(part.holdingId)).safeUntil).toBe('2026-12-11');
});

test('cooked rice keeps as cooked food does; in the cupboard without a date it is asked about', async () => {
  const RICE = '20045';
  const rice = await receive({ kind: 'cooked' }, RICE, 'Rice, cooked');
  // USDA, cooked food: 3–4 days.
  expect((await one(rice)).safeUntil).toBe('2026-11-29');
  const asked = await house.run((context) =>
    receiveLot(context, {
      came: 'received',
      key: RICE,
      name: 'Rice, cooked',
      entry: entry({ kind: 'pantry', placeId: at('cupboard') }),
    }),
  );
  expect(asked).toMatchObject({
    ok: false,
    problems: [{ field: 'placeId', message: expect.stringMatching(/spoils in days/) as string }],
  });
  // Sealed to keep, its label says until when.
  await receive({ kind: 'pantry', placeId: at('cupboard'), date: '2027-05-01' }, RICE, 'Rice, cooked, in a pouch');
});
