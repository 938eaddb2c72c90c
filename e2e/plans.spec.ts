import { expect, test, type Page } from '@playwright/test';
import { openPlan, reload, startCookDay, visit } from './steps';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await (await browser.newContext()).newPage();
  await openPlan(page, hodman.address, '?recipe=3');
});

test.afterAll(() => stopHodman(hodman));

const goesIn = () => page.getByRole('region', { name: 'What goes in' }).getByRole('listitem');
const way = () => page.getByLabel('What binds the plan');
const bindings = () => page.getByRole('region', { name: 'What that comes to' });
const row = (name: RegExp | string) => bindings().getByRole('listitem').filter({ hasText: name });
const scale = async () => Number(/× ([\d.]+)/.exec((await page.getByText(/^the recipe × /).textContent())!)![1]);

/** Presses a row of the bindings, and expects the plan to stay what it is. */
async function bindBy(name: RegExp, value: string, holes: Record<string, RegExp>, within = 0.0005) {
  const before = await scale();
  await row(name).locator('button').first().click();
  await expect(way()).toHaveValue(value);
  for (const [label, typed] of Object.entries(holes))
    await expect(page.getByLabel(label, { exact: true })).toHaveValue(typed);
  // What is pressed is rounded to whole g or whole things.
  expect(Math.abs((await scale()) / before - 1)).toBeLessThan(within);
}

test('a plan by days is said in every other way; bound by any of them it stays the same plan', async () => {
  await page.getByLabel('Days', { exact: true }).fill('5');
  await bindBy(/^finished food/, 'amount', { 'Finished food': /^\d+ g$/ });
  await bindBy(/^goat shoulder/, 'at hand', { 'How much is here': /^\d+ g$/ });
  await bindBy(/^days/, 'days', { Days: /^5$/ });
  await bindBy(/^pieces of 30 g/, 'pieces', { Pieces: /^\d+$/, 'One piece weighs raw': /^30 g$/ }, 0.005);
  await bindBy(/^days/, 'days', { Days: /^[45]$/ }, 0.25);
});

test('containers, trays, full pots and the freezer bind in whole things, and name what is left', async () => {
  await page.getByLabel('Days', { exact: true }).fill('5');
  await row(/^tubs of 450 g/)
    .locator('button')
    .first()
    .click();
  await expect(page.getByLabel('One container holds')).toHaveValue('450 g');
  await page.getByLabel('Containers', { exact: true }).fill('22');
  await expect(row(/^tubs of 450 g/)).toContainText('22 of 48');
  // 22 × 450 g = 9.90 kg.
  await expect(row(/^finished food/)).toContainText('9.90 kg');
  await expect(row(/^days/)).toContainText(/short pack|days/);
  await row(/^freeze-dryer/)
    .locator('button')
    .first()
    .click();
  await page.getByLabel('Trays', { exact: true }).fill('4');
  await expect(row(/^freeze-dryer/)).toContainText('1 cycle');
  // 4 × 1.4 kg on the trays.
  await expect(row(/^finished food/)).toContainText('5.60 kg');
  await row(/^pressure cooker/)
    .locator('button')
    .first()
    .click();
  await page.getByLabel('Full pots').fill('2');
  await expect(row(/^pressure cooker/)).toContainText('2 even loads, 100 % full');
  await way().selectOption('freezer');
  await page.getByLabel('Free in the freezer').fill('10 L');
  await expect(row(/^freezer/)).toContainText(/10 L of 4\d\.\d L free/);
  await page.getByLabel('Free in the freezer').fill('10 kg');
  await expect(page.getByText('How much room is there?')).toBeVisible();
  await expect(page.getByLabel('Free in the freezer')).toHaveAttribute('aria-invalid', 'true');
});

