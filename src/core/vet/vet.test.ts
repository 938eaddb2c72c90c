import fc from 'fast-check';
import Papa from 'papaparse';
import { addUp } from '../add-up';
import { addDays, type LocalDate } from '../calendar/local-date';
import { mealsOn } from '../dog/meals';
import { daysEaten, type FedBowl } from '../eaten/days';
import { grams } from '../quantity/units';
import { writeKcal } from '../quantity/write';
import type { WeighedLine } from '../recipe/recipe';
import { dogOf } from '../../../tests/fixtures/dogs';
import { knownOf } from '../../../tests/fixtures/plans';
import { recipesEaten, supplementsOf, whatItAte, type VetPot } from './eats';
import { readVetRange } from './range';
import { seenOf, weightsOf } from './seen';
import { paperRows, sheetAsRows } from './sheet';

const FIRST = '2026-11-01' as LocalDate;
const LAST = addDays(FIRST, 9);
const dog = { ...dogOf(20, FIRST), given: [] };
const meals = mealsOn(dog, FIRST);
const DAY = addUp(meals, ({ kcal }) => kcal);
const line = (ndb: string, mass: number, over: Partial<WeighedLine> = {}): WeighedLine => ({
  text: knownOf(ndb)!.food.name,
  food: knownOf(ndb)!.food,
  grams: grams(mass),
  part: 'muscle',
  moment: 'cook',
  ...over,
});
const VENISON = knownOf('17343')!.food;
// A gram of lean meat by 4-9-4: 4 kcal of protein, 9 of fat, no carbohydrate (NRC 2006, USDA SR 24).
const perGram = (4 * VENISON.per100.protein_g! + 9 * VENISON.per100.fat_g!) / 100;
const pot = (batchId: number, over: Partial<VetPot> = {}): VetPot => ({
  batchId,
  name: 'Venison',
  recipeId: 1,
  number: 1,
  density: 1.25,
  lines: [line('17343', 3000)],
  ...over,
});
const fed = (day: LocalDate, batchId: number): FedBowl[] =>
  meals.map(({ id, kcal }) => ({ day, slotId: id, parts: [{ batchId, kcal }], left: 0, water: 0, ticked: undefined }));
const daysOf = (potOn: (index: number) => number | undefined) =>
  daysEaten(
    dog,
    FIRST,
    LAST,
    Array.from({ length: 10 }, (_, index) => {
      const own = potOn(index);
      return own === undefined ? [] : fed(addDays(FIRST, index), own);
    }).flat(),
    addDays(LAST, 1),
  );

test('what it ate a day is by the days of which every bowl is known, and g are kcal over what a gram of the pot holds', () => {
  const section = whatItAte(
    daysOf((index) => (index < 6 ? 1 : index < 8 ? 2 : undefined)),
    [pot(1), pot(2, { name: 'Goat', recipeId: 2, density: 1.6 })],
  );
  // By hand: of eight known days six are of a pot of 1.25 kcal/g and two of one of 1.6 kcal/g.
  const [kcalA, kcalB] = [(DAY * 6) / 8, (DAY * 2) / 8];
  expect(section.rows).toEqual([
    ['Venison, version 1', expect.anything(), '75', String(Math.round(kcalA / 1.25))],
    ['Goat, version 1', expect.anything(), '25', String(Math.round(kcalB / 1.6))],
  ]);
  expect(section.said.join(' ')).toContain('on the 8 days of which every bowl is known');
  expect(section.said.join(' ')).toContain('Of 2 days not all is known.');
});

test('parts of what was cooked are of every known bowl, how much of whole days: one set of bowls on the page', () => {
  // Six days of venison; on four of goat only breakfast was pressed, so that no whole day knows of goat.
  const half = daysOf((index) => (index < 6 ? 1 : undefined));
  const goat = daysEaten(
    dog,
    FIRST,
    LAST,
    [
      ...Array.from({ length: 6 }, (_, index) => fed(addDays(FIRST, index), 1)).flat(),
      ...Array.from({ length: 4 }, (_, index) => fed(addDays(FIRST, index + 6), 2).slice(0, 1)).flat(),
    ],
    addDays(LAST, 1),
  );
  const pots = [pot(1), pot(2, { name: 'Goat', recipeId: 2 })];
  const breakfast = meals[0]!.kcal;
  // By hand: six days of venison and four breakfasts of goat, over all that is known.
  const part = (4 * breakfast) / (6 * DAY + 4 * breakfast);
  const rows = whatItAte(goat, pots).rows;
  expect(rows.map((row) => row[2])).toEqual([String(Math.round((1 - part) * 100)), String(Math.round(part * 100))]);
  expect(rows.map((row) => row[1])).toEqual([writeKcal(DAY * (1 - part)), writeKcal(DAY * part)]);
  expect(recipesEaten(goat, pots, '4-9-4').rows.map(([name]) => name)).toEqual([
    `Venison, version 1 (${Math.round((1 - part) * 100)} % of what was cooked)`,
    `Goat, version 1 (${Math.round(part * 100)} % of what was cooked)`,
  ]);
  expect(whatItAte(half, pots).rows).toHaveLength(1);
});

