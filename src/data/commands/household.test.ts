import { USUAL_MEAL_TIMES } from '@/core/household/meal-times';
import { freshHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readStock } from '../repositories/stock';
import { readHousehold } from '../repositories/household';
import { typedKeeps } from '@/core/preserve/keeps-entry';
import { readHistory } from '../repositories/movements';
import { labelOff } from '@/core/stock/label';
import { writeLabelsAgain } from './labels';
import { oldDates, redateStock, saveKeeps } from './redate';
import { reverseMovement } from './stock';
import { beginHousehold, saveHousehold } from './household';
import { nextSetup, setupOf } from '@/core/household/setup';
import { readDog } from '../repositories/dogs';
import { readSetupFacts } from '../repositories/setup';
import { saveRecipe } from './recipes';
import { recipeSheet } from '@/core/recipe/sheet';
import { readLatestVersion } from '../repositories/recipes';

const SETTINGS = {
  unitSet: 'metric' as const,
  energyFactors: '4-9-4' as const,
  fridgeDays: 4,
  timeZone: 'Europe/Oslo',
  currency: 'EUR',
  mealTimes: USUAL_MEAL_TIMES,
};

test.each([
  [{ fridgeDays: 6 }, 'fridgeDays'],
  [{ fridgeDays: 3.5 }, 'fridgeDays'],
  [{ timeZone: 'Boatyard/Cottage' }, 'timeZone'],
  [{ mealTimes: { ...USUAL_MEAL_TIMES, lunch: 'noon' } }, 'lunch'],
  [{ mealTimes: { ...USUAL_MEAL_TIMES, supper: '06:00' } }, 'supper'],
])('%j is refused at its field, and nothing is changed', async (change, field) => {
  const house = await freshHouse('2026-11-25T12:00:00Z');
  expect(await house.run((context) => saveHousehold(context, { ...SETTINGS, ...change }))).toMatchObject({
    problems: [{ field }],
  });
  const { fridgeDays: cookedFridgeDays, ...settings } = SETTINGS;
  expect(await readHousehold(house.db)).toMatchObject({ ...settings, cookedFridgeDays });
});

