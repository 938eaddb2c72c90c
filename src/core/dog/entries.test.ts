import { dogOf, kilograms } from '../../../tests/fixtures/dogs';
import { addDays, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { readBands } from './bands-entry';
import { readBowlLine, readLitter, type BowlLineEntry } from './keeping-entry';
import { readMeals } from './meals-entry';
import { readOtherwise, unbalancedCaution, type OtherwiseEntry } from './otherwise-entry';
import { readRationEntry, toRationEntry, type RationEntry } from './ration-entry';
import { NO_SCHOOL } from './schools/school';
import { readWeighIn, type WeighInEntry } from './weigh-in-entry';

const TODAY = '2026-11-25' as LocalDate;
const FOOD = { name: 'pot', density: 1.25, measured: true, gramsPerCup: 240, kcalPerAnimalGram: 2.8 };
const given = { set: 'metric' as const, today: TODAY, foods: new Map([[1, FOOD]]) };
const dog = dogOf(20, TODAY);

const fieldsOf = (read: { ok: true } | { ok: false; problems: readonly Problem[] }) =>
  read.ok ? [] : read.problems.map((problem) => problem.field);

const plain = toRationEntry(dog.rations[0]!, TODAY, () => 1, String);
const ration = (over: Partial<RationEntry>) => readRationEntry({ ...plain, recipeId: 1, ...over }, dog, given);
const school = (over: Partial<typeof NO_SCHOOL>) => ({ ...NO_SCHOOL, ...over });

test.each<[string, Partial<RationEntry>, string]>([
  ['a factor that no dog lives on', { method: 'factor', factor: '40' }, 'factor'],
  ['no number', { method: 'kcal', kcal: 'lots' }, 'kcal'],
  ['k out of reach', { method: 'nrc', k: '10' }, 'k'],
  ['a goal half the dog away', { goal: '9 kg' }, 'goal'],
  ['a goal that is no weight', { goal: 'slim' }, 'goal'],
  ['a day that has passed', { from: '2026-11-24' }, 'from'],
  ['a day far ahead', { from: '2027-11-24' }, 'from'],
  ['no day', { from: '' }, 'from'],
  [
    'a range upside down',
    { method: 'prescribed', school: school({ amount: '350-300', unit: 'kcal' }) },
    'school.amount',
  ],
  ['a range where one number is asked for', { method: 'protein', school: school({ per: '40-50' }) }, 'school.per'],
  ['nothing typed', { method: 'percent', school: school({ amount: '' }) }, 'school.amount'],
  ['a fifth of its weight', { method: 'percent', school: school({ amount: '25' }) }, 'school.amount'],
  ['no food to reckon with', { method: 'percent', recipeId: null, school: school({ amount: '2-3' }) }, 'recipeId'],
  [
    'rows that overlap',
    {
      method: 'weight table',
      school: school({
        bands: [
          { weight: '5-15 kg', amount: '200' },
          { weight: '10-30 kg', amount: '300' },
        ],
      }),
    },
    'school.bands.1.weight',
  ],
  [
    'a table without a row for this dog',
    { method: 'weight table', school: school({ bands: [{ weight: 'up to 5 kg', amount: '200' }] }) },
    'school.bands.0.weight',
  ],
])('a ration: %s', (_, over, field) => expect(fieldsOf(ration(over))).toContain(field));

test.each<[Partial<RationEntry>, number]>([
  [{ method: 'kcal', kcal: '1 234' }, 1234],
  [{ method: 'kcal', kcal: '12 34' }, NaN],
  [{ method: 'kcal', kcal: '1234' }, 1234],
  [{ method: 'kcal', kcal: '850,5' }, 850.5],
])('own kcal as typed: %j', (over, kcal) => {
  const read = ration(over);
  expect(read.ok && read.value.method.kind === 'kcal' ? read.value.method.kcal : NaN).toEqual(kcal);
});

test('a school is read with its figures, and comes back as it was typed', () => {
  const typed = school({ amount: '280-320', unit: 'kcal', by: 'Dr. Alder' });
  // 280 to 320 kcal are far under what this dog's energy allows: that is asked, and told.
  expect(ration({ method: 'prescribed', school: typed, recipeId: null })).toMatchObject({
    ok: false,
    problems: [{ field: 'sure' }],
  });
  const read = ration({ method: 'prescribed', school: typed, recipeId: null, sure: true });
  expect(read).toMatchObject({
    ok: true,
    value: { method: { kind: 'school', school: { low: 280, high: 320, by: 'Dr. Alder' } } },
  });
  if (!read.ok) return;
  const again = toRationEntry({ ...dog.rations[0]!, ...read.value }, TODAY, () => null, String);
  expect(again).toMatchObject({ method: 'prescribed', school: typed });
});

// As labels print them; made-up figures.
test.each<[string[], (number | undefined)[]]>([
  [
    ['up to 5 kg', '10 kg', 'over 10 kg'],
    [5000, 10_000, undefined],
  ],
  [
    ['0-5 kg', '5-10 kg', '10–25 kg'],
    [5000, 10_000, 25_000],
  ],
  [
    ['under 10 lb', '10 to 20 lb'],
    [4535.9, 9071.8],
  ],
])('bands %j', (weights, ends) => {
  const read = readBands(
    weights.map((weight) => ({ weight, amount: '1' })),
    'metric',
  );
  if (!read.ok) throw new Error(read.problem.message);
  read.value.forEach((row, index) =>
    ends[index] === undefined ? expect(row.upTo).toBeUndefined() : expect(row.upTo).toBeCloseTo(ends[index], 0),
  );
});

test.each([
  [['10-5 kg'], /upside down/],
  [['0-5 kg', '8-12 kg'], /gap/],
  [['5-10 kg', '9-12 kg'], /overlaps/],
  [['up to 10 kg', 'up to 5 kg'], /overlaps/],
  [['over 5 kg', '10 kg'], /every heavier dog/],
  [[''], /at least one row/],
  [['heavy'], /Write a weight/],
])('bands %j are refused', (weights, said) => {
  const read = readBands(
    weights.map((weight) => ({ weight, amount: weight === '' ? '' : '1' })),
    'metric',
  );
  expect(read.ok ? '' : read.problem.message).toMatch(said);
});

const row = (name: string, clock: string, percent: string) => ({ slotId: null, name, clock, percent, recipeId: null });

test('meals: thirds are spread, the order is that of the clock', () => {
  const read = readMeals({
    usual: false,
    rows: [row('Supper', '18:00', '34'), row('a', '07:00', '33'), row('b', '12:00', '33')],
  });
  if (!read.ok || !read.value) throw new Error('not read');
  expect(read.value.map((meal) => meal.name)).toEqual(['a', 'b', 'supper']);
  expect(read.value.reduce((sum, meal) => sum + meal.fraction, 0)).toBeCloseTo(1, 12);
});

test.each<[string, ReturnType<typeof row>[], string]>([
  ['that do not add up', [row('a', '07:00', '50'), row('b', '18:00', '40')], 'rows'],
  ['none', [], 'rows'],
  ['six', Array.from({ length: 6 }, (_, index) => row(`m${index}`, `0${index}:00`, '17')), 'rows'],
  ['two of a name', [row('a', '07:00', '50'), row('A', '18:00', '50')], 'rows.1.name'],
  ['two at one time', [row('a', '07:00', '50'), row('b', '07:00', '50')], 'rows.1.clock'],
  ['at no time', [row('a', '25:00', '100')], 'rows.0.clock'],
  ['of nothing', [row('a', '07:00', '0')], 'rows.0.percent'],
])('meals %s are refused', (_, rows, field) => expect(fieldsOf(readMeals({ usual: false, rows }))).toContain(field));

const none: OtherwiseEntry = { extras: [], oldFood: '', oldLabel: '', oldDays: '8' };
const extra = (over: Partial<OtherwiseEntry['extras'][number]>) => ({
  name: 'x',
  kind: 'treat' as OtherwiseEntry['extras'][number]['kind'],
  amount: '1',
  measure: 'kcal' as OtherwiseEntry['extras'][number]['measure'],
  label: '',
  weekdays: [],
  ...over,
});

// By hand: 150 g at 380 kcal/100 g are 570 kcal, two pieces of 35 kcal 70, half a cup of 400 kcal 200.
test.each([
  [extra({ amount: '150 g', measure: '100 g', label: '380' }), 570],
  [extra({ amount: '2', measure: 'piece', label: '35' }), 70],
  [extra({ amount: '1/2', measure: 'cup', label: '400' }), 200],
  [extra({ amount: '40 kcal' }), 40],
])('an extra by its label: %j', (typed, kcal) => {
  const read = readOtherwise({ ...none, extras: [typed] }, TODAY, 1000);
  expect(read.ok && read.value.extras[0]!.size).toEqual({ by: 'kcal', kcal });
});

test.each<[Partial<OtherwiseEntry>, string]>([
  [{ extras: [extra({ name: ' ' })] }, 'extras.0.name'],
  [{ extras: [extra({ amount: '-3' })] }, 'extras.0.amount'],
  [{ extras: [extra({ measure: 'cup', label: '' })] }, 'extras.0.label'],
  [{ extras: [extra({ amount: '120', measure: '% of the day' })] }, 'extras.0.amount'],
  [{ extras: [extra({ amount: '600' }), extra({ amount: '500', weekdays: [3] })] }, 'extras.0.amount'],
  [{ oldFood: 'kibble', oldDays: '30' }, 'oldDays'],
  [{ oldFood: 'kibble', oldLabel: 'much' }, 'oldLabel'],
])('what it eats otherwise: %j is refused', (over, field) =>
  expect(fieldsOf(readOtherwise({ ...none, ...over }, TODAY, 1000))).toContain(field),
);

// AAHA/WSAVA, from memory: at most a tenth of the day.
test('over a tenth of unbalanced extras is said, bought food is not counted', () => {
  const read = (typed: OtherwiseEntry['extras']) => {
    const answer = readOtherwise({ ...none, extras: typed }, TODAY, 1000);
    return answer.ok ? unbalancedCaution(answer.value.extras, 1000) : 'not read';
  };
  expect(read([extra({ amount: '100' })])).toBeUndefined();
  expect(read([extra({ amount: '90' }), extra({ amount: '20', weekdays: [7] })])).toMatch(/11 % of the day/);
  expect(read([extra({ amount: '400', kind: 'bought' })])).toBeUndefined();
});

const weighIn = (over: Partial<WeighInEntry>): WeighInEntry => ({
  date: TODAY,
  weight: '20 kg',
  bodyCondition: '',
  appetite: '',
  stool: '',
  note: '',
  sure: false,
  ...over,
});

test.each<[Partial<WeighInEntry>, string]>([
  [{ date: '2026-11-26' }, 'date'],
  [{ date: '2019-01-01' }, 'date'],
  [{ date: 'today' }, 'date'],
  [{ weight: '' }, 'weight'],
  [{ weight: '900 kg' }, 'weight'],
  [{ bodyCondition: '12' }, 'bodyCondition'],
  [{ weight: '44 kg' }, 'weight'],
  [{ weight: '25 kg' }, 'weight'],
])('a weigh-in %j is refused or asked about', (over, field) =>
  expect(fieldsOf(readWeighIn(weighIn(over), dog, 'metric', TODAY))).toContain(field),
);

test('44 kg beside 20 kg may mean 44 lb; said to be right, it is kept', () => {
  const asked = readWeighIn(weighIn({ weight: '44 kg' }), dog, 'metric', TODAY);
  expect(!asked.ok && asked.meant! / 1000).toBeCloseTo(19.96, 2);
  expect(readWeighIn(weighIn({ weight: '44 kg', sure: true }), dog, 'metric', TODAY).ok).toBe(true);
  expect(readWeighIn(weighIn({ weight: '20.6 kg', bodyCondition: '5' }), dog, 'metric', TODAY)).toMatchObject({
    ok: true,
    value: { grams: 20_600, bodyCondition: 5 },
  });
});

test('a pup above its adult weight is refused, one on its curve is not asked about', () => {
  const pup = dogOf(8, addDays(TODAY, -14), { birthDate: addDays(TODAY, -136), expectedAdultWeight: kilograms(19) });
  expect(fieldsOf(readWeighIn(weighIn({ weight: '25 kg' }), pup, 'metric', TODAY))).toEqual(['weight']);
  // Handbook 2: 9.73 kg after 14 days, a fifth more than 8 kg.
  expect(readWeighIn(weighIn({ weight: '9.7 kg' }), pup, 'metric', TODAY).ok).toBe(true);
});

const bowlLine = (over: Partial<BowlLineEntry>): BowlLineEntry => ({
  what: 'fish oil',
  unit: 'mL',
  by: 'flat',
  amount: '3',
  perKg: '',
  bands: [],
  slotId: 1,
  kcal: '',
  ...over,
});

test.each<[Partial<BowlLineEntry>, string]>([
  [{ what: '' }, 'what'],
  [{ unit: '' }, 'unit'],
  [{ amount: 'some' }, 'amount'],
  [{ by: 'body weight', perKg: '0' }, 'perKg'],
  [{ by: 'bands', bands: [{ weight: '10-5 kg', amount: '1' }] }, 'bands.0.weight'],
  [{ by: 'bands', bands: [{ weight: '5 kg', amount: 'x' }] }, 'bands.0.amount'],
  [{ kcal: 'none' }, 'kcal'],
])('a bowl line %j is refused', (over, field) =>
  expect(fieldsOf(readBowlLine(bowlLine(over), 'metric'))).toContain(field),
);

test('a label’s bands may say none for the smallest', () => {
  const bands = [
    { weight: 'under 5 kg', amount: '0' },
    { weight: '5-10 kg', amount: '1/2' },
  ];
  expect(readBowlLine(bowlLine({ by: 'bands', bands }), 'metric')).toMatchObject({
    ok: true,
    value: {
      rule: {
        bands: [
          { upTo: 5000, amount: 0 },
          { upTo: 10_000, amount: 0.5 },
        ],
      },
    },
  });
});

const bitch = dogOf(22, TODAY, { neutered: false, birthDate: addDays(TODAY, -1500) });
const litter = { matedOn: '', whelpedOn: '', pups: '', weanedOn: '' };

test.each([
  [{}, 'matedOn'],
  [{ matedOn: '2026-12-01' }, 'matedOn'],
  [{ matedOn: '2023-01-01' }, 'matedOn'],
  [{ whelpedOn: '2026-11-01' }, 'pups'],
  [{ whelpedOn: '2026-11-01', pups: '40' }, 'pups'],
  [{ matedOn: '2026-06-01', whelpedOn: '2026-11-01', pups: '4' }, 'whelpedOn'],
  [{ whelpedOn: '2026-11-01', weanedOn: '2026-10-01', pups: '4' }, 'weanedOn'],
])('a litter %j is refused', (over, field) =>
  expect(fieldsOf(readLitter({ ...litter, ...over }, bitch, TODAY))).toContain(field),
);

test('a neutered dog has no litter; 62 days after mating the pups are fine', () => {
  const born = { ...litter, matedOn: '2026-09-07', whelpedOn: '2026-11-08', pups: '6' };
  expect(readLitter(born, bitch, TODAY).ok).toBe(true);
  expect(fieldsOf(readLitter(born, dog, TODAY))).toContain('matedOn');
});
