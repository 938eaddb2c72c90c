import { FRESH } from '../../../tests/fixtures/dating';
import { addDays } from '../calendar/local-date';
import { DOGS, inputsOf, plainRecipe, POT, recipeOf, TODAY } from '../../../tests/fixtures/plans';
import { plainPlan } from '../plan/plan-entry';
import { workOutPlan } from '../plan/result';
import type { Source } from '../stock/draw';
import { usualAsk, weeksAskSchema } from './ask';
import { readWeeks, type WeeksInputs } from './from-house';
import { apartId } from './meals-apart';
import { stockKey, stockKeyLater } from './weeks';

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
  keeps: FRESH,
  opened: false,
  short: false,
  ...over,
});
const inputs = (over: Partial<WeeksInputs> = {}): WeeksInputs => ({
  plan: inputsOf({ recipes: [goat, venison], equipment: [POT], dogs: DOGS }),
  needs: new Map(DOGS.map(({ id }) => [id, Array.from({ length: 84 }, () => 500)])),
  always: new Map(),
  sources: [],
  prices: new Map(),
  dryers: [],
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

test('what is in a pot today takes the place of what was said of that recipe, however little it came to', () => {
  const { problem } = readWeeks(inputs(), ask);
  const full = problem.recipes.find(({ recipeId }) => recipeId === 3)!.kcal;
  const said = [
    {
      day: TODAY,
      pots: [
        { recipeId: 3, potfuls: 2 },
        { recipeId: 2, potfuls: 1 },
      ],
    },
  ];
  const short = { planId: -9, day: TODAY, batches: [{ recipeId: 3, kcal: full / 3 }], isInPot: true as const };
  const potsOf = (planned: WeeksInputs['planned']) =>
    readWeeks(inputs({ planned }), { ...ask, said }, new Set(planned.map(({ planId }) => planId)))
      .problem.said.find(({ day }) => day === 0)!
      .pots!.map(({ recipeId, potfuls }) => [recipeId, Number(potfuls.toFixed(4))]);
  expect(potsOf([short])).toEqual([
    [2, 1],
    [3, 0.3333],
  ]);
  // Two pots of it are what both came to; a kept plan of that day comes to what was said besides.
  expect(potsOf([short, { ...short, planId: -10 }])).toContainEqual([3, 0.6667]);
  const kept = { planId: 7, day: TODAY, batches: [{ recipeId: 3, kcal: full }] };
  expect(potsOf([kept])).toEqual([
    [3, 3],
    [2, 1],
  ]);
  expect(potsOf([kept, short])).toContainEqual([3, 1.3333]);
});

test('a dryer is counted on as often as is asked; more cycles than go into a week are refused at their field', () => {
  const dryer = {
    equipmentId: 7,
    name: 'freeze-dryer',
    method: 'freeze-dried' as const,
    grams: 5600,
    hours: 38,
    freeIn: 0,
    keepsDays: 180,
    costACycle: undefined,
  };
  const read = (cycles: string) =>
    readWeeks(inputs({ dryers: [dryer] }), { ...ask, dryers: [{ equipmentId: 7, cycles }] });
  const often = (cycles: string) => read(cycles).problem.dryers[0]!.cyclesAWeek;
  expect([often(''), often('1'), often('4')]).toEqual([0, 1, 4]);
  expect(readWeeks(inputs({ dryers: [dryer] }), ask).problem.dryers[0]!.cyclesAWeek).toBe(0);
  // 168 h ÷ 38 h = 4.4.
  for (const wrong of ['5', '1.5', 'often'])
    expect(read(wrong).problems).toEqual([
      { field: 'dryers.0.cycles', message: 'Whole cycles, or nothing; one takes it 38 h, so that 4 go into a week.' },
    ]);
  // A dryer that is not here any more is passed over.
  expect(readWeeks(inputs(), { ...ask, dryers: [{ equipmentId: 7, cycles: '2' }] }).problem.dryers).toEqual([]);
});

test('lean is what holds at most a fifth of fat in its dry matter, as far as all of it is known', () => {
  const withOil = plainRecipe(4, {
    written: [
      ...goat.written,
      {
        ...goat.written[0]!,
        ...recipeOf(9, [{ amount: '500 g', ndb: '04582', part: 'fat', moment: 'cook' }]).written[0]!,
      },
    ],
  });
  const plan = inputsOf({ recipes: [goat, withOil], equipment: [POT], dogs: DOGS });
  const { problem } = readWeeks(inputs({ plan }), { ...ask, recipeIds: [2, 4] });
  expect(problem.recipes.map(({ recipeId, lean }) => [recipeId, lean])).toEqual([
    [2, true],
    [4, false],
  ]);
});

test('packs are named by their date, and later by what is left of it; other food keeps its name', () => {
  const key = stockKey('goat', [1, 2], 5);
  expect(stockKeyLater(key, 14, 2)).toBe(stockKey('goat', [1, 2], 3));
  expect(stockKeyLater(stockKey('wild boar', [1], 13), 14, 2)).toBe(stockKey('wild boar', [1], 13));
  expect(stockKeyLater('r3', 14, 2)).toBe('r3');
});

test('who is not to get a recipe does not, the others do', () => {
  const { problem } = readWeeks(inputs(), { ...ask, notFor: [{ recipeId: 3, dogId: 1 }] });
  expect(problem.dogs.map(({ dogId, eats }) => [dogId, eats])).toEqual([
    [1, [2]],
    [2, [2, 3]],
  ]);
});

test('a meal that is always of one recipe eats for itself, of what is cooked its recipe alone, of the store what the dog does', () => {
  const kcal = Array.from({ length: 84 }, () => 200);
  const always = new Map([[1, [{ recipeId: 3, kcal }]]]);
  const eatersOf = (over: Partial<typeof ask> = {}) => {
    const { dogs, stock } = readWeeks(inputs({ always, sources: [source({})] }), { ...ask, ...over }).problem;
    return { dogs: dogs.map(({ dogId, needs, eats }) => [dogId, needs[5], eats]), mayEat: stock[0]!.dogIds };
  };
  const breakfast = apartId(1, 3);
  expect(eatersOf()).toEqual({
    dogs: [
      [1, 300, [2, 3]],
      [breakfast, 200, [3]],
      [2, 500, [2, 3]],
    ],
    mayEat: [1, breakfast, 2],
  });
  const whole = [
    [1, 500, [2]],
    [2, 500, [2, 3]],
  ];
  // Not held to where the dog does not get that recipe, or nobody cooks it.
  expect(eatersOf({ notFor: [{ recipeId: 3, dogId: 1 }] }).dogs).toEqual(whole);
  expect(eatersOf({ recipeIds: [2] }).dogs).toEqual([
    [1, 500, [2]],
    [2, 500, [2]],
  ]);
  // Nor on a day on which nobody gets its protein.
  const without = [{ protein: 'venison', from: addDays(TODAY, 4), to: addDays(TODAY, 6) }];
  expect(eatersOf({ without }).dogs).toEqual([
    [1, 500, [2, 3]],
    [breakfast, 0, [3]],
    [2, 500, [2, 3]],
  ]);
});
