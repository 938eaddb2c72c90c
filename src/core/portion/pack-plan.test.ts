import fc from 'fast-check';
import { grams } from '../quantity/units';
import { fewestContainers, leastShort, type Container } from './containers';
import { driftOf, packsFor, spreadOf, type DogDay } from './packs';
import { fillUnits, gramsPerMlOf, readPackPlan, typedPackPlan, type PackPlan, type PackPlanEntry } from './pack-plan';

const EMPTY: PackPlanEntry = { by: 'dog and day', size: '', count: '', each: '', aim: 'fewest' };
const day = (dogId: number, on: number, ...meals: number[]): DogDay => ({
  dogId,
  day: on,
  meals,
  grams: meals.reduce((sum, each) => sum + each, 0),
});
/** Two dogs, six days, two meals a day. */
const DAYS = [0, 1, 2, 3, 4, 5].flatMap((on) => [day(1, on, 300, 300), day(2, on, 100, 50)]);
const TUBS: Container[] = [
  { name: 'tubs', grams: 450, count: 48 },
  { name: 'small tubs', grams: 200, count: 10 },
];
const packed = (plan: PackPlan, mass: number, over: Partial<Parameters<typeof fillUnits>[1]> = {}) => {
  const units = fillUnits(plan, { grams: mass, days: DAYS, gramsPerMl: 0.96, containers: TUBS, ...over });
  if (!units.ok) throw new Error(units.problem.message);
  return packsFor(mass, units.value).packs;
};
const sum = (packs: readonly { grams: number }[]) => packs.reduce((all, pack) => all + pack.grams, 0);

test('per meal, per household-day with each dog’s part, several days in one (arithmetic)', () => {
  expect(packed({ by: 'meal' }, 750).map((pack) => [pack.dogId, pack.grams])).toEqual([
    [1, 300],
    [1, 300],
    [2, 100],
    [2, 50],
  ]);
  expect(packed({ by: 'household day' }, 1500)).toEqual([
    {
      grams: 750,
      short: false,
      split: [
        { dogId: 1, grams: 600 },
        { dogId: 2, grams: 150 },
      ],
    },
    {
      grams: 750,
      short: false,
      split: [
        { dogId: 1, grams: 600 },
        { dogId: 2, grams: 150 },
      ],
    },
  ]);
  expect(packed({ by: 'days', days: 3 }, 2250).map((pack) => [pack.dogId, pack.grams])).toEqual([
    [1, 1800],
    [2, 450],
  ]);
});

test('one weight, one volume by the measured density, slabs; what is left is short (arithmetic)', () => {
  expect(packed({ by: 'weight', grams: 450 }, 2000).map((pack) => [pack.grams, pack.short])).toEqual([
    [450, false],
    [450, false],
    [450, false],
    [450, false],
    [200, true],
  ]);
  // A cup of 250 mL that weighs 240 g: 500 mL are 480 g.
  expect(gramsPerMlOf(240, 'metric')).toBeCloseTo(0.96, 9);
  expect(packed({ by: 'volume', millilitres: 500 }, 960).map((pack) => pack.grams)).toEqual([480, 480]);
  expect(packed({ by: 'slabs', slabs: 4 }, 1001).map((pack) => pack.grams)).toEqual([251, 250, 250, 250]);
  const none = fillUnits(
    { by: 'volume', millilitres: 500 },
    { grams: 9, days: [], gramsPerMl: undefined, containers: [] },
  );
  expect(none).toMatchObject({ ok: false, problem: { field: 'size' } });
});