test('fridge days and energy factors of the household reach packs and densities', async () => {
  const house = await freshHouse('2026-11-25T12:00:00Z');
  valueOf(
    await house.run((context) => saveHousehold(context, { ...SETTINGS, fridgeDays: 3, energyFactors: 'modified' })),
  );
  const ids = await plannedExample(house, '2026-11-26');
  await weighedExample(house, ids);
  const stock = await sealedExample(house, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  expect(stock[0]!.safeUntil).toBe('2026-11-28');
  valueOf(
    await house.run((context) => saveHousehold(context, { ...SETTINGS, fridgeDays: 5, energyFactors: 'modified' })),
  );
  // What is in stock keeps its date until the cook says otherwise: then by a movement, and back by its mirror.
  const safe = async () => (await readStock(house.db))[0]!.safeUntil;
  expect(await safe()).toBe('2026-11-28');
  expect(await oldDates(await house.context())).toHaveLength(stock.length);
  expect(valueOf(await house.run((context) => redateStock(context)))).toEqual({ count: stock.length });
  expect(await safe()).toBe('2026-11-30');
  // The label still says the old date, until it is written again.
  const label = async () => labelOff((await readStock(house.db))[0]!);
  expect(await label()).toMatch(/write it again: feed by .*30.*, not feed by .*28/);
  valueOf(await house.run((context) => writeLabelsAgain(context, { holdingIds: [stock[0]!.holdingId] })));
  expect(await label()).toBeUndefined();
  expect((await house.run((context) => redateStock(context))).ok).toBe(false);
  const redated = (await readHistory(house.db, stock[0]!.holdingId)).at(-1)!;
  expect(redated.kind).toBe('redated');
  valueOf(await house.run((context) => reverseMovement(context, { movementId: redated.id })));
  expect(await safe()).toBe('2026-11-28');
  // Worked example of issue 2: 2537.54 kcal by modified Atwater, over 2310 g.
  expect(stock[0]!.density).toBeCloseTo(2537.54 / 2310, 4);
});

test('how long things keep is the household’s to say, and dates only what is packed from then on', async () => {
  const house = await freshHouse('2026-11-25T12:00:00Z');
  const ids = await plannedExample(house, '2026-11-26');
  await weighedExample(house, ids);
  const before = await sealedExample(house, ids.batchId, { today: 0, fridge: 310, freezer: 2000, dry: 0 });
  const frozen = (packs: typeof before) => packs.filter((pack) => pack.placeKind === 'freezer');
  expect(frozen(before)[0]!.bestBy).toBe('2027-02-25');
  const entry = typedKeeps(house.reference.shelfLives);
  const rows = entry.rows.map((row) =>
    row.kind === 'cooked' && row.place === 'freezer' && !row.packaging ? { ...row, months: '5' } : row,
  );
  const bad = rows.map((row) => (row.kind === 'dehydrated' && row.place === 'cupboard' ? { ...row, days: '' } : row));
  expect(await house.run((context) => saveKeeps(context, { entry: { rows: bad } }))).toMatchObject({
    ok: false,
    problems: [{ field: expect.stringMatching(/^rows\.\d+\.days$/) }],
  });
  valueOf(await house.run((context) => saveKeeps(context, { entry: { rows } })));
  expect(frozen(await readStock(house.db))[0]!.bestBy).toBe('2027-02-25');
  // Only frozen packs would have another date.
  expect(await oldDates(await house.context())).toHaveLength(frozen(before).length);
  valueOf(await house.run((context) => redateStock(context)));
  expect(frozen(await readStock(house.db))[0]!.bestBy).toBe('2027-04-25');
});

test('a cup is the household’s cup: 250 mL in the metric set, 236.588 mL in the US one (NIST Handbook 44)', async () => {
  const house = await freshHouse('2026-11-25T12:00:00Z');
  const entry = {
    name: 'Barley',
    lines: [{ amount: '1 cup', ndb: '20005', part: 'carbohydrate' as const, moment: 'cook' as const }],
  };
  const weightIn = async () => {
    const { recipeId } = valueOf(await house.run((context) => saveRecipe(context, { entry })));
    return recipeSheet((await readLatestVersion(house.db, house.reference, recipeId))!.lines, '4-9-4').food;
  };
  expect(await weightIn()).toBeCloseTo((200 * 250) / 236.5882365, 6);
  valueOf(await house.run((context) => saveHousehold(context, { ...SETTINGS, unitSet: 'us' })));
  expect(await weightIn()).toBeCloseTo(200, 6);
});

test('the way in: what an empty house is asked, and its next act until the first bowl was fed', async () => {
  const house = await freshHouse('2026-11-25T12:00:00Z');
  const next = async () => {
    const steps = setupOf(await readSetupFacts(house.db, await readHousehold(house.db)));
    return steps && nextSetup(steps)?.key;
  };
  expect(await next()).toBe('measures');
  const mealTimes = { breakfast: '6.45', lunch: '12:00', supper: '20:15' };
  valueOf(await house.run((context) => beginHousehold(context, { ...SETTINGS, unitSet: 'us', mealTimes })));
  expect(await readHousehold(house.db)).toMatchObject({ unitSet: 'us', mealTimes: { breakfast: '06:45' } });
  expect(await next()).toBe('dog');
  const ids = await plannedExample(house, '2026-11-26');
  // Its meals are at the times of this house.
  expect((await readDog(house.db, ids.dogId))!.slots.map(({ name, clock }) => [name, clock])).toEqual([
    ['breakfast', '06:45'],
    ['elevenses', '09:30'],
    ['lunch', '12:00'],
    ['tea', '16:00'],
    ['supper', '20:15'],
  ]);
  expect(await next()).toBe('pot');
  await weighedExample(house, ids);
  expect(await next()).toBe('pot');
  await sealedExample(house, ids.batchId, { today: 500, fridge: 1810, freezer: 0, dry: 0 });
  expect(await next()).toBe('bowl');
});
