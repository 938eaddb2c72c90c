import fc from 'fast-check';
import { DOGS, everyBasis, inputsOf, plainRecipe, POT, recipeOf, TODAY } from '../../../tests/fixtures/plans';
import { addDays } from '../calendar/local-date';
import { homeEnergyOn } from '../dog/meals';
import { energyOf } from '../nutrition/energy';
import { boughtAt, linesAt } from '../recipe/bases';
import { batchLines } from '../recipe/recipe';
import { bindPlan, containersOf, whereFigureIs } from './bind';
import { figuresAt, figuresOf } from './figures';
import { plainBatch, plainPlan, type PlanEntry } from './plan-entry';
import { potfulsOf } from './potfuls';
import { readPlan } from './read-plan';
import { frozenRoom, type Bound, type ToPlan } from './to-plan';
import { wantedBy, type Binding } from './bindings/bindings';

const entry = (over: Partial<PlanEntry> = {}) => plainPlan(1, [1, 2], TODAY, over);
const planOf = (of = entry(), inputs = inputsOf()): ToPlan => {
  const read = readPlan(inputs, of);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value.plan;
};
const CUPS = inputsOf({
  recipes: [
    { ...everyBasis(), cupGrams: 240 },
    { ...plainRecipe(), cupGrams: 225 },
  ],
});
const one = planOf(entry(), CUPS);
const two = planOf(
  entry({
    batches: [
      { ...plainBatch(1), share: '2' },
      { ...plainBatch(2), share: '1' },
    ],
  }),
  CUPS,
);
const bound = (binding: Binding, of = one): Bound => {
  const result = bindPlan(of, binding);
  if (!result.ok) throw new Error(result.problem.message);
  return result.value;
};

/** A plan said in every other way. */
const saidOtherwise = (of: ToPlan, first: Bound, count: number): Binding[] => {
  const inPot = first.batches.reduce((sum, batch) => sum + batch.figures.inPot, 0);
  const volume = first.batches.reduce(
    (sum, batch, index) => sum + batch.figures.finished * of.batches[index]!.mlPerGram!,
    0,
  );
  const room = frozenRoom(of, first);
  return [
    { by: 'days', days: first.days },
    { by: 'amount', grams: first.finished },
    { by: 'amount', millilitres: volume },
    { by: 'containers', count, grams: first.finished / count },
    { by: 'containers', count, millilitres: volume / count },
    { by: 'pieces', count, grams: inPot / count },
    { by: 'trays', count, grams: first.finished / count },
    { by: 'at hand', batch: 0, line: 0, grams: first.batches[0]!.figures.bought[0]! },
    { by: 'at hand', batch: 0, line: 3, grams: first.batches[0]!.figures.bought[3]! },
    ...(room > 100 ? [{ by: 'freezer', millilitres: room } as const] : []),
  ];
};

/** The loads of a plan, one number for each component of each recipe. */
const loadsIn = (plan: Bound) => plan.batches.flatMap((batch) => batch.at.loads);

/** A plan bound again, by a figure that it gave: it holds that figure, and with as many loads it is the same plan. */
function bindsBack(of: ToPlan, first: Bound, binding: Binding): Bound {
  const second = bound(binding, of);
  const asked = wantedBy(of, binding);
  if (!asked.ok) throw new Error(asked.problem.message);
  expect(asked.value.figure(second) / asked.value.wanted).toBeCloseTo(1, 6);
  const [before, after] = [loadsIn(first), loadsIn(second)];
  after.forEach((loads, place) => expect(loads).toBeLessThanOrEqual(before[place]!));
  // Just past a full load the same amount may also be cooked with one load less, and without what that load brings.
  if (after.some((loads, place) => loads < before[place]!)) return second;
  expect(second.days / first.days).toBeCloseTo(1, 6);
  second.batches.forEach((batch, index) => {
    const own = first.batches[index]!;
    expect(batch.at.scale / own.at.scale).toBeCloseTo(1, 6);
    batch.figures.bought.forEach((mass, line) => expect(Math.abs(mass - own.figures.bought[line]!)).toBeLessThan(0.1));
  });
  return second;
}

test('a plan bound one way, then bound by any figure that it gave, comes back the same', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.6, max: 60, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      fc.constantFrom(one, two),
      (days, count, of) => {
        const first = bound({ by: 'days', days }, of);
        for (const binding of saidOtherwise(of, first, count)) bindsBack(of, first, binding);
      },
    ),
    { numRuns: 30 },
  );
});

