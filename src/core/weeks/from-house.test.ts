import { addDays } from '../calendar/local-date';
import { DOGS, inputsOf, plainRecipe, POT, TODAY } from '../../../tests/fixtures/plans';
import { plainPlan } from '../plan/plan-entry';
import { workOutPlan } from '../plan/result';
import type { Source } from '../stock/draw';
import { usualAsk, weeksAskSchema } from './ask';
import { readWeeks, type WeeksInputs } from './from-house';

const goat = plainRecipe(2);
const venison = plainRecipe(3, { protein: { word: 'venison', hatch: 'diagonal' } });
const source = (over: Partial<Source & { word: string }>): Source & { word: string } => ({
  key: 'p1',
  code: 'P1',
  word: 'goat',
  grams: 970,
  density: 1,
  waterPerGram: 0,
  place: 'freezer',
  bestBy: addDays(TODAY, 60),
  opened: false,
  short: false,
  ...over,
});
const inputs = (over: Partial<WeeksInputs> = {}): WeeksInputs => ({
  plan: inputsOf({ recipes: [goat, venison], equipment: [POT], dogs: DOGS }),
  needs: new Map(DOGS.map(({ id }) => [id, Array.from({ length: 84 }, () => 500)])),
  sources: [],
  prices: new Map(),
  planned: [],
  ...over,
});
const ask = { ...usualAsk([1, 2], [2, 3], undefined), weeks: 2 };

test('what is asked until somebody says otherwise has its own shape', () => {
  expect(weeksAskSchema.parse(ask)).toEqual(ask);
});

test('a potful is what the plan of a full pot says', () => {
  const { problem, problems } = readWeeks(inputs(), ask);
  expect(problems).toEqual([]);
  const plan = workOutPlan(
    inputs().plan,
    plainPlan(2, [1, 2], inputs().plan.tomorrow, { cookDay: TODAY, binding: { by: 'potfuls', count: '1' } }),
  );
  const own = problem.recipes.find(({ recipeId }) => recipeId === 2)!;
  expect(own.kcal).toBeCloseTo(plan.ok ? plan.value.bound.batches[0]!.figures.kcal : NaN, 6);
  expect(own.grams).toBeCloseTo(plan.ok ? plan.value.bound.finished : NaN, 6);
  // Nothing has a price: it is unknown, not free.
  expect(own.costOn).toBeUndefined();
});

test('the cook can on the weekdays that have hours; today is a Wednesday', () => {
  const { problem } = readWeeks(inputs(), ask);
  expect(problem.cookable).toEqual([0, 3, 7, 10].map((day) => ({ day, minutes: 240 })));
});

test('packs of one protein for the same dogs and the same date are one group; blocked and past ones are none', () => {
  const sources = [
    source({}),
    source({ key: 'p2' }),
    source({ key: 'p3', dogId: 1, word: 'venison' }),
    source({ key: 'p4', place: 'fridge', safeUntil: addDays(TODAY, 3), bestBy: undefined }),
    source({ key: 'p5', blocked: true }),
    source({ key: 'p6', place: 'fridge', safeUntil: addDays(TODAY, -1), bestBy: undefined }),
    source({ key: 'p7', beside: true }),
  ];
  const { stock } = readWeeks(inputs({ sources }), ask).problem;
  expect(
    stock.map(({ protein, dogIds, kcal, frozenGrams, last }) => [protein, dogIds, Math.round(kcal), frozenGrams, last]),
  ).toEqual([
    // 970 kcal of a day's 1000 are a full bowl.
    ['goat', [1, 2], 2000, 1940, 13],
    ['venison', [1], 1000, 970, 13],
    ['goat', [1, 2], 1000, 0, 3],
  ]);
});

test('a dog gets nothing that stands against it, and on an elimination diet its one protein alone', () => {
  const [grown, pup] = DOGS;
  const avoids = [
    {
      id: 1,
      what: { kind: 'food' as const, ndb: '17343' },
      label: 'venison',
      reason: 'dislike' as const,
      since: TODAY,
    },
  ];
  const plan = inputsOf({ recipes: [goat, venison], equipment: [POT], dogs: [{ ...grown!, avoids }, pup!] });
  // Both test recipes are of the same meat: the dislike keeps both from it.
  expect(readWeeks(inputs({ plan }), ask).problem.dogs.map(({ eats }) => eats)).toEqual([[], [2, 3]]);
  const only = { ...ask, only: [{ dogId: 2, protein: 'venison' }] };
  const { problem } = readWeeks(inputs({ sources: [source({})] }), only);
  expect(problem.dogs.map(({ eats }) => eats)).toEqual([[2, 3], [3]]);
  expect(problem.stock[0]!.dogIds).toEqual([1]);
});

test('plans of others stand, those that may be changed do not, one whose day has passed is named', () => {
  const planned = [
    { planId: 7, day: addDays(TODAY, 4), batches: [{ recipeId: 2, kcal: 5000 }] },
    { planId: 8, day: addDays(TODAY, 5), batches: [{ recipeId: 3, kcal: 5000 }] },
    { planId: 9, day: addDays(TODAY, -1), batches: [{ recipeId: 3, kcal: 0 }] },
  ];
  const { problem, missed } = readWeeks(inputs({ planned }), { ...ask, recipeIds: [3] }, new Set([7]));
  const goats = problem.recipes.find(({ recipeId }) => recipeId === 2)!;
  // It is not offered any more, and is cooked all the same.
  expect(goats.offered).toBe(false);
  expect(problem.said).toEqual([{ day: 4, pots: [{ recipeId: 2, potfuls: 5000 / goats.kcal }] }]);
  expect(missed.map(({ planId }) => planId)).toEqual([9]);
});

test('weeks across the change of the clock are as long as others', () => {
  // Europe leaves winter time on 28 March 2027, a Sunday.
  const today = '2027-03-24' as typeof TODAY;
  const plan = { ...inputsOf({ recipes: [goat], equipment: [POT], dogs: DOGS }), today, tomorrow: addDays(today, 1) };
  const { problem } = readWeeks(inputs({ plan }), {
    ...ask,
    recipeIds: [2],
    said: [{ day: '2027-03-31', pots: null }],
  });
  expect(problem.cookable.map(({ day }) => day)).toEqual([0, 3, 7, 10]);
  expect(problem.said).toEqual([{ day: 7, pots: undefined }]);
});
