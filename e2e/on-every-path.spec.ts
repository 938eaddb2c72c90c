import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { addDog, answerAsks, beginHouse, keepRecipe, openPlan, paste, startCookDay, visit } from './steps';

// A kitchen in pounds and °F off the beaten path: bones and premix in words, soup, frozen meat, a label that was frozen.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'now');
const setClock = (day: string) => writeFileSync(clockFile, `${day}T12:00:00Z`);

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  setClock('2026-11-25');
  hodman = await startHodman({ now: `@${clockFile}` });
  page = await browser.newPage();
  await beginHouse(page, hodman.address, 'pounds and US cups');
  await addDog(page, hodman.address, { name: 'Bramble', born: '2022-03-01', weight: '44 lb' });
});

test.afterAll(() => stopHodman(hodman));

async function newRecipe(name: string, lines: readonly string[]) {
  await visit(page, `${hodman.address}/recipes/new`);
  const over = page.getByRole('button', { name: 'start over' });
  if ((await over.count()) > 0) await over.click();
  await paste(page, lines);
  await page.getByLabel('Name of the recipe').fill(name);
}

// Handbook 13 (common veterinary practice, from memory): above 80 mL for each kg of body weight a meal does not fit. A pound of venison (about 700 kcal)
// in three quarts of water is some 0.24 kcal/g: 1059 kcal for 20 kg in two meals are 110 mL/kg.
test('soup does not fit into a dog: its recipe says so, and so does its plan; with less water both are still', async () => {
  await newRecipe('Soup', ['1 lb ground venison', '3 quarts water']);
  const tooMuch = page.getByText(/^A meal of this does not fit into Bramble \(1[01]\d mL for each kg/);
  await expect(tooMuch).toContainText('a dog eats energy, not volume');
  expect(await axeFinds(page)).toEqual([]);
  await keepRecipe(page, hodman.address);
  await openPlan(page, hodman.address, '?recipe=1');
  await expect(page.getByText(/A meal of this does not fit into Bramble/).first()).toBeVisible();
  await newRecipe('Stew', ['2 lb ground venison', '1 cup water']);
  await expect(page.getByText(/2 of 2 lines read/)).toBeVisible();
  await expect(page.getByText(/does not fit into|is large for/)).toHaveCount(0);
});

test('bones in words stop the pot, and premix in words is said on plan and run sheet', async () => {
  await newRecipe('Words', ['2 lb ground venison', '1 cup water', 'the lamb bones from Sunday go in too']);
  await expect(page.getByText('Kept as words, not counted').first()).toBeVisible();
  await keepRecipe(page, hodman.address);
  await openPlan(page, hodman.address, '?recipe=2');
  await expect(page.getByText(/holds cooked bone/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start cook day' })).toBeDisabled();
  await newRecipe('Premix', ['2 lb ground venison', '1 cup water', 'then two scoops of that premix']);
  await expect(page.getByText('Kept as words, not counted').first()).toBeVisible();
  await keepRecipe(page, hodman.address);
  await openPlan(page, hodman.address, '?recipe=3');
  await page.getByLabel('Days', { exact: true }).fill('2');
  await expect(page.getByText(/^Not counted: .*premix/).first()).toBeVisible();
});

test('meat that goes in frozen: said at the scale, half as long again in the pot, and asked for its core in °F', async () => {
  await startCookDay(page);
  await expect(page.getByText(/^Not counted: .*premix/).first()).toBeVisible();
  await page.getByLabel('frozen when it goes in').check();
  await expect(page.getByText(/half as long again \(common practice\)/)).toBeVisible();
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await expect(page.getByText(/ground venison, frozen/).first()).toBeVisible();
  await page.getByRole('button', { name: 'straight to the scale' }).click();
  await page.getByLabel('With the food').fill('4 lb 8 oz');
  await page.getByLabel('Empty (tare)').fill('1 lb');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
  await page.getByRole('button', { name: /^Divide it so/ }).click();
  const seal = page.getByRole('button', { name: /^Seal / });
  await expect(seal.first()).toBeVisible();
  const shares = await seal.count();
  await seal.first().click();
  await expect(seal).toHaveCount(shares - 1);
});

// The label's own date is what holds: frozen on the day before its use-by it has a day left, whenever it thaws (USDA; handbook 10).
test('a label’s use-by is kept through the freezer: a fortnight later it keeps for the day that was left of it', async () => {
  await visit(page, `${hodman.address}/store`);
  await page.getByRole('button', { name: 'something came in' }).click();
  const came = page.getByRole('region', { name: 'What came in?' });
  await came.getByLabel('What came in').fill('ground venison');
  await page.getByRole('option', { name: /^Game meat, deer, ground, raw/ }).click();
  await came.getByLabel('So much came').fill('2 lb');
  await came.getByLabel('Date on its label').fill('2026-11-26');
  await came.getByLabel('That date says').selectOption('use by');
  await came.getByRole('button', { name: 'It is in the house' }).click();
  await came.getByRole('button', { name: 'Never mind' }).click();
  const take = (place: string) =>
    page
      .getByRole('list', { name: `Ingredients in the ${place}` })
      .getByRole('link', { name: /^Game meat, deer/ })
      .click();
  const hand = page.getByRole('region', { name: /^Game meat, deer/ });
  await take('fridge');
  await expect(hand).toContainText('cook or freeze by Thu 26 Nov');
  await hand.getByRole('button', { name: 'To the freezer' }).click();
  await expect(page.getByRole('list', { name: 'Ingredients in the freezer' })).toContainText('Game meat, deer');
  setClock('2026-12-10');
  await visit(page, `${hodman.address}/store`);
  await take('freezer');
  await hand.getByRole('button', { name: 'To the fridge' }).click();
  await expect(page.getByRole('list', { name: 'Ingredients in the fridge' })).toContainText('Game meat, deer');
  await take('fridge');
  await expect(hand).toContainText('cook or freeze by Fri 11 Dec');
});
