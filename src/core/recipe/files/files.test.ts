import { readSupply } from '../../food/supply-entry';
import { recipeEntrySchema, type RecipeEntry } from '../entry-schema';
import { csvRows } from './csv';
import { hodmanFileSchema, inOrderOfNeed, readEntry, writeHodmanFile } from './hodman-file';
import { findRecipes, readDuration, readJsonLd, writeJsonLd } from './json-ld';

const ENTRY: RecipeEntry = {
  name: 'Goat & kelp',
  lines: [
    { amount: '2 lb', ndb: '17168', preparation: 'goat, cubed', part: 'muscle', moment: 'cook', refuse: '12' },
    { amount: '1 tsp', ndb: 'L9', preparation: '', part: 'supplement', moment: 'stir-in', basis: 'dog and day' },
    { amount: '', ndb: '', preparation: 'a wish', part: 'herb', moment: 'cook', words: true },
  ],
  components: [{ name: 'pot', vessel: 'stockpot', method: 'simmered', minutes: '40', celsius: '95' }],
  note: 'less water',
  preview: { dogs: ['Otto'], days: 5, dogDays: 5, kgDays: 36 },
};
const LABEL = { measure: 'tsp', measureGrams: 3, amounts: [] };
const nameOf = (key: string) => ({ '17168': 'Goat, raw', L9: 'Skerry kelp' })[key];

test('a file holds the recipe as typed, with what it stands on and nothing else; keys are its own', () => {
  const file = writeHodmanFile(
    [{ key: 'R41', entry: ENTRY }],
    [
      { key: 'L8', name: 'other', label: LABEL },
      { key: 'L9', name: 'Skerry kelp', label: LABEL },
    ],
    [
      { food: 'L9', unit: 'handful', grams: 4 },
      { food: '11233', unit: 'handful', grams: 20 },
    ],
  );
  expect(file.recipes[0]!.key).toBe('R1');
  expect(file.supplies).toEqual([{ key: 'L1', name: 'Skerry kelp', label: LABEL }]);
  expect(file.measures).toEqual([{ food: 'L1', unit: 'handful', grams: 4 }]);
  const back = hodmanFileSchema.parse(JSON.parse(JSON.stringify(file)));
  const lines = ENTRY.lines.map((line) => (line.ndb === 'L9' ? { ...line, ndb: 'L1' } : line));
  expect(readEntry(back.recipes[0]!.entry)).toEqual({ entry: { ...ENTRY, lines } });
});

test('an entry that is not whole says where', () => {
  const wrong = readEntry({ ...ENTRY, lines: [ENTRY.lines[0], { ...ENTRY.lines[1], part: 'tail' }] });
  expect('problems' in wrong && wrong.problems[0]).toMatch(/^line 2, part/);
  expect(recipeEntrySchema.safeParse({ name: 'x' }).success).toBe(false);
});

test('recipes stand after those that they take; a circle is left over', () => {
  const recipe = (key: string, takes: string) => ({
    key,
    entry: { ...ENTRY, lines: [{ ...ENTRY.lines[0]!, ndb: takes }] },
  });
  const { ordered, stuck } = inOrderOfNeed([
    recipe('R1', 'R2'),
    recipe('R2', '17168'),
    recipe('R3', 'R4'),
    recipe('R4', 'R3'),
    recipe('R5', 'R5'),
  ]);
  expect(ordered.map((each) => each.key)).toEqual(['R2', 'R1']);
  expect(stuck.map((each) => each.key)).toEqual(['R3', 'R4', 'R5']);
});

// schema.org/Recipe: recipeIngredient, recipeInstructions as HowToStep, cookTime as an ISO 8601 duration (from memory).
test('JSON-LD for others: lines that a person can read', () => {
  expect(writeJsonLd(ENTRY, nameOf, 1234.5)).toEqual({
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: 'Goat & kelp',
    recipeIngredient: ['2 lb goat, cubed', '1 tsp Skerry kelp', 'a wish'],
    recipeInstructions: [{ '@type': 'HowToStep', text: 'pot in stockpot: simmered, 40 min, 95 °C' }],
    cookTime: 'PT40M',
    nutrition: { '@type': 'NutritionInformation', calories: '1235 kcal in all' },
  });
});

test('a Recipe is found in a list, in a graph, by any of its types', () => {
  const recipe = { '@type': ['Thing', 'https://schema.org/Recipe'], name: 'x' };
  expect(findRecipes(recipe)).toHaveLength(1);
  expect(findRecipes([{ '@graph': [{ '@type': 'Person' }, recipe] }])).toHaveLength(1);
  expect(findRecipes({ a: recipe })).toEqual([]);
  expect(findRecipes('Recipe')).toEqual([]);
});

test('scripts and other markup in strings are left out and said; the rest is read', () => {
  const read = readJsonLd({
    '@type': 'Recipe',
    name: 'Pollock',
    recipeIngredient: ['1 lb pollock', '<img src=x onerror=alert(1)> 2 eggs', 7, ' \u0000 ', '1 < 2 cups peas'],
    recipeInstructions: [{ '@type': 'HowToStep', text: 'Simmer.' }, '<script>bad()</script>'],
    totalTime: 'PT1H30M',
    image: 'x',
    nutrition: {},
  });
  expect(read.ingredients).toEqual(['1 lb pollock', '1 < 2 cups peas']);
  expect(read.method).toBe('Simmer.');
  expect(read.minutes).toBe(90);
  expect(read.left.join('; ')).toMatch(
    /ingredient 2 holds markup.*ingredient 3 is no text.*step 2 holds markup.*not kept: image, nutrition/,
  );
});

test.each([
  ['PT40M', 40],
  ['PT1H', 60],
  ['P1DT2H', 1560],
  ['40 min', undefined],
  [40, undefined],
  ['PT', undefined],
])('%p is %s minutes', (text, minutes) => expect(readDuration(text)).toBe(minutes));

test('the lines as rows: words have no grams, not 0', () => {
  const rows = csvRows(ENTRY, nameOf, (line) => (line === 0 ? 907.18 : undefined));
  expect(rows.map((row) => row.grams)).toEqual(['907.2', '', '']);
  expect(rows[1]).toMatchObject({ food: 'Skerry kelp', 'amount is for': 'dog and day', vessel: 'pot' });
  expect(rows[2]).toMatchObject({ words: 'a wish', part: '' });
});

test('what the form of a label keeps a file takes in again, 0 too; what it refuses the file refuses', () => {
  const typed = {
    name: 'Kelp',
    measure: 'tsp' as const,
    measureGrams: '3 g',
    amounts: [
      { nutrient: 'fat', amount: '0', unit: 'g' as const },
      { nutrient: 'protein', amount: '2', unit: 'g' as const },
    ],
  };
  const kept = readSupply(typed);
  if (!kept.ok) throw new Error(kept.problems[0]!.message);
  const file = { hodman: 'recipes', version: 1, recipes: [], measures: [], supplies: [{ key: 'L1', ...kept.value }] };
  expect(hodmanFileSchema.safeParse(file).success).toBe(true);

  const heavy = readSupply({ ...typed, price: '99999999999', priceGrams: '100 g' });
  expect(heavy).toMatchObject({ ok: false, problems: [{ field: 'price' }] });
  const measure = (unit: string, grams: number) =>
    hodmanFileSchema.safeParse({ ...file, measures: [{ food: 'L1', unit, grams }] }).success;
  expect([measure('cup', 200), measure(' ', 200), measure('cup', 300_000), measure('cup', 0)]).toEqual([
    true,
    false,
    false,
    false,
  ]);
});
