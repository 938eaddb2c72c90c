import fc from 'fast-check';
import { everyBasis, inputsOf, knownOf, plainRecipe, recipeOf, TODAY } from '../../../tests/fixtures/plans';
import { addDays } from '../calendar/local-date';
import { energyOf } from '../nutrition/energy';
import { grams } from '../quantity/units';
import { linesOfWeights } from '../recipe/bases';
import { batchLines } from '../recipe/recipe';
import { workOutPlan, type PlanResult } from './result';
import type { TypedBinding } from './bindings/bindings';
import { checkDogs } from './dog-checks';
import type { PlanInputs } from './inputs';
import { plainBatch, plainPlan, type PlanEntry } from './plan-entry';
import { stillHere } from './read-plan';
import { standIns, substitute } from './substitute';
import { explainToFetch, gramsToFetch, takeOutBy } from './shopping';

const result = (
  over: Partial<Omit<PlanEntry, 'binding'>> & { binding?: Partial<TypedBinding> } = {},
  inputs: PlanInputs = inputsOf(),
): PlanResult => {
  const found = workOutPlan(inputs, plainPlan(1, [1, 2], TODAY, over));
  if (!found.ok) throw new Error(found.problem.message);
  return found.value;
};
const kcalOf = (of: PlanResult) =>
  energyOf(
    of.batches.flatMap(({ read, amounts }) => batchLines(linesOfWeights(read.written, amounts))),
    '4-9-4',
  );

test('rounded: eggs whole, the scale’s steps, and the drift shown is the drift', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), (days) => {
      const binding = { days: String(days) };
      const [exact, near] = [result({ binding }), result({ binding, rounded: true })];
      expect(kcalOf(near) / kcalOf(exact) - 1).toBeCloseTo(near.drift.kcal, 9);
      expect(exact.drift).toEqual(near.drift);
      const eggs = near.batches[0]!.amounts[3]! / 50;
      expect(eggs).toBeCloseTo(Math.round(eggs), 9);
      // Days that were typed stay the days; the drift says what rounding would make of them.
      expect(near.bound.days).toBeCloseTo(days, 9);
      const fed = near.read.plan.demand.over(near.drift.days)[0]!.need;
      expect(fed / kcalOf(near)).toBeCloseTo(1, 6);
    }),
    { numRuns: 20 },
  );
});

// By hand: ¾ cup of 240 g at each of two meals is 360 g a day, whatever its food turns out to hold.
test.each([
  ['before the first pot', []],
  ['with a pot that boiled in', [0.7]],
  ['with two unlike pots', [0.7, 0.95]],
])('a ration in cups is planned as its cups, %s', (_, pots) => {
  const recipe = { ...plainRecipe(1), pots };
  const food = { name: 'Pot', recipeId: 1, density: 1.0, measured: false, gramsPerCup: 240 };
  const method = { kind: 'school' as const, school: { kind: 'like for like' as const, cups: 1.5 }, food };
  const inputs = inputsOf({ recipes: [recipe] });
  const dogs = inputs.dogs.map((dog) => ({ ...dog, rations: dog.rations.map((own) => ({ ...own, method })) }));
  const plan = result({ dogIds: [1], binding: { days: '7' } }, { ...inputs, dogs });
  expect(plan.days).toBe(7);
  expect(plan.bound.finished).toBeCloseTo(7 * 360, 3);
});

test('packs as sold are bought whole, and taken whole where that is near', () => {
  const venison = plainRecipe(1);
  const sold = (pack: number): PlanInputs =>
    inputsOf({
      recipes: [
        {
          ...venison,
          written: venison.written.map((line, index) =>
            index === 0
              ? {
                  ...line,
                  source: {
                    ...line.source,
                    measures: [{ amount: 1, unit: 'pack', grams: pack }, ...line.source.measures],
                  },
                }
              : line,
          ),
        },
      ],
    });
  const near = result({ rounded: true }, sold(500));
  const packs = near.batches[0]!.amounts[0]! / 500;
  expect(packs).toBeCloseTo(Math.round(packs), 9);
  const item = near.shopping.find((each) => each.key === '17343')!;
  expect(item.packs).toBe(`${Math.round(packs)} packs of 500 g`);
  // A sack of 25 kg is not emptied into the pot for it.
  const sack = result({ rounded: true }, sold(25_000));
  expect(Math.abs(sack.batches[0]!.amounts[0]! - sack.batches[0]!.takes[0]!.grams)).toBeLessThan(3);
  expect(sack.shopping[0]!.packs).toBe('1 pack of 25000 g');
});

