import type { LineEntry, RecipeEntry } from '@/core/recipe/entry-schema';
import { plainBatch } from '@/core/plan/plan-entry';
import type { SupplyEntry } from '@/core/food/supply-entry';
import { boughtAt } from '@/core/recipe/bases';
import { recipeSheet } from '@/core/recipe/sheet';
import { freshHouse, type TestHouse } from '../fixtures/database';
import { valueOf } from '../fixtures/value-of';
import { planOne, TWENTY_KILOS } from '../fixtures/worked-path';
import { readBatch } from '../repositories/batches';
import { searchFoods } from '../repositories/foods';
import { readPlannedLines } from '../repositories/planned';
import { readPantry } from '../repositories/pantry';
import { readHodmanFile, readJsonLdFile, readCsvFile } from '../repositories/recipe-files';
import { readLatestVersion, readLatestVersions } from '../repositories/recipes';
import { previewRecipeFile, readRecipeFile } from '../recipe-file';
import { hereAndNow, linesFrom } from '../fixtures/reading';
import { startCooking } from './start-batch';
import { saveDog } from './dogs';
import { takeRecipes } from './recipe-files';
import { saveRecipe } from './recipes';
import { putAway } from './away';
import { saveMeasure, saveSupply, setAddition } from './supplies';

let house: TestHouse;

beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const line = (amount: string, ndb: string, more: Partial<LineEntry> = {}): LineEntry => ({
  amount,
  ndb,
  preparation: '',
  part: 'muscle',
  moment: 'cook',
  ...more,
});
const WORDS: LineEntry = line('', '', { words: true, preparation: 'lots of love', part: 'herb' });
const save = (entry: RecipeEntry, id?: number) => house.run((context) => saveRecipe(context, { id, entry }));
const problemsOf = (answer: Awaited<ReturnType<typeof save>>) =>
  answer.ok ? [] : answer.problems.map(({ field, message }) => `${field}: ${message}`);

const KELP: SupplyEntry = {
  name: 'Skerry kelp',
  measure: 'tsp',
  measureGrams: '3 g',
  amounts: [{ nutrient: 'iodine', amount: '1.5', unit: 'mg', as: 'element' }],
};

test('lines of every kind are kept as typed: bases, refuse, choices, vessels, words and all', async () => {
  const { supplyId } = valueOf(await house.run((context) => saveSupply(context, { entry: KELP })));
  const entry: RecipeEntry = {
    name: 'Goat in two pots',
    lines: [
      line('2 lb', '17168', { preparation: 'goat, cubed', refuse: '12.5' }),
      WORDS,
      line('1 cup', '20005', { part: 'carbohydrate', component: 1 }),
      line('2 cups', '14411', {
        part: 'liquid',
        basis: 'line',
        perAmount: '1 cup',
        perLine: 2,
        component: 1,
      }),
      line('800 g', '05001', { part: 'bone', strained: true }),
      line('1 tsp', `L${supplyId}`, { part: 'supplement', moment: 'stir-in', basis: 'dog and day' }),
      line('100 g', '11233', { part: 'vegetable', choice: 'one green' }),
      line('100 g', '11457', { part: 'vegetable', choice: 'one green', state: 'cooked' }),
    ],
    components: [{ name: 'meat', vessel: 'stockpot', method: 'simmered', minutes: '40' }, { name: 'grain' }],
    note: 'less water',
    shape: 'half-by-volume',
    preview: { dogs: ['Test'], days: 5, dogDays: 5, kgDays: 100 },
  };
  const { recipeId } = valueOf(await save(entry));
  const version = (await readLatestVersion(house.db, house.reference, recipeId))!;
  expect(version.entry).toEqual(entry);
  // Two metric cups of water for the cup of barley; words are no line; 5 dog-days of a tsp of 3 g.
  expect(version.written).toHaveLength(7);
  const reckoned = Object.fromEntries(version.lines.map((each) => [each.food.ndb, Number(each.grams.toFixed(2))]));
  expect(reckoned).toMatchObject({ '17168': 793.79, '14411': 500, [`L${supplyId}`]: 15, '11233': 100 });
  expect(reckoned['05001']).toBeUndefined();
  expect(reckoned['11457']).toBeUndefined();
  // Kept again unchanged it is the same once more.
  valueOf(await save(version.entry, recipeId));
  const again = (await readLatestVersion(house.db, house.reference, recipeId))!;
  expect(again.number).toBe(2);
  expect(again.entry).toEqual(entry);
});