test('of a pot that was never weighed nobody says grams; of no known day there are no figures', () => {
  const whole = daysOf(() => 1);
  expect(whatItAte(whole, [pot(1, { density: undefined })]).rows[0]!.at(-1)).toBe('');
  const none = whatItAte(
    daysOf(() => undefined),
    [pot(1)],
  );
  expect(none.rows).toEqual([]);
  expect(none.said).toContain('Of no day is every bowl known.');
});

test('property: the parts of its energy come to all of it, whatever pots it ate of', () => {
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }), { minLength: 10, maxLength: 10 }),
      (on) => {
        const days = daysOf((index) => on[index]);
        const rows = whatItAte(
          days,
          [1, 2, 3].map((id) => pot(id, { name: `Pot ${id}` })),
        ).rows;
        if (rows.length === 0) return;
        expect(Math.abs(addUp(rows, (row) => Number(row[2])) - 100)).toBeLessThanOrEqual(rows.length);
      },
    ),
  );
});

test('a recipe is the last pot of its version that was eaten, in g as weighed and in 1000 kcal', () => {
  const { rows } = recipesEaten(
    daysOf((index) => (index < 5 ? 1 : 2)),
    [pot(1), pot(2, { lines: [line('17343', 2000)] })],
    '4-9-4',
  );
  expect(rows).toEqual([
    ['Venison, version 1 (100 % of what was cooked)', VENISON.name, '2000', String(Math.round(1000 / perGram))],
  ]);
});

test('a supplement is said with its dose a day in its label’s measure, and what the label prints', () => {
  const kelp = { ...VENISON, ndb: 'L1', name: 'Kelp', per100: { protein_g: 0, fat_g: 0, carbohydrate_g: 0 } };
  const lines = [line('17343', 3000), line('17343', 12, { food: kelp, part: 'supplement', text: 'kelp' })];
  const labels = new Map([
    [
      'L1',
      {
        name: 'Kelp',
        label: { measure: 'tsp', measureGrams: 3, amounts: [{ nutrient: 'iodine', amount: 1.5, unit: 'mg' as const }] },
      },
    ],
  ]);
  const bowl = { lines: [], weight: grams(20_000), mealOf: () => 'supper' };
  const { rows } = supplementsOf(
    daysOf(() => 1),
    [pot(1, { lines })],
    labels,
    bowl,
    '4-9-4',
  );
  // By hand: the pot holds 3000 g × kcal/g, of which a day takes its part, and with it that part of 12 g.
  const day = (12 * DAY) / (3000 * perGram);
  expect(rows).toEqual([
    ['Kelp', 'Venison', expect.stringMatching(/^[\d.]+ g, .+ tsp$/), 'in 1 tsp (3 g): iodine 1.5 mg'],
  ]);
  expect(Number.parseFloat(rows[0]![2]!)).toBeCloseTo(day, day < 1 ? 2 : 1);
});

test('a supplement of pots that were eaten only on days of which not all is known has no dose, and is no less there', () => {
  const lines = [line('17343', 3000), line('17343', 12, { part: 'supplement' })];
  const partly = daysOf(() => 1).map((day) => ({ ...day, kcal: undefined }));
  const bowl = { lines: [], weight: grams(20_000), mealOf: () => 'supper' };
  expect(supplementsOf(partly, [pot(1, { lines })], new Map(), bowl, '4-9-4').rows.map((row) => row[2])).toEqual([
    'not known',
  ]);
  expect(
    supplementsOf(
      daysOf(() => undefined),
      [pot(1, { lines })],
      new Map(),
      bowl,
      '4-9-4',
    ).rows,
  ).toEqual([]);
});

test('two recipes of one name are two; of bowls that were all refused no part is said', () => {
  const days = daysOf((index) => (index < 5 ? 1 : 2));
  expect(whatItAte(days, [pot(1), pot(2, { recipeId: 2 })]).rows).toHaveLength(2);
  const nothing = days.map((day) => ({ ...day, kcal: 0, pots: new Map([[1, 0]]), planned: 1 }));
  expect(whatItAte(nothing, [pot(1)]).rows[0]!.join()).not.toContain('NaN');
});