test('the list is merged over the recipes, without tap water', () => {
  const both = result({ batches: [plainBatch(1), plainBatch(2)] });
  const barley = both.shopping.filter((item) => item.key === '20005');
  expect(barley).toHaveLength(1);
  expect(barley[0]!.recipes).toEqual(['Recipe 1', 'Recipe 2']);
  expect(barley[0]!.grams).toBeCloseTo(both.batches[0]!.amounts[1]! + both.batches[1]!.amounts[1]!, 6);
  expect(both.shopping.some((item) => item.key === '14411')).toBe(false);
  // What is to be fetched is all of it, and its why names each thing.
  const bought = both.batches.flatMap((batch) =>
    batch.read.of.written.flatMap((line, index) => (line.part === 'liquid' ? [] : [batch.amounts[index]!])),
  );
  expect(gramsToFetch(both.shopping)).toBeCloseTo(
    bought.reduce((sum, each) => sum + each, 0),
    6,
  );
  const why = explainToFetch(both.shopping, (mass) => `${mass.toFixed(0)} g`);
  expect(why.title).toBe(`${gramsToFetch(both.shopping).toFixed(0)} g to fetch`);
  expect(why.steps.map((step) => step.what)).toEqual(both.shopping.map((item) => item.name));
});

test('one recipe for the mornings and one for the rest of the day, each with its own loads', () => {
  const both = result({
    batches: [
      { ...plainBatch(1), meals: 'mornings' },
      { ...plainBatch(2), meals: 'after the morning' },
    ],
    binding: { days: '12' },
  });
  expect(both.unfilled).toEqual([]);
  expect(both.batches.map((batch) => batch.bound.loads[0]?.ok)).toEqual([true, true]);
  expect(kcalOf(both) / both.needs.reduce((sum, need) => sum + need.byDay.reduce((a, b) => a + b, 0), 0)).toBeCloseTo(
    1,
    9,
  );
});

// Common practice (handbook 4): ground meat is about 2 cups a pound; a cup of base, one of water and one of meat a day.
test('base mix, water and protein are scaled back from the meat at hand', () => {
  const base = recipeOf(1, [
    { amount: '1/2 lb', ndb: '17343', part: 'muscle', moment: 'cook' },
    {
      amount: '1 cup',
      ndb: '20005',
      part: 'carbohydrate',
      moment: 'cook',
      basis: 'line',
      perAmount: '1/2 lb',
      perLine: 0,
    },
    { amount: '1 cup', ndb: '14411', part: 'liquid', moment: 'cook', basis: 'line', perAmount: '1/2 lb', perLine: 0 },
  ]);
  const plan = result({ binding: { by: 'at hand', atHand: '3 lb' } }, inputsOf({ recipes: [base], set: 'us' }));
  const [meat, mix, water] = plan.batches[0]!.amounts;
  expect(meat).toBeCloseTo(3 * 453.59237, 4);
  // Six cups of each: a cup of pearled barley is 200 g (USDA SR 24), of water 236.588 g.
  expect(mix).toBeCloseTo(6 * 200, 3);
  expect(water).toBeCloseTo(6 * 236.5882365, 3);
  // 3 lb of meat are six cups in the pot; with barley and water eighteen.
  expect(plan.batches[0]!.bound.figures.rooms[0]).toBeCloseTo(18 * 236.5882365, 1);
});

// Common practice (handbook 4): wings about 45 % bone; 10–15 % bone, 5 % liver, 5 % another secreting organ.
test('an assembled prep meets its bone share from a cut of known bone content', () => {
  const raw = recipeOf(1, [
    { amount: '222.2 g', ndb: '05100', part: 'bone', moment: 'stir-in', preparation: 'chicken wings' },
    { amount: '677.8 g', ndb: '17343', part: 'muscle', moment: 'stir-in' },
    { amount: '50 g', ndb: '13325', part: 'secreting organ', moment: 'stir-in' },
    { amount: '50 g', ndb: '13323', part: 'secreting organ', moment: 'stir-in' },
  ]);
  const plan = result({ binding: { by: 'at hand', atHand: '1 kg' } }, inputsOf({ recipes: [raw] }));
  const lines = linesOfWeights(plan.batches[0]!.read.written, plan.batches[0]!.amounts);
  const mass = (of: (part: string) => boolean) =>
    lines.reduce((sum, line) => sum + (of(line.part) ? line.grams : 0), 0);
  expect(mass((part) => part === 'bone') / mass(() => true)).toBeCloseTo(0.1, 3);
  expect(mass(() => true)).toBeCloseTo(1000 / 0.2222, 0);
});

test('a substitute brings the same energy, of the same part only', () => {
  const [meat, barley] = plainRecipe().written;
  const beef = knownOf('23572')!;
  const swapped = substitute(meat!, beef, '4-9-4');
  if (!swapped.ok) throw new Error(swapped.problem.message);
  const kcal = (ndb: string, mass: number) => energyOf([{ food: knownOf(ndb)!.food, grams: grams(mass) }], '4-9-4');
  expect(kcal('23572', swapped.value.grams) / kcal('17343', 1000)).toBeCloseTo(1, 9);
  expect(substitute(meat!, barley!.source, '4-9-4')).toMatchObject({ problem: { field: 'swap' } });
  expect(substitute(barley!, knownOf('14411')!, '4-9-4').ok).toBe(false);
  const offered = standIns(meat!, [beef, beef, meat!.source, barley!.source], '4-9-4');
  expect(offered.map((known) => known.food.ndb)).toEqual(['23572']);
  const plan = result({ batches: [{ ...plainBatch(2), swaps: { 0: '23572' } }] }, inputsOf({ foods: [beef] }));
  expect(plan.shopping.map((item) => item.key)).toEqual(['23572', '20005']);
});