test('pieces of an ounce: ten weighed cooked, whole ones a meal, and how far that is off', () => {
  // Ten pieces of 1 oz raw weigh 210 g cooked: 21 g each. 300 g a meal are 14.3, so 14; 100 g are 5, 50 g are 2 (rounded).
  const packs = packed({ by: 'pieces', grams: 21 }, 4 * 21 * 35);
  expect(packs.slice(0, 2).map((pack) => [pack.dogId, pack.pieces, pack.grams])).toEqual([
    [1, 28, 588],
    [2, 7, 147],
  ]);
  const drift = driftOf(packs, 1.2);
  expect(drift.get(1)).toBeCloseTo((588 - 600) * 1.2, 9);
  expect(drift.get(2)).toBeCloseTo((147 - 150) * 1.2, 9);
  const spread = spreadOf(
    [
      { grams: 100, short: false },
      { grams: 140, short: false },
      { grams: 9, short: true },
    ],
    1.5,
  )!;
  expect([spread.least, spread.mean, spread.most]).toEqual([150, 180, 210]);
  expect(spreadOf([{ grams: 100, short: false }], 1.5)).toBeUndefined();
});

// Common practice, no source: 21 cups into containers of 2 cups are ten and a short one of one cup.
test('containers by cups with a short one left', () => {
  const packs = packed({ by: 'volume', millilitres: 500 }, 21 * 240);
  expect(packs).toHaveLength(11);
  expect(packs.at(-1)).toEqual({ grams: 240, short: true });
});

test('cubes: so many of a tray in a bag', () => {
  const plan = readPackPlan({ ...EMPTY, by: 'cubes', size: '300 g', count: '12', each: '4' }, 'metric');
  if (!plan.ok) throw new Error(plan.problem.message);
  expect(plan.value).toEqual({ by: 'cubes', grams: 25, each: 4 });
  expect(packed(plan.value, 230)).toMatchObject([
    { grams: 100, pieces: 4 },
    { grams: 100, pieces: 4 },
    { grams: 30, short: true },
  ]);
});

/** All ways to take containers, tried one by one. */
function exhaustive(mass: number, containers: readonly Container[]) {
  let [fewest, slack, fewestAtSlack] = [Infinity, Infinity, Infinity];
  const walk = (place: number, room: number, taken: number) => {
    const own = containers[place];
    if (!own) {
      if (room < mass) return;
      fewest = Math.min(fewest, taken);
      if (room - mass < slack) [slack, fewestAtSlack] = [room - mass, taken];
      else if (room - mass === slack) fewestAtSlack = Math.min(fewestAtSlack, taken);
      return;
    }
    for (let count = 0; count <= own.count; count++) walk(place + 1, room + count * own.grams, taken + count);
  };
  walk(0, 0, 0);
  return { fewest, slack, fewestAtSlack };
}

test('the fewest containers, and the least short pack: as an exhaustive search finds them (property)', () => {
  const one = fc.record({ grams: fc.integer({ min: 20, max: 900 }), count: fc.integer({ min: 0, max: 4 }) });
  fc.assert(
    fc.property(fc.array(one, { minLength: 1, maxLength: 4 }), fc.integer({ min: 1, max: 4000 }), (sizes, mass) => {
      const containers = sizes.map((each, index) => ({ ...each, name: `size ${index}` }));
      const best = exhaustive(mass, containers);
      const few = fewestContainers(mass, containers);
      const full = leastShort(mass, containers);
      expect(few?.length).toBe(best.fewest === Infinity ? undefined : best.fewest);
      expect(full && full.reduce((room, each) => room + each.grams, 0) - mass).toBe(
        best.slack === Infinity ? undefined : best.slack,
      );
      expect(full?.length).toBe(best.slack === Infinity ? undefined : best.fewestAtSlack);
      // Of the fewest none is taken that was not there.
      for (const { name, count } of containers)
        expect((few ?? []).filter((each) => each.name === name).length).toBeLessThanOrEqual(count);
    }),
    { numRuns: 300 },
  );
});

