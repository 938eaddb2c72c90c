import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await browser.newPage();
  await page.goto(`${hodman.address}/plan?recipe=3`, { waitUntil: 'networkidle' });
});

test.afterAll(() => stopHodman(hodman));

const way = () => page.getByLabel('What binds the plan');
const otherwise = () => page.getByRole('region', { name: 'Said otherwise' });

test('a plan bound by days says what else that is; bound by any of it, it stays the same plan', async () => {
  await page.getByLabel('Days').fill('5');
  const scale = page.getByText(/^the recipe × /);
  const byDays = await scale.textContent();
  const close = async () => {
    const factor = Number(/× ([\d.]+)/.exec((await scale.textContent())!)![1]);
    // What is pressed is rounded to whole g: the same to a part in two thousand.
    expect(Math.abs(factor / Number(/× ([\d.]+)/.exec(byDays!)![1]) - 1)).toBeLessThan(0.0005);
  };
  await otherwise()
    .getByRole('button', { name: /finished$/ })
    .click();
  await expect(page.getByLabel('Finished food', { exact: true })).toHaveValue(/^\d+ g$/);
  await close();
  await otherwise()
    .getByRole('button', { name: /of goat shoulder/ })
    .click();
  await expect(page.getByLabel('How much is here')).toHaveValue(/^\d+ g$/);
  await close();
  await otherwise()
    .getByRole('button', { name: /containers of 450 g/ })
    .click();
  await expect(way()).toHaveValue('containers');
  await otherwise().getByRole('button', { name: /days/ }).click();
  await expect(page.getByLabel('Days')).toHaveValue('5');
});

test('what is at hand binds: 4.6 lb of goat, and what cannot bind is said at its hole', async () => {
  await way().selectOption('at hand');
  await page.getByLabel('How much is here').fill('');
  await expect(page.getByText('How much of it is there?')).toBeVisible();
  await expect(page.getByLabel('How much is here')).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('How much is here').fill('900 kg');
  await expect(page.getByText('more than 200 kg')).toBeVisible();
  await page.getByLabel('How much is here').fill('190 kg');
  await expect(page.getByText('more than 120 days')).toBeVisible();
  await page.getByLabel('How much is here').fill('4.6 lb');
  // 4.6 lb are 2086.5 g (NIST Handbook 44), all of it in the pot.
  await expect(page.getByRole('listitem').filter({ hasText: 'Goat, raw' })).toContainText('2087 g');
  await expect(otherwise()).toContainText('of one more: a short pack');
  await otherwise().getByRole('button', { name: 'Why: the finished food' }).click();
  await expect(page.getByRole('dialog')).toContainText('is there at the end');
  await page.keyboard.press('Escape');
  await page
    .getByRole('checkbox')
    .first()
    .check({ timeout: 2000 })
    .catch(() => undefined);
  await page.getByRole('button', { name: 'Start cook day' }).click();
  await expect(page.getByRole('button', { name: 'All in, start cooking' })).toBeVisible();
  await expect(page.getByLabel('Goat, raw, grams that went in')).toHaveValue('2087');
});