test('planned, the dog-and-day line follows the dogs, the choice is taken, and the label is frozen when cooking starts', async () => {
  const { supplyId } = valueOf(await house.run((context) => saveSupply(context, { entry: KELP })));
  const { dogId } = valueOf(await house.run((context) => saveDog(context, { entry: TWENTY_KILOS })));
  const { recipeId } = valueOf(
    await save({
      name: 'Goat & greens',
      lines: [
        line('1 kg', '17168', { refuse: '10' }),
        line('200 g', '11124', { part: 'vegetable', choice: 'one root' }),
        line('200 g', '11298', { part: 'vegetable', choice: 'one root' }),
        line('1 tsp', `L${supplyId}`, { part: 'supplement', moment: 'stir-in', basis: 'dog and day' }),
      ],
    }),
  );
  const { batchId } = valueOf(
    await house.run((context) =>
      planOne(context, recipeId, [dogId], 4, {
        batches: [{ ...plainBatch(recipeId), choices: { 'one root': 2 } }],
      }),
    ),
  );
  const planned = (await readBatch(house.db, batchId, '4-9-4'))!;
  const { takes } = await readPlannedLines(house.db, house.reference, planned);
  expect(takes.map(({ written }) => written.source.food.ndb)).toEqual(['17168', '11298', `L${supplyId}`]);
  expect(takes[2]!.bought).toBeCloseTo(12, 6);
  valueOf(
    await house.run((context) =>
      startCooking(context, { batchId, grams: takes.map((take) => Math.round(take.bought)) }),
    ),
  );
  valueOf(
    await house.run((context) =>
      saveSupply(context, {
        id: supplyId,
        entry: { ...KELP, amounts: [{ nutrient: 'iodine', amount: '9', unit: 'mg', as: 'element' }] },
      }),
    ),
  );
  const cooking = (await readBatch(house.db, batchId, '4-9-4'))!;
  if (cooking.state !== 'cooking') throw new Error(cooking.state);
  // 1 kg as bought, 10 % of it bone: 900 g in the pot for each kg weighed.
  expect(cooking.lines[0]!.grams).toBeCloseTo(Math.round(takes[0]!.bought) * 0.9, 6);
  expect(cooking.lines[2]!.food.per100.iodine_ug).toBeCloseTo(50_000, 6);
  expect(recipeSheet(cooking.lines, '4-9-4').kcal / (4 * 1059.2)).toBeCloseTo(1, 2);
});

test('a recipe may be a line of another; one that would stand in itself is refused, at once or by way of others', async () => {
  const base = valueOf(await save({ name: 'Base', lines: [line('300 g', '20005'), line('600 g', '14411')] }));
  const whole = valueOf(
    await save({ name: 'Whole', lines: [line('450 g', `R${base.recipeId}`), line('500 g', '17168')] }),
  );
  const version = (await readLatestVersion(house.db, house.reference, whole.recipeId))!;
  expect(version.lines.map((each) => Math.round(each.grams))).toEqual([150, 300, 500]);
  const circle = await save(
    { name: 'Base', lines: [line('300 g', '20005'), line('1 kg', `R${whole.recipeId}`)] },
    base.recipeId,
  );
  expect(problemsOf(circle)).toEqual(['lines.1.ndb: This recipe would stand in itself. Choose another one.']);
  expect(problemsOf(await save({ name: 'Self', lines: [line('1 kg', `R${whole.recipeId}`)] }, whole.recipeId))).toEqual(
    ['lines.0.ndb: This recipe would stand in itself. Choose another one.'],
  );
  // A changed base is the base of the whole from then on; what was cooked keeps its own.
  valueOf(await save({ name: 'Base', lines: [line('450 g', '20005'), line('450 g', '14411')] }, base.recipeId));
  const changed = (await readLatestVersion(house.db, house.reference, whole.recipeId))!;
  expect(changed.lines.map((each) => Math.round(each.grams))).toEqual([225, 225, 500]);
});

test('a handful is weighed once and remembered; a supply is found by name, out of sight it is not', async () => {
  const first = await linesFrom(house, 'us', 'a handful of fresh parsley');
  expect(problemsOf(await save({ name: 'x', lines: [first.lines[0]!.entry] }))[0]).toMatch(/^lines.0.amount/);
  valueOf(await house.run((context) => saveMeasure(context, { ndb: '11297', unit: 'handful', weight: '12 g' })));
  valueOf(await house.run((context) => saveMeasure(context, { ndb: '11297', unit: 'handful', weight: '15 g' })));
  const { recipeId } = valueOf(await save({ name: 'x', lines: [{ ...first.lines[0]!.entry, amount: '2 handfuls' }] }));
  expect((await readLatestVersion(house.db, house.reference, recipeId))!.lines[0]!.grams).toBe(30);
  for (const weight of ['0', '-3', 'much'])
    expect((await house.run((context) => saveMeasure(context, { ndb: '11297', unit: 'cup', weight }))).ok).toBe(false);

  const { supplyId } = valueOf(await house.run((context) => saveSupply(context, { entry: KELP })));
  // A short name is no part of other words.
  valueOf(await house.run((context) => saveSupply(context, { entry: { ...KELP, name: 'C' } })));
  const carrots = await linesFrom(house, 'us', '2 cups chopped carrots');
  expect(carrots.lines[0]!.entry.ndb).toBe('11124');
  const names = async () => (await searchFoods(house.db, house.reference, 'kelp', 8)).map((each) => each.food.ndb);
  expect((await names())[0]).toBe(`L${supplyId}`);
  const found = await linesFrom(house, 'us', '1/2 tsp skerry kelp');
  expect(found.lines[0]!.entry).toMatchObject({ ndb: `L${supplyId}`, moment: 'stir-in' });
  valueOf(await house.run((context) => putAway(context, { kind: 'supply', id: supplyId, away: true })));
  expect(await names()).not.toContain(`L${supplyId}`);
});