test('a hair past seven full loads: the days ask for eight, the meat at hand is cooked in seven', () => {
  const first = bound({ by: 'days', days: 28.2408 });
  expect(loadsIn(first)).toEqual([8]);
  const second = bindsBack(one, first, {
    by: 'at hand',
    batch: 0,
    line: 0,
    grams: first.batches[0]!.figures.bought[0]!,
  });
  expect(loadsIn(second)).toEqual([7]);
  expect(second.batches[0]!.loads[0]).toMatchObject({ ok: true, value: { loads: 7, full: expect.closeTo(1, 4) } });
  expect(bindsBack(one, first, { by: 'days', days: 28.2408 })).toEqual(first);
});

test('full potfuls come back as so many full potfuls', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 8 }), (count) => {
      const full = bound({ by: 'potfuls', count });
      expect(potfulsOf(one, full)).toBeCloseTo(count, 6);
      expect(full.batches[0]!.loads[0]).toMatchObject({ ok: true, value: { loads: count } });
      expect(bound({ by: 'amount', grams: full.finished }).days / full.days).toBeCloseTo(1, 6);
    }),
    { numRuns: 8 },
  );
});

test('every binding asks the one solver', () => {
  const asked: string[] = [];
  const first = bound({ by: 'days', days: 9 });
  const bindings: Binding[] = [...saidOtherwise(one, first, 3), { by: 'potfuls', count: 2 }];
  for (const binding of bindings) {
    const solved = bindPlan(one, binding, (plan, wanted, counts) => {
      asked.push(binding.by);
      return whereFigureIs(plan, wanted, counts);
    });
    expect(solved.ok).toBe(true);
  }
  expect([...new Set(asked)]).toEqual([...new Set(bindings.map((binding) => binding.by))]);
});

test('mass and energy are conserved, and each line holds to its basis within 0.1 g', () => {
  for (const days of [1, 5, 14]) {
    const { at, figures } = bound({ by: 'days', days }).batches[0]!;
    const { bought } = figures;
    const { written } = one.batches[0]!.recipe;
    const lines = batchLines(linesAt(written, at));
    const need = DOGS.reduce(
      (sum, dog) =>
        sum +
        Array.from({ length: days }, (_, day) => homeEnergyOn(dog, addDays(TODAY, day))).reduce((a, b) => a + b, 0),
      0,
    );
    expect(energyOf(lines, '4-9-4') / need).toBeCloseTo(1, 9);
    expect(figures.inPot).toBeCloseTo(
      lines.reduce((sum, line) => sum + line.grams, 0),
      6,
    );
    // A cup of water in the US set is 236.6 g; two to each cup (200 g) of barley. A large egg is 50 g (USDA SR 24).
    expect(Math.abs(bought[2]! - (bought[1]! / 200) * 2 * 236.5882365)).toBeLessThan(0.1);
    expect(Math.abs(bought[3]! - 2 * days * 50)).toBeLessThan(0.1);
    const animal = bought[0]! * 0.9 + bought[3]!;
    expect(Math.abs(bought[4]! - (animal / 453.59237) * 4.5)).toBeLessThan(0.1);
    const rest = bought[0]! * 0.9 + bought[1]! + bought[2]! + bought[3]! + bought[4]! + bought[6]!;
    expect(Math.abs(bought[5]! - rest / 200)).toBeLessThan(0.1);
    expect(bought[6]).toBeCloseTo(500 * at.loads[0]!, 6);
  }
});

test('two recipes share the energy as they are told, and each holds what is asked of it', () => {
  const plan = bound({ by: 'days', days: 6 }, two);
  const kcal = plan.batches.map((batch) => batch.figures.kcal);
  expect(kcal[0]! / kcal[1]!).toBeCloseTo(2, 6);
  expect(plan.batches.map((batch) => batch.need / batch.figures.kcal)).toEqual([
    expect.closeTo(1, 9),
    expect.closeTo(1, 9),
  ]);
  // An egg a dog and day, in the recipe that brings two thirds of each day: two thirds of 12 eggs of 50 g.
  expect(plan.batches[0]!.figures.bought[3]).toBeCloseTo(400, 6);
});