test('every plan sums to its share to the gram, and no pack holds more than its container (property)', () => {
  const plan = fc.oneof(
    fc.constantFrom<PackPlan>({ by: 'dog and day' }, { by: 'meal' }, { by: 'household day' }),
    fc.record({ by: fc.constant('days' as const), days: fc.integer({ min: 1, max: 14 }) }),
    fc.record({ by: fc.constant('weight' as const), grams: fc.double({ min: 40, max: 3000, noNaN: true }) }),
    fc.record({ by: fc.constant('volume' as const), millilitres: fc.double({ min: 40, max: 3000, noNaN: true }) }),
    fc.record({
      by: fc.constant('containers' as const),
      aim: fc.constantFrom('fewest' as const, 'least short' as const),
    }),
    fc.record({ by: fc.constant('pieces' as const), grams: fc.double({ min: 2, max: 60, noNaN: true }) }),
    fc.record({
      by: fc.constant('cubes' as const),
      grams: fc.double({ min: 10, max: 60, noNaN: true }),
      each: fc.integer({ min: 3, max: 20 }),
    }),
    fc.record({ by: fc.constant('slabs' as const), slabs: fc.integer({ min: 1, max: 40 }) }),
  );
  fc.assert(
    fc.property(plan, fc.integer({ min: 1, max: 9000 }), (own, mass) => {
      const units = fillUnits(own, { grams: mass, days: DAYS, gramsPerMl: 0.96, containers: TUBS });
      fc.pre(units.ok);
      const { packs } = packsFor(mass, units.value);
      expect(sum(packs)).toBe(mass);
      expect(packs.filter((pack) => pack.short).length).toBeLessThanOrEqual(1);
      for (const pack of packs) {
        expect(Number.isInteger(pack.grams) && pack.grams > 0).toBe(true);
        if (pack.split) expect(sum(pack.split)).toBe(pack.grams);
        const tub = TUBS.find(({ name }) => name === pack.container);
        if (own.by === 'containers') expect(pack.grams).toBeLessThanOrEqual(tub!.grams);
      }
    }),
    { numRuns: 300 },
  );
});

test('bad input is said at its field', () => {
  const said = (entry: Partial<PackPlanEntry>) => {
    const read = readPackPlan({ ...EMPTY, ...entry }, 'metric');
    return read.ok ? undefined : [read.problem.field, read.problem.message];
  };
  expect(said({ by: 'weight', size: '' })).toEqual(['size', 'What does the scale say, in g?']);
  expect(said({ by: 'weight', size: '1 g' })?.[0]).toBe('size');
  expect(said({ by: 'volume', size: '500 g' })).toEqual(['size', 'A volume: 500 mL, 2 cups or 1 qt.']);
  expect(said({ by: 'days', count: '0' })?.[0]).toBe('count');
  expect(said({ by: 'days', count: '1.5' })?.[0]).toBe('count');
  expect(said({ by: 'slabs', count: 'many' })?.[0]).toBe('count');
  expect(said({ by: 'cubes', size: '300 g', count: '12', each: '' })?.[0]).toBe('each');
  const tiny = fillUnits({ by: 'weight', grams: 5 }, { grams: 9000, days: [], gramsPerMl: 1, containers: [] });
  expect(tiny).toMatchObject({ ok: false, problem: { message: expect.stringContaining('1800 packs') } });
  const over = fillUnits(
    { by: 'containers', aim: 'fewest' },
    { grams: 9000, days: [], gramsPerMl: 1, containers: [TUBS[1]!] },
  );
  expect(over).toMatchObject({ ok: false, problem: { message: 'All 10 containers together do not hold it.' } });
});

test('a plan that is kept is typed again as the same plan', () => {
  const plans: PackPlan[] = [
    { by: 'meal' },
    { by: 'days', days: 3 },
    { by: 'weight', grams: grams(450) },
    { by: 'volume', millilitres: 500 },
    { by: 'containers', aim: 'least short' },
    { by: 'pieces', grams: 21 },
    { by: 'cubes', grams: 25, each: 4 },
    { by: 'slabs', slabs: 6 },
  ];
  for (const plan of plans) {
    const again = readPackPlan(typedPackPlan(plan, 'metric'), 'metric');
    expect(again).toEqual({ ok: true, value: plan });
  }
});
