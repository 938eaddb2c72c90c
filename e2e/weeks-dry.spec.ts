import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { answerAsks, looksRight, startCookDay, toTheScale, visit } from './steps';

// A freezer with little room, and a freeze-dryer beside it: asked for, solved, and found again where the pot is divided.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
const setDay = (day: string) => writeFileSync(clockFile, `${day}T11:00:00Z`);
/** Solving takes what it takes on a busy machine. */
const PATIENT = 600_000;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setDay('2026-11-25');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const cycles = () => page.getByRole('textbox', { name: 'Cycles a week, freeze-dryer' });
const cookDays = async () => Number(/^(\d+)/.exec(await page.getByRole('heading', { level: 1 }).innerText())![1]);

test('more cycles than go into a week are refused at their field; with two fewer days are cooked on than with none', async () => {
  await visit(page, `${hodman.address}/plan/weeks`);
  await page.getByRole('button', { name: 'What is asked' }).click();
  await page.getByLabel('Over', { exact: true }).selectOption('3');
  await page.getByLabel('Litres of the freezer').fill('14');
  await cycles().fill('9');
  const solve = page.getByRole('button', { name: /^(Say when to cook what|Solve again from what is there)$/ });
  await solve.click();
  await expect(
    page.getByText(/Whole cycles, or nothing; one takes it \d+ h, so that 4 go into a week\./),
  ).toBeVisible();
  await expect(cycles()).toHaveValue('9');
  await cycles().fill('');
  await solve.click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/\d+ cook days/, { timeout: PATIENT });
  await expect(page.getByText(/ of it in the freeze-dryer$/)).toHaveCount(0);
  const without = await cookDays();
  await cycles().fill('2');
  await solve.click();
  // The day in hand is the next cook day.
  await expect(page.getByText(/ of it in the freeze-dryer$/).first()).toBeVisible({ timeout: PATIENT });
  await expect(page.getByRole('paragraph').filter({ hasText: /^\d cycles? of the freeze-dryer/ })).toBeVisible();
  expect(await cookDays()).toBeLessThan(without);
  await expect(page.getByText(/went otherwise/)).toHaveCount(0);
  // Who gets what is said beside the recipes: one dog is let out by a press, and in again.
  const venison = page.getByRole('group', { name: 'Who gets Venison, barley & parsnip' });
  const wren = venison.getByRole('button', { name: 'Wren' });
  await expect(wren).toHaveAttribute('aria-pressed', 'true');
  await wren.click();
  await expect(venison.getByRole('button', { name: 'not Wren' })).toHaveAttribute('aria-pressed', 'false');
  await venison.getByRole('button', { name: 'not Wren' }).click();
  await expect(wren).toHaveAttribute('aria-pressed', 'true');
  await looksRight(page);
});

test('a dog that eats here and was not asked for is named, and counted in by a press', async () => {
  await page.getByRole('checkbox', { name: 'Wren' }).uncheck();
  await page.getByRole('button', { name: 'Solve again from what is there' }).click();
  const left = page.getByText('Wren eats here and is not in these weeks.');
  await expect(left).toBeVisible({ timeout: PATIENT });
  await page.getByRole('button', { name: 'Count Wren in' }).click();
  await expect(left).toBeHidden({ timeout: PATIENT });
  await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0, { timeout: PATIENT });
  await expect(page.getByText(/ of it in the freeze-dryer$/).first()).toBeVisible({ timeout: PATIENT });
});

test('where the pot is divided it says what the weeks dry of it, and a press puts it there', async () => {
  await page.getByRole('button', { name: /make them plans$/i }).click();
  const plans = page.getByRole('region', { name: 'As plans' }).getByRole('listitem').getByRole('link');
  await expect(plans.first()).toBeVisible();
  const dried = page.getByText(/ of it in the freeze-dryer$/);
  await expect(dried.first()).toBeVisible();
  const pot = dried
    .first()
    .locator('xpath=..')
    .getByRole('button', { name: /^A potful less of / });
  const recipe = await pot.getAttribute('aria-label');
  const plan = await plans
    .filter({ hasText: recipe!.replace('A potful less of ', '') })
    .first()
    .getAttribute('href');
  // A page that is open sees the other day, and is made anew: what was read of it was read before.
  setDay('2026-11-28');
  await visit(page, hodman.address + plan!);
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);
  const inPot = await page.getByText(/went in\. The yield lies/).innerText();
  const grams = Number(/([\d.]+) k?g/.exec(inPot.replace(/(?<=\d)\s(?=\d{3})/g, ''))![1]);
  await page.getByLabel('With the food').fill(String(Math.round((grams < 100 ? grams * 1000 : grams) * 0.92) + 1240));
  await page.getByLabel('Empty (tare)').fill('1240');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
  await expect(page.getByText(/^The weeks ahead count on .* of it in the freeze-dryer\.$/)).toBeVisible();
  const before = Number(await page.getByLabel('To dry', { exact: true }).inputValue());
  await page.getByRole('button', { name: /^Dry [\d.]/ }).click();
  await expect(page.getByText(/^The weeks ahead count on/)).toBeHidden();
  expect(Number(await page.getByLabel('To dry', { exact: true }).inputValue())).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await expect(page.getByRole('heading', { name: /^Divide/ })).toHaveCount(0);
});

test('a breakfast that is always of one recipe is held to: below its dog it has a strip and a line of its own', async () => {
  await visit(page, `${hodman.address}/dogs/2/meals`);
  await page.getByLabel(/The usual meals for its age/).uncheck();
  await page.getByLabel('Recipe of meal 1').selectOption('Goat, millet & beetroot');
  await page.getByRole('button', { name: 'Keep the meals' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith('/meals'));
  await visit(page, `${hodman.address}/plan/weeks`);
  await page.getByRole('button', { name: 'Solve again from what is there' }).click();
  const breakfast = page.getByRole('listitem').filter({ hasText: 'Otto’s breakfast' });
  await expect(breakfast).toBeVisible({ timeout: PATIENT });
  await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0, { timeout: PATIENT });
  await expect(page.locator('svg text').filter({ hasText: /^breakfast$/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'What is asked' }).click();
  await expect(page.getByText('breakfast: always Goat, millet & beetroot', { exact: true })).toBeVisible();
  await looksRight(page);
});