test.each([
  ['-3', '', 'cap'],
  ['', '-1', 'price'],
  ['much', '', 'cap'],
])('a cap of %p and a price of %p are refused', async (cap, price, field) => {
  const answer = await house.run((context) => setAddition(context, { key: '01123', allowed: true, cap, price }));
  expect(answer.ok ? undefined : answer.problems[0]!.field).toBe(field);
});

test('ten thousand pasted lines: as many as a recipe holds are read, the rest stays with the cook', async () => {
  const text = Array.from({ length: 10_000 }, (_, index) => `${index + 1} g kale`).join('\n');
  const { lines, rest } = await linesFrom(house, 'metric', text);
  expect(lines).toHaveLength(200);
  expect(lines[199]!.entry).toMatchObject({ amount: '200 g', ndb: '11233' });
  expect(rest.split('\n')).toHaveLength(9800);
});

const HALF = { hodman: 'recipes', version: 1, supplies: [], measures: [] };
const fileOf = (recipes: unknown[], more: object = {}) => JSON.stringify({ ...HALF, recipes, ...more });
const take = async (text: string) => {
  const read = await readRecipeFile(house, hereAndNow(house.reference), text);
  return read.ok ? house.run((context) => takeRecipes(context, read.value)) : read;
};

test('what a file would become is shown without storing anything; then it is taken, whole recipes only', async () => {
  const good: RecipeEntry = { name: 'Good', lines: [line('1 kg', '17168')] };
  const bad: RecipeEntry = { name: 'Bad', lines: [line('1 kg', '17168'), line('1/0 cup', '20005')] };
  const text = fileOf([
    { key: 'R1', entry: good },
    { key: 'R2', entry: bad },
    { key: 'R3', entry: { name: 'Shapeless' } },
    { key: 'R4', entry: { name: 'Ring', lines: [line('1 kg', 'R4')] } },
    { key: 'R5', entry: { name: 'Takes', lines: [line('100 g', 'R1')] } },
  ]);
  const asked = { db: house.db, reference: house.reference, now: new Date('2026-11-25T12:00:00Z') };
  const preview = await previewRecipeFile(asked, hereAndNow(house.reference), text);
  const fates = (file: { recipes: readonly { name: string; fate: string }[] }) =>
    Object.fromEntries(file.recipes.map(({ name, fate }) => [name, fate]));
  const expected = { Good: 'taken', Takes: 'taken', Bad: 'refused', Shapeless: 'refused', Ring: 'refused' };
  expect(preview.ok && fates(preview.value)).toEqual(expected);
  expect(await readLatestVersions(house.db, house.reference)).toEqual([]);

  expect(fates(valueOf(await take(text)))).toEqual(expected);
  const stored = await readLatestVersions(house.db, house.reference);
  expect(stored.map((version) => version.name)).toEqual(['Good', 'Takes']);
  expect(stored[1]!.lines[0]!.food.ndb).toBe('17168');
  // Taken twice it is here already.
  expect(fates(valueOf(await take(text)))).toMatchObject({ Good: 'here already', Takes: 'here already' });
});

test('a label in a file that weighs more than its measure is left out, and its recipe with it', async () => {
  const label = { measure: 'tsp', measureGrams: 3, amounts: [{ nutrient: 'fat', amount: 5, unit: 'g' }] };
  const { supplyId } = valueOf(await house.run((context) => saveSupply(context, { entry: KELP })));
  const key = `L${supplyId}`;
  const text = fileOf([{ key: 'R1', entry: { name: 'Oily', lines: [line('1 kg', '17168'), line('1 tsp', key)] } }], {
    supplies: [{ key, name: 'Heavy oil', label }],
    measures: [{ food: key, unit: 'handful', grams: 9 }],
  });
  const taken = valueOf(await take(text));
  expect(taken.said[0]).toMatch(/Heavy oil is left out: .*more than the 3 g/);
  // The house has a supply with the number that the file uses: it is not taken for the file's, nor is its measure.
  expect((await readHodmanFile(house.db, house.reference)).measures).toEqual([]);
  expect((await readPantry(house.db, house.reference)).ownMeasures).toEqual([]);
  expect(taken.recipes[0]).toMatchObject({ fate: 'refused', said: ['line 2: Choose a food from the table.'] });
});