test('an addition in the bowl is taken by its dose; a label is beside it only where it has the very name', () => {
  const lines = [
    { id: 1, what: 'kelp', unit: 'tsp', rule: { by: 'flat' as const, amount: 0.5 }, slotId: 2 },
    { id: 2, what: 'oil', unit: 'pump', rule: { by: 'body weight' as const, amount: 1, perKg: 10 }, slotId: 2 },
  ];
  const labels = new Map([['L1', { name: 'Kelp', label: { measure: 'tsp', measureGrams: 3, amounts: [] } }]]);
  const { rows } = supplementsOf(
    daysOf(() => undefined),
    [],
    labels,
    { lines, weight: grams(20_000), mealOf: () => 'supper' },
    '4-9-4',
  );
  expect(rows).toEqual([
    ['kelp', 'in the bowl, supper', '½ tsp kelp', 'in 1 tsp (3 g): nothing printed'],
    ['oil', 'in the bowl, supper', '2 pump oil', 'its label is not known here'],
  ]);
});

test('weights are those of the days and the last before them, newest first', () => {
  const at = (day: number, kg: number) => ({ date: addDays(FIRST, day), grams: grams(kg * 1000), note: undefined });
  const { section, shown } = weightsOf(
    [at(-20, 18), at(-10, 19), at(3, 20), at(30, 25)],
    { from: FIRST, to: LAST },
    'metric',
  );
  expect(shown.map(({ grams: mass }) => mass)).toEqual([19_000, 20_000]);
  expect(section.rows.map(([, weight]) => weight)).toEqual(['20 kg', '19 kg']);
});

test('what was seen stands with what changed shortly before; a refused bowl is seen as well', () => {
  const days = daysOf(() => 1).map((day, index) => (index === 4 ? { ...day, refused: 1 } : day));
  const diary = days.map(({ day }, index) => ({
    day,
    said: new Map(index === 2 ? [['stool', { word: 'soft', off: 1 }] as const] : []),
  }));
  const section = seenOf(
    diary,
    [{ day: addDays(FIRST, 2), words: 'ate grass', hasPhoto: true }],
    days,
    [{ day: FIRST, said: 'Goat began' }],
    [],
    LAST,
  );
  expect(section.rows).toEqual([
    [addDays(FIRST, 4), '1 bowl refused', ''],
    [addDays(FIRST, 2), 'stool soft, “ate grass” (with a photograph)', 'Goat began 2 days before'],
  ]);
  expect(section.said.at(-1)).toContain('1 day of 10');
});

test('days that cannot be are said at their field', () => {
  const why = (from: string, to: string) => {
    const read = readVetRange({ from, to }, LAST);
    return read.ok
      ? [read.value.from, read.value.to]
      : read.problems.map(({ field, message }) => `${field}: ${message}`);
  };
  expect(why('', '')).toEqual([addDays(LAST, -41), LAST]);
  expect(why('2026-02-30', '')).toEqual(['from: From which day? Write it as YYYY-MM-DD.']);
  expect(why('', addDays(LAST, 1))).toEqual(['to: This day has not been yet.']);
  expect(why(LAST, FIRST)).toEqual(['from: The first day comes after the last one.']);
  expect(why('2024-11-01', FIRST)).toEqual(['from: A year at the most: choose a later first day.']);
});

test('as CSV every row is there, whatever stands in its cells; paper says how many it left out', () => {
  const rows = Array.from({ length: 5 }, (_, index) => [`"${index}",\n`, '=1+1']);
  const section = { heading: 'Seen', said: ['all'], columns: ['a', 'b'], rows, onPaper: 3 };
  const table = sheetAsRows({ title: 'Otto', under: 'days', sections: [section], weights: [], foot: 'no advice' });
  const { data } = Papa.parse<string[]>(Papa.unparse(table, { newline: '\r\n' }));
  expect(data.filter((row) => row[1] === '=1+1').map(([cell]) => cell)).toEqual(rows.map(([cell]) => cell));
  const figures = {
    ...section,
    rows: [
      ['vitamin A', '62\u202f500'],
      ['1 000 words', '8\u00a0629'],
    ],
    figures: [1],
  };
  expect(sheetAsRows({ title: '', under: '', sections: [figures], weights: [], foot: '' })).toEqual(
    expect.arrayContaining([
      ['vitamin A', '62500'],
      ['1 000 words', '8629'],
    ]),
  );
  expect(paperRows(section)).toMatchObject({ more: 2 });
  expect(paperRows(section, 0.5)).toMatchObject({ more: 3 });
});
