import { expect, test, type Page } from '@playwright/test';
import { answerAsks, openPlan, startCookDay, toTheScale, visit } from './steps';
import { startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true });
  page = await browser.newPage();
});

test.afterAll(() => stopHodman(hodman));

test('tonight: one press moves what tomorrow needs, and it is thawed from that day', async () => {
  await page.goto(hodman.address);
  const tonight = page.getByRole('region', { name: 'Tonight, to the fridge' });
  const moved = tonight.getByRole('button', { name: /^Moved/ });
  await expect(moved).toBeEnabled();
  const boxes = await tonight.getByRole('checkbox').all();
  for (const box of boxes) await expect(box).toBeChecked();
  for (const box of boxes) await box.uncheck();
  await expect(moved).toBeDisabled();
  for (const box of boxes) await box.check();
  const first = /[A-Z]\d+/.exec((await tonight.getByRole('listitem').first().textContent())!)![0];
  // Another one goes in the place of the first.
  await tonight.getByRole('button', { name: `another in the place of ${first}` }).click();
  const instead = tonight.getByRole('combobox', { name: `In the place of ${first}` });
  await expect(instead).toBeFocused();
  await instead.selectOption({ index: 1 });
  const code = /[A-Z]\d+/.exec((await instead.locator('option:checked').textContent())!)![0];
  expect(code).not.toBe(first);
  await moved.click();
  await expect(instead).toBeHidden();
  await page.goto(`${hodman.address}/store?pack=${code}`);
  await expect(page.getByRole('region', { name: code, exact: true })).toContainText(
    /Fridge · feed by Sun 29 Nov · (short, )?thawed Wed 25 Nov/,
  );
  await page.goto(`${hodman.address}/store?pack=${first}`);
  await expect(page.getByRole('region', { name: first, exact: true })).toContainText('Freezer · ');
  // What went instead may not be enough for everybody: then it says so, until it is.
  await visit(page, hodman.address);
  if (await moved.isVisible()) await moved.click();
  await expect(page.getByText('Nothing needs to leave the freezer for tomorrow.')).toBeVisible();
});

test('a plan is put away, and is gone', async () => {
  await openPlan(page, hodman.address, '?recipe=3');
  await startCookDay(page);
  await page.getByRole('button', { name: 'put this plan away' }).click();
  await expect(page.getByRole('heading', { name: 'Batches' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Goat, millet & beetroot', exact: true })).toHaveCount(1);
});

test('a counted pot is marked as an estimate everywhere, and is fed warm today', async () => {
  await openPlan(page, hodman.address, '?recipe=2');
  await page.getByLabel('Days', { exact: true }).fill('2');
  await page.getByLabel('First feeding day').fill('2026-11-25');
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);
  await page.getByRole('button', { name: 'in cups' }).click();
  await page.getByLabel('Cups counted').fill('14');
  await page.getByLabel('One cup of it weighs').fill('240');
  await page.reload();
  await expect(page.getByLabel('Cups counted')).toHaveValue('14');
  // Far less than the pollock pot of before, which came to nine tenths: asked about once.
  await expect(page.getByRole('button', { name: 'That is the yield' })).toBeDisabled();
  await page.getByRole('button', { name: 'It is so' }).click();
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
  await expect(page.getByRole('heading', { name: 'Divide 3360 g (an estimate)' })).toBeVisible();
  // Supper is open for all three: half a day, half a day, a third.
  await expect(page.getByLabel('Eaten today', { exact: true })).not.toHaveValue('0');
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await expect(page.getByText('are eaten today, warm from the pot')).toBeVisible();
  await page.getByRole('button', { name: /^Seal/ }).first().click();
  const code = await page
    .getByText(/^P\d+$/)
    .first()
    .textContent();
  await page.goto(`${hodman.address}/store?pack=${code}`);
  await expect(page.getByRole('region', { name: code!, exact: true })).toContainText('an estimate');
});

test('warm food comes first; when all have eaten, Today says so', async () => {
  await page.goto(hodman.address);
  for (const dog of ['Juniper', 'Otto', 'Wren']) {
    await expect(page.getByRole('listitem').filter({ hasText: dog }).filter({ hasText: 'from the pot' })).toHaveCount(
      1,
    );
    await page.getByRole('button', { name: `Fed ${dog}` }).click();
    // Supper is five hours away: it does not silently become what was just pressed.
    await expect(page.getByText('Supper is at 18:00. Was it fed now already?')).toBeVisible();
    await page.getByRole('button', { name: 'Now', exact: true }).click();
    await expect(page.getByText(`${dog} has had supper.`)).toBeVisible();
  }
  await expect(page.getByRole('heading', { name: 'All fed' })).toBeVisible();
  await expect(page.getByText('has eaten for today')).toHaveCount(3);
  await page.getByRole('button', { name: 'Take back Otto’s supper' }).click();
  await expect(page.getByRole('button', { name: 'Fed Otto' })).toBeVisible();
});

test('a household in pounds: the plan and the scale speak them', async () => {
  await visit(page, `${hodman.address}/household`);
  await page.getByLabel('Measures').selectOption('us');
  await page.getByLabel('Breakfast').fill('13:00');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('The midday meal comes after breakfast.')).toBeVisible();
  await page.getByLabel('Breakfast').fill('7.30');
  await page.getByLabel('Time zone').selectOption('Europe/Oslo');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.goto(`${hodman.address}/dogs/1/facts`);
  await expect(page.getByLabel('Weighs today')).toHaveValue('58.2 lb');
  await openPlan(page, hodman.address, '?recipe=1');
  await expect(page.getByText(/\d+ lb/).first()).toBeVisible();
});

test('what was typed and not stored is still there later, and can be let go', async () => {
  await visit(page, `${hodman.address}/dogs/new`);
  await page.getByLabel('Name').fill('Tansy');
  await page.getByLabel('Weighs today').fill('31 lb');
  await page.goto(`${hodman.address}/store`);
  await page.goto(`${hodman.address}/dogs/new`);
  await expect(page.getByText('What you typed before is still here')).toBeVisible();
  await expect(page.getByLabel('Weighs today')).toHaveValue('31 lb');
  await page.getByRole('button', { name: 'start over' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('');
});

test('a new weight is a weigh-in: the day and the curve follow', async () => {
  await page.goto(`${hodman.address}/dogs/3`);
  await expect(page.getByText(/^7 weigh-ins/)).toBeVisible();
  await page.getByRole('link', { name: 'Who it is' }).click();
  await page.getByLabel('Weighs today').fill('8.4 kg');
  await expect(page.getByText('1174', { exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByText(/^8 weigh-ins/)).toBeVisible();
});