test('what is at hand binds: 4.6 lb of goat, and what cannot bind is said at its hole', async () => {
  await way().selectOption('at hand');
  const here = page.getByLabel('How much is here');
  for (const [typed, said] of [
    ['', 'How much of it is there?'],
    ['900 kg', 'more than 200 kg'],
    ['190 kg', 'more than 120 days'],
  ] as const) {
    await here.fill(typed);
    await expect(page.getByText(said)).toBeVisible();
    await expect(here).toHaveAttribute('aria-invalid', 'true');
  }
  await here.fill('4.6 lb');
  // 4.6 lb are 2086.5 g (NIST Handbook 44), all of it in the pot.
  await page.getByRole('heading', { name: 'Goat, millet & beetroot', level: 3 }).click();
  await expect(goesIn().filter({ hasText: 'goat shoulder, boned' })).toContainText('2087 g');
  await expect(row(/^days/)).toContainText('of one more: a short pack');
});

test('every figure says why', async () => {
  const whys = bindings().getByRole('button', { name: /^Why:/ });
  const count = await whys.count();
  expect(count).toBe(await bindings().getByRole('listitem').count());
  for (let index = 0; index < count; index++) {
    await whys.nth(index).click();
    await expect(page.getByRole('dialog').getByRole('term').first()).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  for (const about of [
    'Why: the rounding',
    'Why: the time at the stove',
    'Why: the scale of Goat, millet & beetroot',
  ]) {
    await page.getByRole('button', { name: about }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.press('Escape');
  }
});

test('rounded with one press to whole eggs, and undone with another', async () => {
  const eggs = goesIn().filter({ hasText: /^eggs/ });
  const exact = await eggs.locator('b').textContent();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(eggs).toContainText(/\d large/);
  const whole = Number(/(\d+) g/.exec((await eggs.locator('b').textContent())!)![1]);
  expect(whole % 50).toBe(0);
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(eggs.locator('b')).toHaveText(exact!);
});

test('another food of the same part stands in, as much as brings the same energy', async () => {
  await page.getByRole('button', { name: 'Something else instead of goat shoulder, boned' }).click();
  await page.getByLabel(/^Instead of goat shoulder/).selectOption('Game meat, deer, ground, raw');
  await expect(page.getByRole('listitem').filter({ hasText: 'Game meat, deer' }).first()).toBeVisible();
  await expect(page.getByText(/The swap changes the weight by/)).toBeVisible();
  await page.getByRole('button', { name: 'Something else instead of Game meat' }).click();
  await page.getByLabel(/^Instead of goat shoulder/).selectOption('nothing: as the recipe says');
  await expect(goesIn().filter({ hasText: 'goat shoulder, boned' })).toBeVisible();
});

test('a day with two recipes, one for the mornings and one for the evenings: kept, ticked, printed, changed, copied', async () => {
  await openPlan(page, hodman.address, '?recipe=3');
  await page.getByRole('button', { name: 'and another' }).click();
  await page.getByLabel('Recipe 2', { exact: true }).selectOption('Pollock, potato & peas');
  await page.getByLabel('Meals of recipe 1').selectOption('mornings');
  await page.getByLabel('Meals of recipe 2').selectOption('evenings');
  await expect(page.getByText('Not filled by this plan: Wren’s lunch.')).toBeVisible();
  await page.getByLabel('Meals of recipe 2').selectOption('after the morning');
  await expect(page.getByText('Not filled by this plan')).toHaveCount(0);
  await page.getByLabel('Days', { exact: true }).fill('6');
  await expect(row(/^days/)).toContainText('6 days');
  await expect(page.getByText(/^the recipe × /)).toHaveCount(2);
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page).toHaveURL(/\/plan\/\d+$/);
  const kept = page.url();

  // The list on the phone: from the freezer it says by when it is out; a tick stays over a reload.
  await visit(page, `${kept}/list`);
  await page.getByRole('button', { name: /^goat shoulder/ }).click();
  await page.getByLabel('It comes').selectOption('out of the freezer');
  await expect(page.getByText(/should be out since Tue 24 Nov 10:00/)).toBeVisible();
  // At once: a tick does not take back where it comes from.
  await page.getByRole('checkbox', { name: 'goat shoulder, boned: got it' }).check();
  await expect(page.getByText('Noted.')).toBeVisible();
  await reload(page);
  await expect(page.getByRole('checkbox', { name: 'goat shoulder, boned: got it' })).toBeChecked();

  await visit(page, `${kept}/print`);
  const paper = page.getByRole('article');
  await expect(paper).toContainText('Goat, millet & beetroot and Pollock, potato & peas');
  await expect(paper).toContainText('should be out since');
  await expect(paper.getByRole('heading', { level: 2 })).toHaveCount(4);
  const pdf = await page.pdf({ format: 'A4' });
  // One page: the PDF names each page once.
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);

  // Changed until it is cooked.
  await visit(page, kept);
  await page.getByLabel('Days', { exact: true }).fill('4');
  await startCookDay(page);
  await expect(page.getByRole('button', { name: 'All in, start cooking' })).toBeVisible();
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await expect(page.getByRole('tab', { name: '2 Cook' })).toHaveAttribute('aria-selected', 'true');
  await visit(page, kept);
  await expect(page.getByText('It is in the pot, or was')).toBeVisible();
  await expect(page.getByText(/4 days from/)).toBeVisible();
  await page.getByRole('link', { name: 'Copy it' }).click();
  await expect(page.getByLabel('Meals of recipe 1')).toHaveValue('mornings');
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('4');
});