// Handbook 10: about 24 h for 2 kg in the fridge, overnight for a day's pack.
test.each([
  [500, -1, 22],
  [2000, -1, 10],
  [7000, -4, 22],
])('%d g in one piece come out %d days before, at %d:00', (piece, days, hour) => {
  const out = takeOutBy(piece, TODAY, 'metric');
  expect([out.day, out.hour]).toEqual([addDays(TODAY, days), hour]);
});

// Handbook 10: USDA 3–4 fridge days; a home freezer takes 0.9 kg for each 28 L a day (NCHFP).
test('what must be frozen, whether it fits, and over how many days it freezes', () => {
  const { keeping, bound } = result({ binding: { days: '40' } });
  expect(keeping.frozenFrom).toBe(6);
  expect(keeping.free).toBe(40_000);
  expect(keeping.room).toBeGreaterThan(keeping.free!);
  const frozen = bound.batches.reduce((sum, batch) => sum + batch.frozen, 0);
  expect(keeping.room).toBeCloseTo(frozen * 1.1, 6);
  expect(keeping.freezeDays).toBe(Math.ceil(frozen / ((60_000 / 28_000) * 900)));
  expect(result({ binding: { days: '5' } }).keeping.frozenFrom).toBeUndefined();
  expect(result({ binding: { days: '110' } }).keeping.bestUntil).toBe('2027-02-25');
});

test('each dog is looked at by its own profile', () => {
  const inputs = inputsOf();
  const checks = checkDogs(inputs, result({}, inputs));
  expect(checks.map((check) => check.profile)).toEqual([
    expect.stringContaining('adult'),
    expect.stringContaining('growth'),
  ]);
  expect(checks[1]!.short).toContain('calcium');
  expect(checks.every((check) => check.unknown.includes('iodine'))).toBe(true);
});

const two = [plainBatch(1), plainBatch(1)];
test.each([
  [{ batches: two }, 'recipeId'],
  [{ batches: [plainBatch(9)] }, 'recipeId'],
  [{ batches: [{ ...plainBatch(1), share: '0' }] }, 'share'],
  [{ batches: [{ ...plainBatch(1), share: 'half' }] }, 'share'],
  [{ batches: [{ ...plainBatch(1), swaps: { 0: '99999' } }] }, 'swap'],
  [{ batches: [{ ...plainBatch(1), choices: { green: 4 } }] }, 'recipeId'],
  [{ firstDay: '' }, 'firstDay'],
  [{ cookDay: 'soon' }, 'cookDay'],
  [{ firstDay: addDays(TODAY, -1), cookDay: TODAY }, 'firstDay'],
  [{ cookDay: addDays(TODAY, 3) }, 'firstDay'],
  [{ cookDay: addDays(TODAY, -1) }, 'cookDay'],
  [{ firstDay: addDays(TODAY, 91), cookDay: TODAY }, 'firstDay'],
  [{ dogIds: [] }, 'dogIds'],
])('%j is refused at its field', (over, field) => {
  expect(workOutPlan(inputsOf(), plainPlan(1, [1, 2], TODAY, over))).toMatchObject({ ok: false, problem: { field } });
});

test('a stock that covers every day leaves nothing to plan, and says so', () => {
  const covered = { 1: Object.fromEntries(Array.from({ length: 7 }, (_, day) => [addDays(TODAY, day), 1e6])) };
  const inputs = inputsOf({ recipes: [everyBasis()], covered });
  const entry = plainPlan(1, [1], TODAY, { lessStock: true });
  expect(workOutPlan(inputs, entry)).toMatchObject({ ok: false, problem: { field: 'lessStock' } });
  expect(workOutPlan(inputs, { ...entry, lessStock: false }).ok).toBe(true);
});

test('of an earlier plan what is not here any more, or does not fit, is left out', () => {
  const inputs = inputsOf({ foods: [knownOf('23572')!] });
  const batch = {
    ...plainBatch(2),
    choices: { green: 3 },
    swaps: { 0: '23572', 1: '23572', 9: '23572' },
    vessels: { 0: 77 },
  };
  const unknown = plainPlan(1, [1], TODAY, { batches: [{ ...plainBatch(2), swaps: { 0: '99999' } }] });
  expect(stillHere(inputs, unknown)!.batches[0]!.swaps).toEqual({});
  const earlier = plainPlan(1, [1, 2, 9], TODAY, { batches: [batch, plainBatch(99)] });
  const here = stillHere(inputs, earlier)!;
  expect(here.batches).toEqual([{ ...plainBatch(2), choices: {}, swaps: { 0: '23572' }, vessels: {} }]);
  expect(here.dogIds).toEqual([1, 2]);
  expect(workOutPlan(inputs, here).ok).toBe(true);
  expect(stillHere(inputs, { ...earlier, batches: [plainBatch(99)] })).toBeUndefined();
});
