import { testFoods, testWords } from '../../../tests/fixtures/reference-files';
import { indexFoods } from './search';

// Source of the pairs: our own reading of the table's names (USDA SR 24); what a cook means is common practice, no source.
const PAIRS: readonly [query: string, ndb: readonly string[]][] = [
  ['venison', ['17343', '17164']],
  ['minced venison', ['17343']],
  ['ground goat', ['17168']],
  ['goat', ['17168']],
  ['barley', ['20005']],
  ['pearl barley', ['20005']],
  ['swede', ['11435']],
  ['courgette', ['11477']],
  ['parsnip', ['11298']],
  ['kale', ['11233']],
  ['canola oil', ['04582']],
  ['rapeseed oil', ['04582']],
  ['olive oil', ['04053']],
  ['millet', ['20031']],
  ['beetroot', ['11080']],
  ['beets', ['11080']],
  ['pollock', ['15065', '15066']],
  ['potato', ['11352']],
  ['sweet potato', ['11507']],
  ['peas', ['11304']],
  ['frozen peas', ['11312']],
  ['carrot', ['11124']],
  ['eggs', ['01123']],
  ['egg', ['01123']],
  ['chicken liver', ['05027']],
  ['beef liver', ['13325']],
  ['beef heart', ['13321']],
  ['ground turkey', ['05305', '05665', '05662', '05668']],
  ['ground beef', ['23562', '23572', '23557', '13047', '23567', '23577', '13498', '23578', '23573']],
  ['salmon', ['15076', '15078', '15236', '15079', '15081', '15083', '15085']],
  ['sardine', ['15088']],
  ['cod', ['15015', '15018']],
  ['white rice', ['20444', '20044', '20052', '20450', '20050']],
  ['brown rice', ['20036', '20040']],
  ['oats', ['20038', '08120']],
  ['spinach', ['11457']],
  ['pumpkin', ['11422', '11424']],
  ['green beans', ['11052']],
  ['broccoli', ['11090']],
  ['blueberries', ['09050']],
  ['apple', ['09003', '09004']],
  ['rabbit', ['17177', '17180']],
  ['lamb liver', ['17199']],
  ['aubergine', ['11209']],
  ['quinoa', ['20035']],
  ['tap water', ['14411', '14429']],
  ['parsley', ['11297']],
  ['linseed', ['12220']],
];

describe('searching the food table', () => {
  const foods = testFoods();
  const index = indexFoods(foods, testWords(foods));

  test.each(PAIRS)('%s comes in the top three', (query, expected) => {
    const found = index.search(query, 3).map((food) => `${food.ndb} ${food.name}`);
    expect(found.filter((name) => expected.includes(name.slice(0, 5))).length > 0 || found).toBe(true);
  });

  // What a cook means first: common practice, no source.
  test.each([
    ['rice', ['20044', '20036', '20045', '20037']],
    ['egg', ['01123']],
    ['vegetable oil', ['04044']],
    ['fish', ['15015', '15236', '15261', '15088', '15046']],
    ['liver', ['13325', '05027', '10110', '17199', '05177']],
  ])('%s offers its likely rows before all others', (query, first) => {
    expect(index.search(query, first.length).map((food) => food.ndb)).toEqual(first);
  });

  test('who is on the way to “feet” or “geese” finds them before the word is whole', () => {
    for (const typed of ['f', 'fe', 'fee', 'feet'])
      expect([typed, index.search(typed, 4000).some(({ ndb }) => ndb === '05335')]).toEqual([typed, true]);
  });

  test('a slip of one letter still finds the food', () => {
    expect(index.search('parsnpi', 3).map((food) => food.ndb)).toContain('11298');
  });

  test('raw and plain comes before cooked and salted', () => {
    const names = index.search('parsnips', 3).map((food) => food.ndb);
    expect(names[0]).toBe('11298');
  });

  test.each(['', '   ', '!!', '12345678'])('%p finds nothing that it should not', (query) => {
    expect(index.search(query, 3).length).toBe(0);
  });
});
