import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { mealsOn } from '@/core/dog/meals';
import { toRationEntry } from '@/core/dog/ration-entry';
import { NO_SCHOOL } from '@/core/dog/schools/school';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { plannedExample, planOne, SEEN, sealedExample, weighedExample } from '../fixtures/worked-path';
import { readDog } from '../repositories/dogs';
import { readIntake } from '../repositories/eaten';
import { readFoodFacts } from '../repositories/food-facts';
import { feedBowl, takeBackBowl } from './bowls';
import { addAvoid, addBowlLine, endAvoid, endBowlLine } from './keeping';
import { keepSchool, setRation, weighCup } from './rations';

const TODAY = '2026-11-25' as LocalDate;
let kitchen: TestHouse;
let ids: { dogId: number; recipeId: number; batchId: number };
let holdingId: number;
const own = async () => (await readDog(kitchen.db, ids.dogId))!;
const feed = async (grams: number, meal = 0) => {
  const slotId = mealsOn(await own(), TODAY)[meal]!.id;
  return kitchen.run((context) =>
    feedBowl(context, { dogId: ids.dogId, slotId, day: TODAY, at: 'now', parts: [{ holdingId, grams }] }),
  );
};

beforeAll(async () => {
  kitchen = await freshHouse('2026-11-25T12:00:00Z');
  ids = await plannedExample(kitchen, '2026-11-25');
  await weighedExample(kitchen, ids);
  const stock = await sealedExample(kitchen, ids.batchId, { today: 0, fridge: 2310, freezer: 0, dry: 0 });
  holdingId = stock[0]!.holdingId;
});

test('the recipe is known by its weighed pot; a weighed cup is kept', async () => {
  const facts = async () => (await readFoodFacts(kitchen.db)).get(ids.recipeId)!;
  expect(await facts()).toMatchObject({ measured: true });
  expect((await facts()).gramsPerCup).toBeUndefined();
  expect((await facts()).density).toBeCloseTo(1.2271, 4);
  expect(await kitchen.run((context) => weighCup(context, { ...ids, grams: 5 }))).toMatchObject({ ok: false });
  valueOf(await kitchen.run((context) => weighCup(context, { ...ids, grams: 240 })));
  expect((await facts()).gramsPerCup).toBe(240);
});

test('a school is set with the recipe, and kept beside the others', async () => {
  const entry = {
    ...toRationEntry((await own()).rations[0]!, TODAY, () => null, String),
    method: 'percent' as const,
    recipeId: ids.recipeId,
    // Far under what its energy allows, and meant so.
    sure: true,
    school: { ...NO_SCHOOL, amount: '2-3' },
  };
  valueOf(await kitchen.run((context) => setRation(context, { dogId: ids.dogId, entry })));
  expect(dayEnergy(await own(), TODAY).kcal).toBeCloseTo(500 * 1.2271, 0);
  valueOf(
    await kitchen.run((context) => setRation(context, { dogId: ids.dogId, entry: { ...entry, method: 'table' } })),
  );
  const keep = (amount: string) =>
    kitchen.run((context) =>
      keepSchool(context, { dogId: ids.dogId, kind: 'like for like', school: { ...NO_SCHOOL, amount } }),
    );
  valueOf(await keep('2'));
  valueOf(await keep('3'));
  expect((await own()).knownSchools).toEqual([{ kind: 'like for like', cups: 3 }]);
  expect(await keep('')).toMatchObject({ ok: false, problems: [{ field: 'school.amount' }] });
});

test('an amount in cups follows its food though another ration is dated ahead', async () => {
  const before = toRationEntry((await own()).rations.at(-1)!, TODAY, () => null, String);
  const set = (over: Partial<typeof before>) =>
    kitchen.run((context) => setRation(context, { dogId: ids.dogId, entry: { ...before, ...over } }));
  const school = { ...NO_SCHOOL, amount: '2' };
  valueOf(await set({ method: 'like for like', recipeId: ids.recipeId, sure: true, school }));
  valueOf(await set({ method: 'factor', factor: '1.5', from: '2026-12-10' }));
  valueOf(await kitchen.run((context) => weighCup(context, { ...ids, grams: 200 })));
  expect(dayEnergy(await own(), TODAY).kcal).toBeCloseTo(2 * 200 * 1.2271, 0);
  valueOf(await set(before));
  valueOf(await kitchen.run((context) => weighCup(context, { ...ids, grams: 240 })));
});

test('a day counts as eaten once every meal was pressed, additions and extras with it', async () => {
  const intake = async () => (await readIntake(kitchen.db, await own(), addDays(TODAY, -7), TODAY))(TODAY);
  const slotId = mealsOn(await own(), TODAY)[1]!.id;
  const line = {
    what: 'fish oil',
    unit: 'mL',
    by: 'flat' as const,
    amount: '5',
    perKg: '',
    bands: [],
    slotId,
    kcal: '8',
  };
  valueOf(await kitchen.run((context) => addBowlLine(context, { dogId: ids.dogId, entry: line })));
  const [, supper] = mealsOn(await own(), TODAY);
  expect(supper!.kcal).toBeCloseTo(1059.2 / 2 - 40, 1);
  const first = valueOf(await feed(400));
  expect(await intake()).toBeUndefined();
  valueOf(await feed(400, 1));
  expect(await intake()).toBeCloseTo(800 * 1.2271 + 40, 0);
  valueOf(await kitchen.run((context) => takeBackBowl(context, first)));
  expect(await intake()).toBeUndefined();
  const lineId = (await own()).bowlLines[0]!.id;
  valueOf(await kitchen.run((context) => endBowlLine(context, { dogId: ids.dogId, lineId })));
  expect((await own()).bowlLines).toEqual([]);
});

test('what a dog does not get stops the plan and the bowl, whoever asks; a dislike does not', async () => {
  const put = (reason: 'reaction' | 'dislike') =>
    kitchen.run((context) =>
      addAvoid(context, {
        dogId: ids.dogId,
        entry: { what: { kind: 'food', ndb: '20005' }, reason, tryAgainOn: '', note: '' },
      }),
    );
  const plan = () =>
    kitchen.run((context) => planOne(context, ids.recipeId, [ids.dogId], 2, { firstDay: TODAY, seen: SEEN }));
  valueOf(await put('reaction'));
  expect(await put('dislike')).toMatchObject({ ok: false });
  expect(await plan()).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('Barley') as string }],
  });
  expect(await feed(100)).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('reaction') as string }],
  });
  const { avoids } = await own();
  valueOf(await kitchen.run((context) => endAvoid(context, { dogId: ids.dogId, avoidId: avoids[0]!.id })));
  valueOf(await put('dislike'));
  valueOf(await feed(100));
  valueOf(await plan());
});
