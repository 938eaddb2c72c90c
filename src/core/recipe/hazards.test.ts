import { testFoods, testHazards } from '../../../tests/fixtures/reference-files';
import { guessPart } from './part-of-food';
import { checkedLines, hazardsIn, namesHazard, stopsPlan, type CheckedLine } from './hazards';
import type { Moment, Part } from './recipe';

const HAZARDS = testHazards();
const foods = new Map(testFoods().map((food) => [food.ndb, food]));
const line = (words: string, ndb = '14411', part: Part = 'vegetable', moment: Moment = 'cook'): CheckedLine => ({
  ndb,
  words,
  part,
  moment,
});
const ids = (lines: readonly CheckedLine[]) => hazardsIn(lines, HAZARDS).map((hit) => hit.hazard.id);

// ASPCA and FDA lists, from memory (handbook 5).
test.each([
  ['2 onions, chopped', 'onion'],
  ['Spring onion', 'onion'],
  ['a leek', 'onion'],
  ['chives', 'onion'],
  ['shallots', 'onion'],
  ['a handful of raisins', 'grape'],
  ['sultanas', 'grape'],
  ['dark chocolate', 'cocoa'],
  ['cocoa powder', 'cocoa'],
  ['cold tea', 'cocoa'],
  ['xylitol', 'xylitol'],
  ['macadamias', 'nut'],
  ['black walnuts', 'nut'],
  ['wild mushrooms', 'wild-mushroom'],
  ['red wine', 'alcohol'],
  ['bread dough', 'dough'],
  ['hops', 'hops'],
  ['grated nutmeg', 'nutmeg'],
  ['mouldy cheese', 'mould'],
  ['apple seeds', 'core'],
  ['avocado skin', 'core'],
  ['green potatoes', 'green-potato'],
  ['cooked bones', 'bone'],
])('“%s” is never fed', (words, id) => {
  const [hit] = hazardsIn([line(words)], HAZARDS);
  expect(hit?.hazard).toMatchObject({ id, level: 'never' });
});

// Near misses: names that hold a hazard's letters and not its food.
test.each([
  'pork chops',
  'chopped parsley',
  'steak',
  'a teaspoon of oil',
  'steamed greens',
  'grapefruit',
  'grapeseed oil',
  'red wine vinegar',
  'cider vinegar',
  'leeky pot',
  'walnut oil',
  'white mushrooms',
  'ginger beerless',
  'currently fresh',
  'greens, potatoes',
  'pineapple',
  'kidneys',
  'bone broth, strained',
  'unsalted',
  'winey',
  'sprouts',
  'cornmeal dough-free',
  'rumen',
  'hopscotch',
  'swiss cheese',
  'eggplant',
])('“%s” is no hazard', (words) => expect(ids([line(words)])).toEqual([]));

test.each([
  ['11282', 'onion'],
  ['02026', 'onion'],
  ['11246', 'onion'],
  ['11156', 'onion'],
  ['09132', 'grape'],
  ['09298', 'grape'],
  ['12131', 'nut'],
  ['12154', 'nut'],
  ['11240', 'wild-mushroom'],
  ['02025', 'nutmeg'],
  ['11215', 'garlic'],
  ['11233', 'oxalate'],
  ['13325', 'liver'],
  ['02047', 'salt'],
])('food %s is %s, whatever it is called', (ndb, id) => expect(ids([line('', ndb)])).toContain(id));

// Rows of the table that only share a word with a hazard.
test.each(['11974', '12200', '12155', '02068', '11260', '01050', '04528', '16055', '09111'])(
  'food %s is none of them',
  (ndb) => expect(hazardsIn([line('', ndb)], HAZARDS).filter((hit) => hit.hazard.level !== 'caution')).toEqual([]),
);

test('every food that a row names is in the table, and the row’s own words meet it or its name says why not', () => {
  for (const hazard of HAZARDS)
    for (const ndb of hazard.foods) expect(`${hazard.id} ${ndb} ${foods.has(ndb)}`).toBe(`${hazard.id} ${ndb} true`);
  const onions = HAZARDS.find((hazard) => hazard.id === 'onion')!;
  for (const ndb of onions.foods) expect(namesHazard(onions, foods.get(ndb)!.name)).toBe(true);
});

test('a bone that is cooked is stopped, a raw one is not; raw kidney beans only where they are not boiled', () => {
  expect(ids([line('', '14411', 'bone', 'cook')])).toEqual(['bone']);
  expect(ids([line('', '14411', 'bone', 'stir-in')])).toEqual([]);
  expect(ids([line('', '16027', 'carbohydrate', 'bowl')])).toEqual(['kidney-bean']);
  expect(ids([line('', '16027', 'carbohydrate', 'cook')])).toEqual(['boiled-bean']);
});

test('raw meat asks only where it is not cooked', () => {
  const deer = foods.get('17343')!;
  expect(ids([line('', deer.ndb, guessPart(deer), 'cook')])).toEqual([]);
  expect(ids([line('', deer.ndb, guessPart(deer), 'stir-in')])).toEqual(['raw-meat']);
});

test('garlic is stopped unless a vet allows it; never-foods are stopped whatever a note says; the worst comes first', () => {
  const garlic = HAZARDS.find((hazard) => hazard.id === 'garlic')!;
  expect([stopsPlan(garlic, []), stopsPlan(garlic, ['garlic'])]).toEqual([true, false]);
  const onion = HAZARDS.find((hazard) => hazard.id === 'onion')!;
  expect(stopsPlan(onion, ['onion'])).toBe(true);
  const kale = { food: { ndb: '11233' }, part: 'vegetable' as const, moment: 'cook' as const };
  const mixed = checkedLines([kale, { ...kale, food: { ndb: '11215' } }, { ...kale, preparation: 'with one onion' }]);
  expect(hazardsIn(mixed, HAZARDS).map((hit) => [hit.hazard.id, hit.line])).toEqual([
    ['onion', 2],
    ['garlic', 1],
    ['oxalate', 0],
    ['oxalate', 2],
  ]);
});
