import { testFoods, testMeasures } from '../../../tests/fixtures/reference-files';
import { asWritten, lineOf } from '../../../tests/fixtures/worked-example';
import { energyOf } from '../nutrition/energy';
import { grams } from '../quantity/units';
import { BONE } from './bone';
import { ALONE, boiledDown, boughtAt, choicesOf, everyLine, linesAt, takenLines, type At } from './bases';
import { readLines } from './entry';
import type { LineEntry } from './entry-schema';
import { checkedLines, hazardsIn } from './hazards';
import { testHazards } from '../../../tests/fixtures/reference-files';
import type { WrittenLine } from './written';

const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const measures = testMeasures();
const known = (key: string) => {
  const food = foods.get(key);
  return food && { food, measures: measures.get(key) ?? [] };
};
const typed = (amount: string, ndb: string, more: Partial<LineEntry> = {}): LineEntry => ({
  amount,
  ndb,
  part: 'muscle',
  moment: 'cook',
  ...more,
});
const read = (...entries: LineEntry[]) => readLines(entries, known, 'us');
const bought = (lines: readonly WrittenLine[], at: Partial<At>) => boughtAt(lines, { ...ALONE, ...at }).map(Number);

// By hand; measures of USDA SR 24: a large egg 50 g, a cup of pearl barley 200 g, a cup of water 236.6 g.
test('every basis multiplies the line by its own', () => {
  const { written } = read(
    typed('2 lb', '17343'),
    typed('3 cups', '14411', { part: 'liquid', basis: 'load' }),
    typed('1 cup', '20005', { part: 'carbohydrate' }),
    typed('2 cups', '14411', { part: 'liquid', basis: 'line', perAmount: '1 cup', perLine: 2 }),
    typed('1 tsp', '04582', { part: 'fat', basis: 'animal protein', perAmount: '1 lb' }),
    typed('1 large', '01123', { part: 'egg', basis: 'dog and day' }),
    typed('100 mg', '12220', { part: 'supplement', basis: 'body weight and day', perAmount: '10 kg' }),
  );
  const masses = bought(written, { scale: 2, loads: [3], dogDays: 10, kgDays: 250 });
  expect(masses[0]).toBeCloseTo(4 * 453.59237, 6);
  expect(masses[1]).toBeCloseTo(9 * 236.5882365, 4);
  expect(masses[2]).toBeCloseTo(400, 6);
  // Two cups of water for each of two cups of barley.
  expect(masses[3]).toBeCloseTo(4 * 236.5882365, 4);
  expect(masses[5]).toBeCloseTo(10 * 50, 6);
  // 4 lb of meat and 500 g of egg: the egg is animal protein too.
  expect(masses[4]).toBeCloseTo((4.5 * (4 * 453.59237 + 500)) / 453.59237, 6);
  expect(masses[6]).toBeCloseTo(0.1 * 25, 9);
});

test('an amount for finished food follows all that goes in, itself left out', () => {
  const { written } = read(
    typed('900 g', '17343'),
    typed('100 g', '20005', { part: 'carbohydrate' }),
    typed('5 g', '12220', { part: 'supplement', moment: 'stir-in', basis: 'finished food', perAmount: '500 g' }),
  );
  expect(bought(written, {})[2]).toBeCloseTo(10, 9);
});

test('peel and core are bought and do not count; what is strained out leaves what the cook states', () => {
  const { written } = read(
    typed('1 kg', '17343'),
    typed('200 g', '11124', { part: 'vegetable', refuse: '11' }),
    typed('800 g', '05001', { part: 'bone', strained: true }),
    typed('100 g', '11143', { part: 'vegetable', strained: true, refuse: '90 %' }),
  );
  const lines = linesAt(written, ALONE);
  expect(lines.map((line) => [line.line, Number(line.grams.toFixed(6)), Number(line.bought.toFixed(6))])).toEqual([
    [0, 1000, 1000],
    [1, 178, 200],
    [3, 10, 100],
  ]);
});

