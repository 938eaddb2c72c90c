import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { visit } from './steps';

let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true });
  page = await browser.newPage();
});

test.afterAll(() => stopHodman(hodman));

const step = (name: string) => page.getByRole('tab', { name, exact: true }).click();
/** This week's venison, the newest pot of the demo. */
const POT = '/batches/4';
/** g of the yield, as the correction says them before and after. */
const yields = async () => {
  const [, from, to] = /(\d+) g → (\d+) g/.exec((await follows().textContent()) ?? '')!;
  return { from: Number(from), to: Number(to) };
};
const inKilograms = (grams: number) => `${(grams / 1000).toFixed(2)} kg yield`;
let weighed = 0;
const follows = () => page.getByRole('status').filter({ hasText: 'What follows' });

test('packs are taken back: their share opens again, and what was fed from stays', async () => {
  await visit(page, `${hodman.address}${POT}`);
  const freezer = page.getByRole('group', { name: 'Packs in: Freezer' });
  const count = await freezer.getByRole('listitem').count();
  expect(count).toBeGreaterThan(5);
  const codes = (await page.getByRole('main').innerText()).match(/\bV\d+\b/g)!;
  const last = Math.max(...codes.map((code) => Number(code.slice(1))));
  await freezer.getByRole('button', { name: `take these ${count} packs back` }).click();
  await expect(freezer.getByText('go back into “Freezer”, to be packed anew')).toBeVisible();
  await freezer.getByRole('button', { name: 'Take them back' }).click();
  const open = page.getByRole('heading', { name: /^Freezer/ });
  await expect(open).toContainText(/\d+ g/);
  const share = Number(/(\d+) g/.exec((await open.textContent()) ?? '')![1]);
  await expect(page.getByText(/\d+ packs to seal$/).first()).toBeAttached();
  // Divided otherwise: some of it goes to a second share, and the codes go on where they were.
  await step('5 Divide');
  await page.getByRole('button', { name: 'one more share' }).click();
  await page.getByLabel('One more share').selectOption('freezer');
  await page.getByLabel('Freezer 1', { exact: true }).fill('6000');
  await page.getByRole('button', { name: 'The rest to: Freezer 2' }).click();
  await expect(page.getByLabel('Freezer 2', { exact: true })).toHaveValue(String(share - 6000));
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await step('6 Pack');
  await expect(page.getByRole('button', { name: /^Seal these/ })).toHaveCount(2);
  await page
    .getByRole('button', { name: /^Seal these/ })
    .first()
    .click();
  await expect(page.getByText(`V${last + 1}`, { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Seal these/ }).click();
  await expect(page.getByText('Everything is sealed.')).toBeVisible();
});

test('the pot weighed otherwise, after packs were fed: what follows is shown, then taken', async () => {
  await step('4 The pot');
  // 305 g less in the stockpot of the demo: more than what is still warm.
  const gross = page.getByLabel('With the food').first();
  const before = Number(await gross.inputValue());
  await gross.fill(String(before - 305));
  await page.getByRole('button', { name: 'Correct the weight' }).click();
  await expect(page.getByText(/hold \d+ g more than that. Let their weights stand/)).toBeVisible();
  await page.getByRole('button', { name: 'Let the packs’ weights stand' }).click();
  await expect(follows()).toContainText('→');
  const { from, to } = await yields();
  expect(to).toBe(from - 305);
  weighed = to;
  await expect(follows()).toContainText('labels to be written again');
  await page.getByRole('button', { name: 'leave it as it was' }).click();
  await expect(follows()).toHaveCount(0);
  await page.getByRole('button', { name: 'Correct the weight' }).click();
  await page.getByRole('button', { name: 'Let the packs’ weights stand' }).click();
  await page.getByRole('button', { name: 'Put it right' }).click();
  await expect(page.getByText(inKilograms(weighed))).toBeVisible();
  await step('6 Pack');
  await expect(page.getByText(/bowls? fed from it held \d+ kcal more than was said/)).toBeVisible();
});

test('a forgotten vessel, and a line that was not that: nothing is lost, what was struck out is to be seen', async () => {
  await step('4 The pot');
  await page.getByRole('button', { name: 'One more vessel' }).click();
  await page.getByLabel('With the food').nth(2).fill('750');
  await page.getByLabel('Empty (tare)').nth(2).fill('300');
  await page.getByRole('button', { name: 'Correct the weight' }).click();
  await expect(follows()).toContainText(`${weighed} g → ${weighed + 450} g`);
  await page.getByRole('button', { name: 'Put it right' }).click();
  await expect(page.getByText(inKilograms(weighed + 450))).toBeVisible();
  await step('1 Weigh out');
  await page.getByRole('button', { name: /^Put right: parsnips/ }).click();
  const form = page.getByRole('form', { name: /parsnips.* put right/ });
  await form.getByLabel(/really was/).fill('carrots, raw');
  await page.getByRole('option', { name: 'Carrots, raw' }).first().click();
  await form.getByRole('button', { name: 'See what follows' }).click();
  await expect(follows()).toContainText('kcal/g');
  await page.getByRole('button', { name: 'Put it right' }).click();
  await expect(page.getByRole('button', { name: 'Put right: Carrots, raw' })).toBeVisible();
  await page.getByText('What was struck out').click();
  await expect(page.getByText(/the pot weighed otherwise/).first()).toBeVisible();
});

test('a second page is told what the first one did', async ({ browser }) => {
  const other = await browser.newPage();
  for (const each of [page, other]) {
    await visit(each, `${hodman.address}${POT}`);
    await each.getByRole('tab', { name: '5 Divide', exact: true }).click();
  }
  await page.getByRole('button', { name: 'The rest to: Freezer 2' }).click();
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await expect(page.getByText('pack to seal').or(page.getByText('packs to seal')).first()).toBeAttached();
  await other.getByRole('button', { name: 'The rest to: Fridge' }).click();
  await other.getByRole('button', { name: 'Divide it so' }).click();
  await expect(other.getByText(/Another page has gone on with this batch/)).toBeVisible();
  await other.close();
});

test('a meal of the last days is put right from another pack, at its own time', async () => {
  await visit(page, hodman.address);
  await page.getByText('Meals of the last days').click();
  await page.getByRole('button', { name: /^Put right Otto’s supper, Tue 24 Nov/ }).click();
  const form = page.getByRole('form', { name: 'Otto’s supper' });
  await form.getByLabel('It got').fill('120');
  await form.getByLabel('At').fill('18:20');
  await form.getByRole('button', { name: 'Put it right' }).click();
  await expect(page.getByText(/18:20 · 120 g from V\d+/)).toBeVisible();
});

test('a recipe is put away and brought back', async () => {
  await visit(page, `${hodman.address}/recipes`);
  const name = (await page.getByRole('listitem').getByRole('link').first().textContent()) ?? '';
  await page.getByRole('link', { name, exact: true }).click();
  await page.getByRole('button', { name: `Put ${name} away` }).click();
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  await expect(page.getByRole('link', { name, exact: true })).toHaveCount(0);
  await page.getByText('1 put away').click();
  await page.getByRole('button', { name: `Bring ${name} back` }).click();
  await expect(page.getByRole('link', { name, exact: true })).toBeVisible();
});
