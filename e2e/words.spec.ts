import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import {
  addDog,
  answerAsks,
  beginHouse,
  keepRecipe,
  lineOf,
  openPlan,
  paste,
  startCookDay,
  toTheScale,
  visit,
} from './steps';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman();
  page = await browser.newPage();
});

test.afterAll(() => stopHodman(hodman));

const open = (path: string) => visit(page, hodman.address + path);
/** A new recipe on blank paper: what was typed there before is let go. */
async function newRecipe() {
  await open('/recipes/new');
  const over = page.getByRole('button', { name: 'start over' });
  if ((await over.count()) > 0) await over.click();
}
const group = (line: number) => page.getByRole('group', { name: `Which food is line ${line}?` });

test('a kitchen is asked for its measures once, and then speaks them', async () => {
  await beginHouse(page, hodman.address, 'pounds and US cups');
  await addDog(page, hodman.address, { name: 'Bramble', born: '2022-03-01', weight: '44 lb' });
  await open('/');
  await expect(page.getByRole('heading', { name: 'How does this kitchen measure?' })).toHaveCount(0);
});

/** What each line reads as, or that it asks: which row a cook means is common practice, no source. */
const LINES: readonly (readonly [line: string, food: string | undefined])[] = [
  ['1 egg', 'Egg, whole, raw, fresh'],
  ['2 cups rice, cooked', undefined],
  ['1 kg potatoes', 'Potato, flesh and skin, raw'],
  ['2 lb skinless thighs', undefined],
  ['100 g sardines', undefined],
  ['1 cup canned pumpkin', 'Pumpkin, canned, without salt'],
  ['a pound of hamburger', undefined],
];

test('what is clear is read, what is not asks, and an answer is remembered as this kitchen’s meaning', async () => {
  await newRecipe();
  await paste(
    page,
    LINES.map(([line]) => line),
  );
  await page.getByLabel('Name of the recipe').fill('Words');
  await expect(page.getByText('3 of 7 lines read · 4 ask which food is meant')).toBeVisible();
  for (const [index, [, food]] of LINES.entries())
    if (food) await expect(lineOf(page, index + 1)).toContainText(food);
    else await expect(group(index + 1)).toBeVisible();
  // Typed and unread: read when Keep is pressed, and the first question gets the focus.
  await page.getByLabel('More lines, as you write them').fill('3 eggs');
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await expect(lineOf(page, 8)).toContainText('Egg, whole, raw, fresh');
  await expect(group(2).getByRole('button').first()).toBeFocused();
  for (const line of [2, 4, 5, 7]) await group(line).getByRole('button').first().click();
  await keepRecipe(page, hodman.address);
  await expect(page.getByRole('link', { name: 'Words', exact: true })).toBeVisible();

  await newRecipe();
  await page.getByLabel('Your recipe, line by line').fill('1 lb hamburger');
  await page.getByRole('button', { name: 'Read this line' }).click();
  await expect(page.getByText('1 of 1 line read')).toBeVisible();
  await open('/household');
  const meanings = page.getByRole('region', { name: 'What your words mean' });
  await expect(meanings.getByRole('listitem')).toHaveCount(4);
  await meanings.getByRole('button', { name: 'Forget what hamburger means' }).click();
  await expect(meanings.getByRole('listitem')).toHaveCount(3);
});