test('volumes and cups bind where a cup of the food was weighed; else it says where to weigh one', async () => {
  await openPlan(page, hodman.address, '?recipe=1');
  await way().selectOption('amount');
  await page.getByLabel('Finished food', { exact: true }).fill('20 cups');
  // The demo weighed a cup of the venison: 240 g in 250 mL. 20 × 240 g.
  await expect(row(/^finished food/)).toContainText('4.80 kg');
  await expect(row(/^finished food/)).toContainText('about 20 cups');
  await way().selectOption('containers');
  await page.getByLabel('Containers', { exact: true }).fill('9');
  await page.getByLabel('One container holds').fill('2 cups');
  await expect(row(/^finished food/)).toContainText('4.32 kg');
  await page.getByLabel('Recipe', { exact: true }).selectOption('Goat, millet & beetroot');
  await expect(page.getByText(/Nobody has weighed a cup of Goat, millet & beetroot yet/)).toBeVisible();
  await expect(page.getByLabel('One container holds')).toHaveAttribute('aria-invalid', 'true');
});

test('what was typed stays over a reload, and is let go with one press', async () => {
  await openPlan(page, hodman.address, '?recipe=2');
  await page.getByLabel('Days', { exact: true }).fill('9');
  await reload(page);
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('9');
  await page.getByRole('button', { name: 'start over' }).click();
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('7');
  await expect(page.getByRole('button', { name: 'start over' })).toHaveCount(0);
});

test('what the store holds is taken off, and packs as sold are remembered', async () => {
  await openPlan(page, hodman.address, '?recipe=1');
  const before = await scale();
  await page.getByLabel('What is in stock').selectOption('less what the store holds');
  await expect.poll(scale).toBeLessThan(before);
  await page.getByLabel('What is in stock').selectOption('in full');
  await page
    .getByRole('region', { name: 'Pull and buy' })
    .getByRole('button', { name: /^venison, minced/ })
    .click();
  await page.getByLabel('Sold in packs of').fill('500 g');
  await page.getByRole('button', { name: 'Remember' }).click();
  await expect(
    page.getByRole('region', { name: 'Pull and buy' }).getByRole('button', { name: /^venison, minced/ }),
  ).toContainText('packs of 500 g');
});

test('a new kitchen says what it has: a pot, its loads, and what does not fit', async () => {
  await visit(page, `${hodman.address}/household`);
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await page.getByLabel('Called').fill('thimble');
  await page.getByLabel('Size').fill('3 kg');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Write it like 7 L.').first()).toBeVisible();
  await page.getByLabel('Size').fill('50 mL');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'Change thimble' })).toBeVisible();
  await openPlan(page, hodman.address, '?recipe=2');
  await page.getByRole('heading', { name: 'Pollock, potato & peas', level: 3 }).click();
  await page.getByLabel('Cooked in').selectOption('thimble');
  await expect(page.getByText(/loads of thimble\. Choose a larger one/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start cook day' })).toBeDisabled();
  await page.getByLabel('Cooked in').selectOption('pressure cooker');
  await expect(page.getByText(/^From the base:/)).toContainText('pollock fillets');
  expect(await axeFinds(page)).toEqual([]);
});