test.each([
  ['x'.repeat(2_000_001), 'Hodman reads up to 2 MB'],
  ['{', 'This is no JSON'],
  ['{"a":1}', 'There is no recipe'],
  ['{"hodman":"recipes","version":2}', 'not whole'],
  ['[]', 'There is no recipe'],
])('a file such as %.20s is refused as a whole', async (text, said) => {
  const answer = await take(text);
  expect(answer.ok ? '' : answer.problems[0]!.message).toContain(said);
});

test('from elsewhere: what can be read is counted, the rest stays as words or is said', async () => {
  const recipe = {
    '@context': 'https://schema.org',
    '@graph': [
      {
        '@type': 'Recipe',
        name: 'Turkey for two',
        recipeIngredient: ['2 lb ground turkey', '1 cup carrots, grated', '3 zwibbles', 'a handful of parsley'],
        recipeInstructions: ['Brown it.', 'Add the rest.'],
        totalTime: 'PT40M',
        author: 'x',
      },
    ],
  };
  const { recipes } = valueOf(await take(JSON.stringify(recipe)));
  expect(recipes[0]).toMatchObject({ fate: 'taken', lines: 4, words: 2 });
  expect(recipes[0]!.said).toEqual([
    'not kept: author',
    'kept as words, not counted: 3 zwibbles',
    'kept as words, not counted: a handful of parsley',
  ]);
  const [version] = await readLatestVersions(house.db, house.reference);
  expect(version!.entry.components).toEqual([{ name: 'pot', method: 'Brown it.\nAdd the rest.', minutes: '40' }]);
  expect(Number(boughtAt(version!.written, { scale: 1, dogDays: 0, kgDays: 0, loads: [] })[1]!)).toBeCloseTo(
    (110 / 236.5882365) * 250,
    6,
  );

  // Out again: JSON-LD that reads back to the same grams, and a table in which nothing is carried out.
  const [out] = await readJsonLdFile(house.db, house.reference, '4-9-4');
  const again = await linesFrom(house, 'metric', out!.recipeIngredient.join('\n'));
  expect(out!.recipeIngredient).toEqual(recipe['@graph'][0]!.recipeIngredient);
  expect(again.lines.slice(0, 3).map((each) => each.entry.ndb)).toEqual(['05305', '11124', '']);
  valueOf(await save({ name: '=cmd()', lines: [line('1 kg', '17168', { preparation: '@sum' })] }));
  const csv = await readCsvFile(house.db, house.reference);
  expect(csv).toContain("'=cmd()");
  expect(csv).toContain("'@sum");
  expect((await readHodmanFile(house.db, house.reference)).recipes).toHaveLength(2);
});

test('a chain of recipes deeper than is read is refused at its line, by form and by file', async () => {
  const names = ['Stock', 'Broth', 'Base', 'Sauce', 'Stew', 'Bake'];
  let below = '17168';
  for (const name of names) below = `R${valueOf(await save({ name, lines: [line('1 kg', below)] })).recipeId}`;
  const problems = problemsOf(await save({ name: 'Pie', lines: [line('1 kg', '17168'), line('1 kg', below)] }));
  expect(problems).toEqual([expect.stringMatching(/^lines.1.ndb: With this line 6 recipes/)]);
  // The lowest of them cannot be put on another one either.
  const [stock] = await readLatestVersions(house.db, house.reference);
  const salt = `R${valueOf(await save({ name: 'Salt water', lines: [line('1 kg', '17168')] })).recipeId}`;
  const deeper = await save({ name: 'Stock', lines: [line('1 kg', salt)] }, stock!.recipeId);
  expect(problemsOf(deeper)).toEqual([expect.stringMatching(/^lines.0.ndb: With this line/)]);

  const entries = [...Array(8).keys()].map((at) => ({
    key: `R${at + 1}`,
    entry: { name: `File ${at}`, lines: [line('1 kg', at === 0 ? '17168' : `R${at}`)] },
  }));
  const { recipes } = valueOf(await take(fileOf(entries)));
  expect(recipes.map(({ fate }) => fate)).toEqual([...Array<string>(6).fill('taken'), 'refused', 'refused']);
  expect(recipes[6]!.said[0]).toMatch(/^line 1: With this line 6 recipes/);
});