test('a recipe with necks stops before the pot, proposes no calcium, and goes on once they are boned', async () => {
  await newRecipe();
  await paste(page, ['6 turkey necks', '1 lb brown rice', '2 lb carrots', '2 cups water']);
  await page.getByLabel('Name of the recipe').fill('Neck pot');
  await expect(page.getByText('4 of 4 lines read')).toBeVisible();
  await expect(page.getByText('Bone is in it, and the table holds no bone mineral')).toBeVisible();
  await page.getByRole('button', { name: 'What would close the gaps?' }).click();
  const proposed = page.getByRole('region', { name: 'Proposed additions' });
  await expect(proposed).toContainText('nothing is proposed for calcium or phosphorus');
  await expect(proposed).not.toContainText('Calcium carbonate');
  await expect(proposed).not.toContainText('Eggshell');
  await keepRecipe(page, hodman.address);
  await expect(page.getByRole('link', { name: 'Neck pot', exact: true })).toBeVisible();
  await openPlan(page, hodman.address, '?recipe=2');
  await expect(page.getByText(/holds cooked bone/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start cook day' })).toBeDisabled();
  // A US cook reads pounds and ounces: no figure in grams stands in the plan.
  expect(await page.locator('main').innerText()).not.toMatch(/\d (?:g|kg)\b/);
  await open('/recipes/2');
  await page.getByRole('group', { name: 'Bone in line 1' }).getByRole('button', { name: 'I bone it' }).click();
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.getByRole('link', { name: 'Neck pot', exact: true })).toBeVisible();
  await openPlan(page, hodman.address, '?recipe=2');
  await expect(page.getByText(/holds cooked bone/)).toHaveCount(0);
});

test('a base mix is entered from its bag, and a plan with it knows its energy', async () => {
  await open('/recipes/supplies/new');
  await page.getByLabel('What it is called').fill('Tidewater base mix');
  await page.getByLabel('The label counts in').selectOption('g');
  await page.getByText('Energy, other measures, and what a bag prints as crude').click();
  await page.getByLabel('Energy', { exact: true }).fill('3600');
  for (const [name, value] of [
    ['Crude protein', '14'],
    ['Crude fat', '6'],
    ['Crude fibre', '5'],
    ['Moisture', '9'],
    ['Ash', '7'],
  ] as const)
    await page.getByLabel(name, { exact: true }).fill(value);
  await page.getByRole('button', { name: 'Another measure' }).click();
  await page.getByLabel('One cup weighs').fill('100');
  await expect(page.getByRole('region', { name: 'What that comes to' })).toContainText('estimated');
  await page.getByRole('button', { name: 'Keep this label' }).click();
  await expect(page.getByText('Tidewater base mix').first()).toBeVisible();

  await newRecipe();
  await paste(page, ['4 cups Tidewater base mix', '3 lb 90% lean ground beef', '4 cups water']);
  await page.getByLabel('Name of the recipe').fill('Mix and mince');
  await expect(page.getByText('3 of 3 lines read')).toBeVisible();
  // 400 g at 3600 kcal/kg are 1440 kcal by its label; the beef comes on top, and nothing is "at least".
  await expect(page.getByRole('region', { name: 'What it comes to' })).not.toContainText('at least');
  await page.getByRole('button', { name: 'Why: the energy of this recipe' }).click();
  await expect(page.getByRole('dialog')).toContainText('1440.00 kcal');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'What would close the gaps?' }).click();
  const proposed = page.getByRole('region', { name: 'Proposed additions' });
  await expect(proposed).toBeVisible();
  await keepRecipe(page, hodman.address);
  await expect(page.getByRole('link', { name: 'Mix and mince', exact: true })).toBeVisible();
  await openPlan(page, hodman.address, '?recipe=3');
  await expect(page.getByText('kcal/g expected')).toBeVisible();
  await expect(page.getByText('is unknown: every amount here')).toHaveCount(0);
});

test('its pot is weighed out, weighed and divided in pounds and ounces; a bare number asks for its unit', async () => {
  await startCookDay(page);
  const wentIn = page.getByLabel(/weight that went in/);
  const weighed = page.getByRole('list', { name: /^(To be weighed|Stirred in)/ }).getByRole('listitem');
  await expect(weighed).toHaveCount(3);
  const texts = await weighed.locator('b').allTextContents();
  const ounces = texts.map((text) => {
    const read = /^(?:(\d+) lb)? ?(?:([\d.]+) oz)?$/.exec(text)!;
    return Number(read[1] ?? 0) * 16 + Number(read[2] ?? 0);
  });
  expect(Math.min(...ounces)).toBeGreaterThan(1);
  await wentIn.fill('12');
  await expect(page.getByText('12 oz, lb or g? Write it with its unit.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'All in, start cooking' })).toBeDisabled();
  await wentIn.fill(texts[0]!);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);

  // Nine tenths of what went in, on a tared scale.
  const whole = Math.round(ounces.reduce((sum, each) => sum + each, 0) * 0.9);
  const gross = page.getByLabel('With the food');
  await gross.fill(String(whole));
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await expect(page.getByText(`${whole} oz, lb or g? Write it with its unit.`)).toBeVisible();
  await gross.fill(`${whole} oz`);
  // A blank is a question: which vessel, or none.
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await expect(page.getByText(/^Which vessel did it stand in\?/)).toBeVisible();
  await page.getByRole('button', { name: 'none: it was tared' }).click();
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
  await expect(page.getByRole('heading', { name: /^Divide \d+ lb/ })).toBeVisible();
  await page.getByLabel('Eaten today', { exact: true }).fill('0');
  await page.getByLabel('Freezer', { exact: true }).fill('1 lb');
  await page.getByRole('button', { name: 'The rest to: Fridge' }).click();
  await expect(page.getByLabel('Fridge', { exact: true })).toHaveValue(/lb|oz/);
  await expect(page.getByText(/than the pot holds/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await expect(page.getByRole('button', { name: /^Seal / }).first()).toBeVisible();
  expect(await page.locator('main').innerText()).not.toMatch(/\d (?:g|kg)\b/);
});

test('calcium in the bowl asks whether it is the element or a compound', async () => {
  await open('/dogs/1/bowl');
  await page.getByLabel('What', { exact: true }).fill('calcium');
  await page.getByLabel('Counted in').fill('mg');
  await page.getByLabel('Amount a day').fill('500');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Calcium itself, or a compound of it?')).toBeVisible();
});
