import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { addDog, amountOf, chooseFood, foodOf, keepRecipe, lineOf, paste, visit } from './steps';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman();
  page = await browser.newPage();
  await addDog(page, hodman.address, { name: 'Bramble', born: '2022-03-01', weight: '20 kg' });
});

test.afterAll(() => stopHodman(hodman));

/** Eleven lines as they stand in a notebook. */
const NOTEBOOK = [
  '2 1/2 lb goat shoulder, cubed',
  '1 1/2 cups pearl barley, dry',
  '6–9 oz kale, stems out, chopped',
  '3 large carrots - grated',
  '2 large eggs, beaten',
  '1/2 lb chicken livers',
  '1 cup frozen peas',
  '1 tbsp olive oil',
  'a handful of parsley',
  'lots of love',
  '1 quart water',
];

const open = (path: string) => visit(page, hodman.address + path);

test('eleven lines of a notebook are read; what is unsure, vague or unread is said and not hidden', async () => {
  await open('/recipes/new');
  await paste(page, NOTEBOOK);
  await page.getByLabel('Name of the recipe').fill('Goat, barley & kale');
  await expect(
    page.getByText('8 of 11 lines read · 2 ask which food is meant · 1 kept as words, not counted'),
  ).toBeVisible();
  await expect(page.getByLabel('Amount of line 1', { exact: true })).toHaveValue('2 1/2 lb');
  // What was found by a part of its words, and what has several likely rows, asks with those to press.
  const goat = page.getByRole('group', { name: 'Which food is line 1?' });
  await expect(goat).toContainText('Is it goat?');
  await expect(goat.getByRole('button', { name: 'Goat, raw', exact: true })).toBeVisible();
  await expect(page.getByRole('group', { name: 'Which food is line 9?' })).toContainText('Fresh or dried?');
  await expect(page.getByText('170 g to 255 g: the middle counts')).toBeVisible();
  await expect(page.getByText('lots of love')).toBeVisible();
  // A cup of carrots is one thing, a large one another: 3 × 72 g (USDA SR 24).
  await expect(lineOf(page, 4)).toContainText('216 g');
  await expect(page.getByText('3 lines are not counted yet.').first()).toBeVisible();
});

test('one question is answered otherwise, one handful is weighed once, and both are remembered', async () => {
  await chooseFood(page, 1, 'ground lamb', 'Lamb, ground, raw');
  const goat = page.getByRole('group', { name: 'Which food is line 1?' });
  await expect(goat).toHaveCount(0);
  await page.getByRole('button', { name: 'undo', exact: true }).click();
  await expect(goat).toBeVisible();
  await page.getByRole('button', { name: 'redo' }).click();
  await expect(await foodOf(page, 1)).toHaveValue('Lamb, ground, raw');
  // Keep goes to the first thing that is missing, and says what.
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await expect(page.getByText('Line 9: Fresh or dried?')).toBeVisible();
  const fresh = page.getByRole('group', { name: 'Which food is line 9?' }).getByRole('button').first();
  await expect(fresh).toBeFocused();
  await fresh.click();
  const asks = page.getByRole('group', { name: 'Weigh one handful' });
  await asks.getByLabel('One handful weighs here').fill('-3');
  await asks.getByRole('button', { name: 'Remember it' }).click();
  await expect(asks.getByText('cannot be negative')).toBeVisible();
  await asks.getByLabel('One handful weighs here').fill('12 g');
  await asks.getByRole('button', { name: 'Remember it' }).click();
  await expect(asks).toHaveCount(0);
  await expect(page.getByText('1 line is not counted yet.').first()).toBeVisible();
  await page.getByLabel('More lines, as you write them').fill('2 handfuls parsley');
  await page.keyboard.press('Enter');
  await expect(lineOf(page, 12)).toContainText('24 g');
  await amountOf(page, 12);
  await page.getByRole('button', { name: 'Remove line 12' }).click();
});

test('what is short is said, and why; two of the proposed additions are taken', async () => {
  const nutrients = page.getByRole('list', { name: 'Nutrients, worst first' });
  await nutrients.getByRole('button', { name: /^calcium/ }).click();
  await expect(nutrients).toContainText('short');
  await page.getByRole('button', { name: 'What would close the gaps?' }).click();
  const proposed = page.getByRole('region', { name: 'Proposed additions' });
  const takes = proposed.getByRole('button', { name: /^Take / });
  await takes.first().click();
  await takes.first().click();
  await expect(lineOf(page, 13)).toBeVisible();
  await page.getByLabel('Next time').fill('less water');
  await keepRecipe(page, hodman.address);
  await expect(page.getByRole('link', { name: 'Goat, barley & kale', exact: true })).toBeVisible();
  await expect(page.getByText('next time: less water')).toBeVisible();
});

