import type { FoundEntry } from '@/core/stock/found';
import { traceOf } from '@/core/stock/trace';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { firstMeal, plannedExample } from '../fixtures/worked-path';
import { readAvoided } from '../repositories/avoided';
import { readDogs } from '../repositories/dogs';
import { readPlaces } from '../repositories/household';
import { readPackByCode, readStock } from '../repositories/stock';
import { readTraceGraph } from '../repositories/trace';
import { feedBowl } from './bowls';
import { foundPacks } from './found-packs';
import { addAvoid } from './keeping';
import { correctPack } from './pack-weights';
import { mixPacks, splitPack } from './repack';
import { movePacks, reverseAll } from './stock';

let house: TestHouse;
let ids: Awaited<ReturnType<typeof plannedExample>>;
let places: Awaited<ReturnType<typeof readPlaces>>;

beforeAll(async () => {
  house = await freshHouse('2026-11-27T12:00:00Z');
  ids = await plannedExample(house, '2026-11-28');
  places = await readPlaces(house.db);
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const at = (kind: string) => places.find((place) => place.kind === kind)!.id;
const find = (over: Partial<FoundEntry> = {}) =>
  house.run((context) =>
    foundPacks(context, {
      recipeId: ids.recipeId,
      kind: 'cooked',
      placeId: at('freezer'),
      count: '2',
      grams: '400',
      kcalPer100: '125',
      waterPer100: '',
      packedOn: '2026-10-02',
      ...over,
    }),
  );
const pack = async (code: string) => (await readPackByCode(house.db, code))!;

test('packs come into the books with a code each, marked as found and as an estimate, and go out again whole', async () => {
  const { codes, movementIds } = valueOf(await find());
  expect(codes).toEqual(['V1', 'V2']);
  expect(await pack('V1')).toMatchObject({
    grams: 400,
    density: 1.25,
    bestBy: '2027-01-02',
    packedOn: '2026-10-02',
    recipeName: 'Venison, barley & parsnip',
    estimated: true,
    found: { isDated: true },
    contents: [],
  });
  valueOf(await house.run((context) => reverseAll(context, { movementIds })));
  expect(await readStock(house.db)).toEqual([]);
});

test('what nobody can date is fed first in a freezer, and refused in a fridge', async () => {
  valueOf(await find({ packedOn: '', count: '1' }));
  expect((await pack('V1')).bestBy! <= '2026-11-27').toBe(true);
  const fridge = await find({ packedOn: '', placeId: at('fridge') });
  expect(!fridge.ok && fridge.problems[0]).toMatchObject({ field: 'packedOn' });
  const old = await find({ packedOn: '2026-11-20', placeId: at('fridge') });
  expect(!old.ok && old.problems[0]!.message).toMatch(/It was safe until 2026-11-24: throw it away/);
  expect(await readStock(house.db)).toHaveLength(1);
});

test('it is moved, weighed, split and fed like any other; mixed it is not', async () => {
  valueOf(await find());
  const [one, two] = [await pack('V1'), await pack('V2')];
  const fridge = { holdingIds: [one.holdingId, two.holdingId], placeId: at('fridge') };
  valueOf(await house.run((context) => movePacks(context, fridge)));
  valueOf(await house.run((context) => correctPack(context, { holdingId: one.holdingId, grams: 380 })));
  valueOf(await house.run((context) => splitPack(context, { holdingId: one.holdingId, grams: 100 })));
  expect(await pack('V1')).toMatchObject({ grams: 280, thawedOn: '2026-11-27' });
  expect(await pack('V3')).toMatchObject({ grams: 100, thawedOn: '2026-11-27', density: 1.25 });
  const parts = [
    { holdingId: one.holdingId, grams: 50 },
    { holdingId: two.holdingId, grams: 50 },
  ];
  const mixed = await house.run((context) => mixPacks(context, { parts }));
  expect(!mixed.ok && mixed.problems[0]!.message).toMatch(/V1 was found/);
  const bowl = await firstMeal(house, ids.dogId, (await pack('V3')).holdingId, 90);
  valueOf(await house.run((context) => feedBowl(context, bowl)));
  // A dog that is ill: its bowl leads to both parts of the one pack, and not to the other.
  const { graph } = await readTraceGraph(house.db);
  const trace = traceOf(graph, { holdingId: (await pack('V3')).holdingId });
  expect([...trace.packs].sort()).toEqual([one.holdingId, (await pack('V3')).holdingId].sort());
  expect(trace.bowls.size).toBe(1);
});

test('a dog that avoids what the recipe holds does not get it, though nobody knows what really went in', async () => {
  valueOf(await find({ count: '1' }));
  valueOf(
    await house.run((context) =>
      addAvoid(context, {
        dogId: ids.dogId,
        entry: { what: { kind: 'food', ndb: '20005' }, reason: 'reaction', note: '', tryAgainOn: '' },
      }),
    ),
  );
  const avoided = await readAvoided(house.db, house.reference, await readDogs(house.db), (await house.context()).today);
  expect(avoided.dogsNotFor({ holdingId: (await pack('V1')).holdingId })).toEqual([ids.dogId]);
});

test('bad input leaves no code used and nothing half', async () => {
  const bad = await find({ grams: 'some', count: '99' });
  expect(!bad.ok && bad.problems.map(({ field }) => field)).toEqual(['count', 'grams']);
  const gone = await find({ recipeId: 4711 });
  expect(!gone.ok && gone.problems[0]!.field).toBe('recipeId');
  const place = await find({ placeId: at('cupboard') });
  expect(!place.ok && place.problems[0]!.field).toBe('placeId');
  valueOf(await find());
  expect((await readStock(house.db)).map(({ code }) => code)).toEqual(['V1', 'V2']);
});