test('what the fridge does not keep is for the freezer: the days after the fridge days', () => {
  const plan = bound({ by: 'days', days: 10 }, planOf(entry({ batches: [plainBatch(2)] })));
  // Cooked on the first feeding day and kept 4 days: five feeding days from the fridge (USDA 3–4 days).
  const need = (days: number) =>
    DOGS.reduce((sum, dog) => {
      for (let day = 0; day < days; day++) sum += homeEnergyOn(dog, addDays(TODAY, day));
      return sum;
    }, 0);
  expect(plan.batches[0]!.frozen / plan.finished).toBeCloseTo(1 - need(5) / need(10), 9);
});

test('containers: the full ones, and what is left for a short one', () => {
  expect(containersOf(2310, 450)).toEqual({ full: 5, left: 60, all: 6 });
  expect(containersOf(2250, 450)).toEqual({ full: 5, left: 0, all: 5 });
});

const noDog = planOf(entry({ dogIds: [] }));
const noPot = planOf(entry(), inputsOf({ equipment: [] }));
const empty = planOf(entry(), inputsOf({ recipes: [{ ...everyBasis(), written: [] }] }));
test.each([
  ['no dog', noDog, { by: 'days', days: 3 }, 'dogIds'],
  ['no day', one, { by: 'days', days: 0 }, 'days'],
  ['ten thousand days', one, { by: 'days', days: 10_000 }, 'days'],
  ['no weight', one, { by: 'amount', grams: 0 }, 'amount'],
  ['a billion g', one, { by: 'amount', grams: 1e9 }, 'binding'],
  ['no container', one, { by: 'containers', count: 0, grams: 450 }, 'count'],
  ['half a container', one, { by: 'containers', count: 1.5, grams: 450 }, 'count'],
  ['no cup weighed', planOf(), { by: 'amount', millilitres: 4000 }, 'amount'],
  ['a line that is not there', one, { by: 'at hand', batch: 0, line: 9, grams: 450 }, 'line'],
  ['a recipe that is not there', one, { by: 'at hand', batch: 7, line: 0, grams: 450 }, 'line'],
  ['no room', one, { by: 'freezer', millilitres: 0 }, 'space'],
  ['no pot', noPot, { by: 'potfuls', count: 1 }, 'vessel'],
  ['no energy', empty, { by: 'amount', grams: 450 }, 'recipeId'],
] as const)('%s cannot bind: refused at its field', (_, of, binding, field) => {
  expect(bindPlan(of, binding as Binding)).toMatchObject({ ok: false, problem: { field } });
});

test('what each load takes by itself may already fill the pot: said before anything is bought', () => {
  const small = inputsOf({ equipment: [{ ...POT, millilitres: 600 }] });
  const plan = bound({ by: 'days', days: 2 }, planOf(entry(), small));
  expect(plan.batches[0]!.loads[0]).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining('already fills it') },
  });
});

test('eggs by dog and day may already be more than the dogs need: that is said', () => {
  const eggs = recipeOf(1, [
    { amount: '1 kg', ndb: '17343', part: 'muscle', moment: 'cook' },
    { amount: '30 large', ndb: '01123', part: 'egg', moment: 'cook', basis: 'dog and day' },
  ]);
  expect(bindPlan(planOf(entry(), inputsOf({ recipes: [eggs] })), { by: 'days', days: 3 })).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining('by dog, day and load alone'), field: 'recipeId' },
  });
});

test('the parts put together are the figures of the lines themselves', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 30, noNaN: true }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 1, max: 9 }),
      (scale, dogDays, loads) => {
        const { recipe, parts } = one.batches[0]!;
        const at = { scale, dogDays, kgDays: dogDays * 7, loads: [loads] };
        const [joined, whole] = [figuresAt(parts, at), figuresOf(recipe, boughtAt(recipe.written, at))];
        for (const figure of ['kcal', 'inPot', 'finished', 'finishedLow', 'finishedHigh'] as const)
          expect(joined[figure] / whole[figure]).toBeCloseTo(1, 9);
        expect(joined.rooms[0]! / whole.rooms[0]!).toBeCloseTo(1, 9);
        expect(joined.bought.map((mass) => Math.round(mass * 1e6))).toEqual(
          whole.bought.map((mass) => Math.round(mass * 1e6)),
        );
      },
    ),
  );
});