test('taken out as a file and brought in again it is the same; in another house it is made anew, unchanged', async () => {
  const file = await download('hodman');
  await open('/recipes/files');
  await bringIn('again.json', file);
  await expect(page.getByText('here already, unchanged')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take 0 recipes' })).toBeDisabled();
  const other = await startHodman();
  await visit(page, `${other.address}/recipes/files`);
  await bringIn('new.json', file);
  await page.getByRole('button', { name: 'Take this recipe' }).click();
  await expect(page.getByRole('link', { name: 'Goat, barley & kale', exact: true })).toBeVisible();
  const back = await (await page.request.get(`${other.address}/api/recipes/file?kind=hodman`)).text();
  expect(JSON.parse(back)).toEqual(JSON.parse(file));
  await stopHodman(other);
});

test('files that cannot be: each says why, and nothing is stored', async () => {
  await open('/recipes/files');
  await bringIn('large.json', `{"pad":"${'x'.repeat(5_000_000)}"}`);
  await expect(page.getByText('This file is 5.0 MB. Hodman reads up to 2 MB of recipes.')).toBeVisible();
  await bringIn('none.json', '{"a": 1}');
  await expect(page.getByText('There is no recipe in this file.')).toBeVisible();
  await bringIn('half.json', '{"hodman": "recipes", "version": 1, "recipes": ');
  await expect(page.getByText('This is no JSON')).toBeVisible();
  const scripted = {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: 'Pollock for the pup',
    recipeIngredient: ['2 lb pollock', '<script>alert(1)</script> 1 cup rice', '1 cup carrots, grated', 'a wish'],
    recipeInstructions: 'Simmer.',
    image: 'x.jpg',
  };
  await bringIn('elsewhere.json', JSON.stringify(scripted));
  const held = page.getByRole('list', { name: 'What the file holds' });
  await expect(held).toContainText('ingredient 2 holds markup');
  await expect(held).toContainText('kept as words, not counted: a wish');
  await expect(held).toContainText('not kept: image');
  await page.getByRole('button', { name: 'Take this recipe' }).click();
  await expect(page.getByRole('link', { name: 'Pollock for the pup', exact: true })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Pollock for the pup' })).toHaveCount(1);
});

test('a label: the element where a compound is printed; more than its weight is refused; then it closes the unknown', async () => {
  await open('/recipes/supplies/new');
  await page.getByLabel('What it is called').fill('Skerry kelp');
  await page.getByLabel('One tsp weighs').fill('3 g');
  await page.getByRole('button', { name: 'One more row' }).click();
  await page.getByLabel('Nutrient of row 1').selectOption('iodine');
  await page.getByLabel('Amount of row 1', { exact: true }).fill('1.5');
  await page.getByRole('button', { name: 'Keep this label' }).click();
  await expect(page.getByText('Is that iodine itself, or a compound of it?').first()).toBeVisible();
  await page.getByLabel('What the amount of row 1 is of').selectOption('element');
  await page.getByLabel('Amount of row 1', { exact: true }).fill('1500');
  await page.getByLabel('Unit of row 1').selectOption('g');
  await page.getByRole('button', { name: 'Keep this label' }).click();
  await expect(page.getByText('more than the 3 g of one tsp').first()).toBeVisible();
  await expect(page.getByLabel('What it is called')).toHaveValue('Skerry kelp');
  await page.getByLabel('Amount of row 1', { exact: true }).fill('1.5');
  await page.getByLabel('Unit of row 1').selectOption('mg');
  await expect(page.getByRole('region', { name: 'What that comes to' })).toContainText('500 µg');
  await page.getByRole('button', { name: 'Keep this label' }).click();
  await expect(page.getByRole('link', { name: 'Skerry kelp', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Change Eggshell' }).click();
  await page.getByLabel('At most, in 1000 kcal').fill('-4');
  await page.getByRole('button', { name: 'Keep Eggshell' }).click();
  await expect(page.getByText('A weight cannot be negative.').first()).toBeVisible();

  await open('/recipes');
  await page.getByRole('link', { name: 'Goat, barley & kale', exact: true }).click();
  const nutrients = page.getByRole('list', { name: 'Nutrients, worst first' });
  await page.getByRole('button', { name: /^all 3\d/ }).click();
  await expect(nutrients.getByRole('button', { name: /^iodine\s*unknown/ })).toBeVisible();
  await page.getByLabel('More lines, as you write them').fill('1 tsp skerry kelp');
  await page.keyboard.press('Enter');
  await expect(lineOf(page, 14)).toBeVisible();
  await expect(nutrients.getByRole('button', { name: /^iodine\s*unknown/ })).toHaveCount(0);
});

test('lines change places by keys, and one is bound to each dog and day', async () => {
  await page.getByRole('button', { name: 'Move line 2', exact: true }).focus();
  const said = page.getByRole('status').filter({ hasText: 'raggable' });
  await page.keyboard.press('Space');
  await expect(said).toContainText('was moved over');
  const before = (await said.textContent()) ?? '';
  await page.keyboard.press('ArrowUp');
  await expect(said).not.toHaveText(before);
  await page.keyboard.press('Space');
  await expect(lineOf(page, 1)).toContainText('Barley, pearled, raw');
  await amountOf(page, 5);
  await page.getByRole('button', { name: 'More about line 5' }).click();
  await page.getByRole('group', { name: 'More about line 5' }).getByLabel('Amount is for').selectOption('dog and day');
  await page.getByLabel('Days that the sheet is worked out for').fill('5');
  // Two large eggs a dog and day: 5 × 100 g.
  await expect(lineOf(page, 5)).toContainText('500 g');
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  await open('/plan');
  await page.getByLabel('Recipe', { exact: true }).selectOption('Goat, barley & kale');
  await page.getByLabel('Days', { exact: true }).fill('3');
  await page.getByRole('heading', { name: 'Goat, barley & kale', level: 3 }).click();
  await expect(page.getByRole('listitem').filter({ hasText: /eggs/ }).first()).toContainText('300 g');
});

async function download(kind: string): Promise<string> {
  await open('/recipes/files');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: kind === 'hodman' ? 'Hodman file' : 'Recipe JSON-LD' }).click(),
  ]);
  return readFileSync(await file.path(), 'utf8');
}

async function bringIn(name: string, text: string): Promise<void> {
  await page
    .getByLabel('A Hodman file, or Recipe JSON-LD from elsewhere')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}
