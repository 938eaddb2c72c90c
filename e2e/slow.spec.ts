import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';

// A tablet of ten years: six times slower. What is typed, chosen or pressed before the page listens is not lost.
let hodman: Hodman;
let page: Page;

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T16:30:00Z' });
  page = await browser.newPage();
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 6 });
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

/** Opens a page, does what is to be done before any of its code has come, and lets the code come. */
async function beforeItListens(path: string, act: () => Promise<void>): Promise<void> {
  let come = () => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  const scripts = /_next\/static\/.*\.js/;
  await page.route(scripts, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(hodman.address + path, { waitUntil: 'commit' });
  await act();
  expect(await page.evaluate(() => window.hodmanEarly?.done)).toBe(false);
  come();
  await page.waitForLoadState('networkidle');
  await page.unroute(scripts);
}

test('a select that is changed before the page listens keeps its value', async () => {
  const days = page.getByLabel('Cooked food keeps in the fridge');
  await beforeItListens('/household', () => days.selectOption('3').then(() => undefined));
  await expect(days).toHaveValue('3');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.reload({ waitUntil: 'networkidle' });
  await expect(days).toHaveValue('3');
});

test('a select that the page takes over in the middle of a press keeps its value', async () => {
  // The scripts are there and at work: the press itself makes React take over, between its input and its change.
  const measures = page.getByLabel('Measures');
  await page.goto(`${hodman.address}/household`, { waitUntil: 'networkidle' });
  await measures.selectOption('us');
  await page.waitForFunction(() => window.hodmanEarly?.done);
  await expect(measures).toHaveValue('us');
});

test('what is typed at once is kept, and the first press on Keep counts', async () => {
  const name = page.getByLabel('Name of the recipe');
  await page.goto(`${hodman.address}/recipes/1`);
  const before = await name.inputValue();
  await beforeItListens('/recipes/1', async () => {
    await name.press('End');
    await name.pressSequentially(', the quick way');
    await page.getByRole('button', { name: /^Keep as version/ }).click();
  });
  await expect(page.getByRole('heading', { name: 'Recipes', level: 1 })).toBeVisible();
  await page.goto(`${hodman.address}/recipes/1`, { waitUntil: 'networkidle' });
  await expect(name).toHaveValue(`${before}, the quick way`);
});

test('a plan that is changed and ticked at once is the plan that is kept', async () => {
  const days = page.getByLabel('Days', { exact: true });
  await beforeItListens('/plan?recipe=1', async () => {
    await days.fill('3');
    await page.getByLabel('Seen, and we go on').check();
  });
  await expect(days).toHaveValue('3');
  await expect(page.getByLabel('Seen, and we go on')).toBeChecked();
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page).toHaveURL(/plan\/\d+/);
  await expect(days).toHaveValue('3');
});

test('a meal that is pressed twice at once is fed once', async () => {
  await beforeItListens('/', () => page.getByRole('button', { name: 'Fed Otto' }).dblclick());
  await expect(page.getByText('Otto has had supper.')).toBeVisible();
  await page.reload({ waitUntil: 'networkidle' });
  await expect(page.getByRole('button', { name: 'Fed Otto' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Take back Otto’s supper' })).toHaveCount(1);
});

test('a key and a finger in the first second: what was typed while the page woke up stays', async () => {
  await page.goto(`${hodman.address}/dogs/1/weigh`, { waitUntil: 'commit' });
  const weight = page.getByLabel('Weighs');
  await weight.pressSequentially('26.9', { delay: 60 });
  await page.waitForLoadState('networkidle');
  await expect(weight).toHaveValue('26.9');
});
