import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { weighPot } from './steps';

// One pot to the freezer and onto trays: what freezes in a day, a forgotten tare, dried on until the weight stands still.
let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await (await browser.newContext()).newPage();
  await weighPot(page, hodman.address, { recipe: 1, days: 6, gross: 16300, tare: 2140 });
  await page.getByRole('textbox', { name: 'Eaten today' }).fill('0');
  await page.getByRole('textbox', { name: 'To dry' }).fill('2000');
  await page.getByRole('textbox', { name: 'Fridge' }).fill('4000');
  await page.getByRole('button', { name: 'The rest to: Freezer' }).click();
  await page.getByRole('button', { name: 'Divide it so' }).click();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

test('the freezer: how long a pack takes, and which packs wait in the fridge until which day', async () => {
  await page.getByText('How it freezes, and how much of it a day').click();
  const hours = async () => Number(/(\d+) h/.exec(await page.getByText(/Frozen through in at least/).innerText())![1]);
  const thin = await hours();
  await page.getByLabel('Thick').fill('6');
  await expect.poll(hours).toBeGreaterThan(2 * thin);
  await page.getByLabel('They lie').selectOption({ label: 'on a rack: from both sides' });
  await page.getByLabel('Thick').fill('much');
  await expect(page.getByText('Centimetres, up to 30.')).toBeVisible();
  await page.getByLabel('Thick').fill('2');
  // 60 L at 1150 g for each 28 L (NCHFP, from memory): 2464 g a day, so that 8160 g take four days.
  await expect(page.getByText('60 L freeze about 2464 g of it in a day')).toBeVisible();
  await expect(page.getByText('Sat 28 Nov 2 packs')).toBeVisible();
});

test('a tray’s own weight left in both weighings is named with its grams, and one press takes it off', async () => {
  await page.getByRole('button', { name: 'One more tray' }).click();
  const fill = async (tray: number, name: string, grams: number) =>
    page.getByLabel(`Tray ${tray} ${name}`).fill(String(grams));
  await fill(1, 'empty', 640);
  await fill(1, 'with wet food', 1490);
  await fill(2, 'empty', 0);
  await fill(2, 'with wet food', 1140);
  await page.getByRole('button', { name: 'Keep the readings' }).click();
  await expect(page.getByRole('button', { name: 'Keep the readings' })).toBeEnabled();
  await fill(1, 'with dry food', 910);
  await fill(2, 'with dry food', 805);
  await page.getByRole('button', { name: 'Keep the readings' }).click();
  await expect(
    page.getByText(/On tray 2 perhaps its own weight, about 6\d\d g, was left in both weighings/),
  ).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id }) => id)).toEqual([]);
  await page.getByRole('button', { name: /^Yes, take 6\d\d g off$/ }).click();
  await expect(page.getByText(/perhaps its own weight/)).toHaveCount(0);
  await expect(page.getByLabel('Tray 2 empty')).toHaveValue(/^6\d\d$/);
  // What no tray holds by now is asked about, and goes back to be divided.
  await expect(page.getByText(/of it lie on no tray/)).toBeVisible();
});

test('dried on: heavier is asked about, and two weighings that agree say that it is dry', async () => {
  await page.getByText('Dried on? Weigh them again').click();
  await page.getByLabel('Tray 1 now').fill('990');
  await page.getByRole('button', { name: 'That is what they weigh now' }).click();
  await expect(page.getByText(/80 g more than before/)).toBeVisible();
  for (const [first, second] of [
    ['905', '800'],
    ['904', '800'],
  ]) {
    await page.getByLabel('Tray 1 now').fill(first!);
    await page.getByLabel('Tray 2 now').fill(second!);
    await page.getByRole('button', { name: 'That is what they weigh now' }).click();
    await expect(page.getByLabel('Tray 1 now')).toHaveValue('');
  }
  await expect(page.getByText('dry: the last two weighings agree')).toBeVisible();
  // The bowl and the label say the same water.
  await page.getByText('Water to put back, tray by tray and meal by meal').click();
  await expect(page.getByText(/Otto, supper: \d+ g dry \+ \d+ mL/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(over).toBe(0);
});