// Common practice (handbook 4): wings about 45 % bone; cooked bone is never fed, strained broth bones are.
test('a bone-in cut is meat and bone: of the bone nothing is known, and cooked it stops, unless it is strained out', () => {
  const wings = typed('1 kg', '05100', { part: 'bone', moment: 'cook', preparation: 'chicken wings' });
  const { written } = read(wings);
  const lines = linesAt(written, ALONE);
  expect(lines.map((line) => line.grams)).toEqual([550, 450].map(grams));
  expect(lines[1]!.food).toBe(BONE);
  const hurts = (entry: LineEntry) =>
    hazardsIn(checkedLines(everyLine(read(entry).written)), testHazards()).filter(
      ({ hazard }) => hazard.part === 'bone',
    );
  expect(hurts(wings)).toHaveLength(1);
  expect(hurts({ ...wings, strained: true })).toHaveLength(0);
  expect(hurts({ ...wings, moment: 'bowl' })).toHaveLength(0);
});

test('one of several choices counts: the first, or the one that planning takes', () => {
  const { written } = read(
    typed('1 kg', '17343'),
    typed('100 g', '11233', { part: 'vegetable', choice: 'one green' }),
    typed('150 g', '11457', { part: 'vegetable', choice: 'one green' }),
  );
  expect(bought(written, {})).toEqual([1000, 100, 0]);
  expect(bought(written, { choices: { 'one green': 2 } })).toEqual([1000, 0, 150]);
  expect(takenLines(written, { ...ALONE, choices: { 'one green': 2 } }).map((take) => take.bought)).toEqual([
    1000, 150,
  ]);
});

test('a recipe as a line is its own lines, to the gram, water and all', () => {
  const base = [lineOf('20005', 300, 'carbohydrate'), lineOf('14411', 600, 'liquid')];
  const line: WrittenLine = {
    ...asWritten([lineOf('17343', 450)])[0]!,
    text: '450 g base',
    source: {
      food: { ndb: 'R1', name: 'barley base', group: 'Recipe', per100: {} },
      measures: [],
      made: { lines: base, grams: 900 },
    },
  };
  const lines = linesAt([line], ALONE);
  expect(lines.map((each) => [each.food.ndb, Number(each.grams)])).toEqual([
    ['20005', 150],
    ['14411', 300],
  ]);
  expect(energyOf(lines, '4-9-4')).toBeCloseTo(energyOf(base, '4-9-4') / 2, 9);
});

test.each([
  [typed('1 tsp', '04582', { basis: 'animal protein' }), 'perAmount', 'For how much animal protein'],
  [typed('1 tsp', '04582', { basis: 'animal protein', perAmount: '1 cup' }), 'perAmount', '1 lb'],
  [typed('1 cup', '14411', { basis: 'line', perAmount: '1 cup' }), 'perLine', 'Which line'],
  [typed('1 cup', '14411', { basis: 'line', perAmount: '1 cup', perLine: 1 }), 'perLine', 'Which line'],
  [typed('1 cup', '14411', { basis: 'line', perAmount: '1 cup', perLine: 2 }), 'perLine', 'itself bound'],
  [typed('1 kg', '17343', { refuse: '120' }), 'refuse', '0 to 100'],
  [typed('1 kg', '17343', { refuse: '-5' }), 'refuse', '0 to 100'],
  [typed('1 kg', '17343', { refuse: '100' }), 'refuse', 'nothing of it stays'],
])('%j is refused at its field', (entry, field, said) => {
  const { each } = read(
    typed('1 cup', '20005'),
    entry,
    typed('1 cup', '14411', { basis: 'line', perAmount: '1 cup', perLine: 0 }),
  );
  expect(each[1]).toMatchObject({ ok: false, problem: { field, message: expect.stringContaining(said) } });
});

test('of a pot that boiled down by a fifth, the water is less, and nothing else', () => {
  const lines = [lineOf('20005', 300, 'carbohydrate'), lineOf('14411', 700, 'liquid')];
  const left = (kept: number) => boiledDown(lines, kept).map((line) => Math.round(line.grams * 1e6) / 1e6);
  expect(left(0.8)).toEqual([300, 500]);
  expect(boiledDown(lines, 1)).toEqual(lines);
  expect(left(0.2)).toEqual([300, 0]);
});

test('choices are found with the places of their lines; a line without one is no choice', () =>
  expect([...choicesOf([{ choice: 'greens' }, { choice: undefined }, { choice: 'greens' }])]).toEqual([
    ['greens', [0, 2]],
  ]));
