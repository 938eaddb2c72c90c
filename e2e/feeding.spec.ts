import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { visit } from './steps';

// The boatyard at feeding time: one bowl alone on a phone, what was ticked, what a dog got besides, packs kept for a day, a sheet for a
// sitter, labels that are wrong, a place that is full.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
const setClock = (utc: string) => writeFileSync(clockFile, `2026-11-25T${utc}:00Z`);

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  // The boatyard has had breakfast by noon, and supper is still to come.
  setClock('12:00');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
  setClock('17:05');
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const go = (path: string) => visit(page, hodman.address + path);
const inHand = (code: string) => page.getByRole('region', { name: code, exact: true });
const axe = async () => {
  // While a page is made anew after a press its title may be away for a moment.
  await expect(page).toHaveTitle(/./);
  expect(await axeFinds(page)).toEqual([]);
};

test('one bowl alone on a phone: ticked, fed, taken back; the next dog is a press away', async () => {
  await page.setViewportSize({ width: 390, height: 844 });
  await go('/');
  await page.getByRole('link', { name: 'Juniper’s bowl alone, large' }).click();
  await expect(page.getByRole('heading', { name: 'Juniper' })).toBeVisible();
  await page.getByRole('checkbox', { name: '3 mL fish oil' }).check();
  const press = page.getByRole('button', { name: 'Fed Juniper' });
  expect((await press.boundingBox())!.height).toBeGreaterThanOrEqual(56);
  await press.click();
  await expect(page.getByText('Juniper has had supper.')).toBeVisible();
  await axe();
  await page.getByRole('link', { name: 'Now Otto' }).click();
  await expect(page.getByRole('button', { name: 'Fed Otto' })).toBeVisible();
  await go('/');
  await expect(page.getByText(/supper 18:05, .* from V11.*with 3 mL fish oil/)).toBeVisible();
  await page.getByRole('button', { name: 'Take back Juniper’s supper' }).click();
  await expect(page.getByRole('button', { name: 'Fed Juniper' })).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('what a dog got besides: refused at its field, taken off supper, said where it can hurt, and taken back', async () => {
  await go('/');
  const grams = async () =>
    Number(
      /^(\d+) g/.exec(
        await page
          .getByRole('listitem')
          .filter({ has: page.getByRole('button', { name: 'Fed Otto' }) })
          .locator('.figure')
          .first()
          .innerText(),
      )![1],
    );
  const before = await grams();
  await page.getByRole('button', { name: 'Otto got something else' }).click();
  const form = page.getByRole('form', { name: 'Otto got something else' });
  await form.getByRole('button', { name: 'It got that' }).click();
  await expect(form.getByText('What is it called?')).toBeVisible();
  await form.getByLabel('What it is called').fill('milk chocolate');
  await form.getByLabel('Counted in').selectOption({ label: 'pieces, by kcal each' });
  await form.getByLabel('How much').fill('2');
  await form.getByLabel('kcal per piece').fill('26');
  await form.getByLabel('At what time').fill('23:59');
  await form.getByRole('button', { name: 'It got that' }).click();
  await expect(form.getByText('That is still to come.')).toBeVisible();
  await form.getByLabel('At what time').fill('00:05');
  await form.getByRole('button', { name: 'It got that' }).click();
  await expect(page.getByText(/besides: .*milk chocolate, 2 pieces at 26 kcal per piece/)).toBeVisible();
  await expect(page.getByText(/theobromine.*Call your vet/)).toBeVisible();
  await expect(page.getByText('52 kcal less, for what it had besides')).toBeVisible();
  await expect(async () => expect(await grams()).toBeLessThan(before - 30)).toPass();
  await axe();
  await page.getByRole('button', { name: /^Take back .*milk chocolate/ }).click();
  await expect(page.getByText(/besides: .*milk chocolate/)).toHaveCount(0);
  await expect(async () => expect(await grams()).toBe(before)).toPass();
  // Another meal comes out of a pack, and goes back into it.
  await page.getByRole('button', { name: 'Otto got something else' }).click();
  await form.getByRole('button', { name: 'a meal' }).click();
  await form.getByRole('textbox', { name: 'It got' }).fill('40');
  await form.getByRole('button', { name: 'It got that' }).click();
  await expect(page.getByText(/besides: .*another meal/)).toBeVisible();
  await page.getByText('Meals of the last days').click();
  await page.getByRole('button', { name: 'Take back Otto’s another meal, today' }).click();
  await expect(page.getByText(/besides: .*another meal/)).toHaveCount(0);
});

test('a pack is kept for another day, by keys and by dragging, and is let go', async () => {
  await go('/store/ahead');
  const next = page.getByRole('button', { name: 'The day after' });
  await next.click();
  await next.click();
  await expect(page.getByRole('heading', { name: 'Fri 27 Nov' })).toBeVisible();
  const grip = page.getByRole('button', { name: /for Otto: left or right keeps it for another day/ }).first();
  const code = (await grip.innerText()).replace(/[^A-Z0-9]/g, '');
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Sat 28 Nov' })).toBeVisible();
  const held = page.getByRole('region', { name: 'Kept for a day' });
  await expect(held).toContainText(`${code} for Otto, Sat 28 Nov`);
  const saturday = page.getByRole('region', { name: 'Sat 28 Nov' });
  await expect(saturday.getByRole('listitem').filter({ hasText: 'Otto' })).toContainText('kept for this day');
  // The keys stay with it: another press is another day.
  await expect(page.locator(':focus')).toContainText(code);
  await axe();
  // Taken by its code, and dropped on a later day of Otto's strip.
  const again = page.getByRole('button', { name: new RegExp(`^${code} for Otto: left or right`) });
  const square = page.locator('svg rect[fill="transparent"][data-said^="Tue 1 Dec"]').nth(1);
  await square.scrollIntoViewIfNeeded();
  const [start, to] = [(await again.boundingBox())!, (await square.boundingBox())!];
  await page.mouse.move(start.x + 20, start.y + 15);
  await page.mouse.down();
  await page.mouse.move(start.x + 40, start.y - 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  // Let go when the day says that it would take it.
  await expect(square).toHaveAttribute('stroke', 'var(--carrot)');
  await page.mouse.up();
  await expect(held).toContainText(`${code} for Otto, Tue 1 Dec`);
  await held.getByRole('button', { name: new RegExp(`^Let ${code} go`) }).click();
  await expect(held).toHaveCount(0);
});

test('a sheet for a sitter: its days, what comes out of the freezer, what no dog gets; on paper', async () => {
  await go('/');
  await page.getByRole('link', { name: 'a sheet for a sitter' }).click();
  await expect(page.getByRole('heading', { name: 'Feeding the dogs' })).toBeVisible();
  await page.getByLabel('From').fill('2026-11-27');
  await page.getByLabel('To').fill('2026-11-26');
  await page.getByRole('button', { name: 'Show these days' }).click();
  await expect(page.getByText('The last day lies after the first.')).toBeVisible();
  await page.getByLabel('From').fill('2026-11-27');
  await page.getByLabel('To').fill('2026-11-29');
  await page.getByRole('button', { name: 'Show these days' }).click();
  await expect(page.getByText('Friday 27 November to Sunday 29 November')).toBeVisible();
  const friday = page.getByRole('region', { name: 'Friday 27 November' });
  await expect(friday.getByRole('row').filter({ hasText: 'Otto' })).toHaveCount(2);
  await expect(friday.getByText(/from the freezer into the fridge/)).toBeVisible();
  await expect(page.getByText(/never: /)).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeLessThanOrEqual(2);
  await axe();
});

test('two labels are swapped, and each is to be written again; a full place asks, and takes them where they fit', async () => {
  await go('/store?pack=V20');
  await inHand('V20').getByRole('button', { name: 'Its label is wrong' }).click();
  await inHand('V20').getByLabel('What is wrong on it').selectOption({ label: 'it and another pack are swapped' });
  await inHand('V20').getByLabel('The other pack’s code').fill('z9');
  await inHand('V20').getByRole('button', { name: 'They change places' }).click();
  await expect(inHand('V20').getByText('There is no pack Z9.')).toBeVisible();
  await inHand('V20').getByLabel('The other pack’s code').fill('v17');
  await inHand('V20').getByRole('button', { name: 'They change places' }).click();
  await expect(page.getByText(/V20 and V17 have changed places/)).toBeVisible();
  await go('/store?pack=V17');
  await expect(inHand('V17')).toContainText('the labels of V20 and V17 had been swapped');
  await axe();
  // The fridge is said to hold little: what goes into it now is asked about, and taken back whole where it does not fit.
  await go('/household');
  const places = page.getByRole('list', { name: 'Room for packs' });
  await places.getByRole('button', { name: /Fridge/ }).click();
  await page.getByLabel('Holds').fill('4 L');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(places.getByRole('button', { name: /Fridge.*4 L/ })).toBeVisible();
  await go('/store?pack=V20');
  await inHand('V20').getByRole('button', { name: 'To the fridge' }).click();
  await expect(inHand('V20').getByText(/The fridge is said to hold 4 L, and .*Does it fit\?/)).toBeVisible();
  await axe();
  await inHand('V20').getByRole('button', { name: 'leave it', exact: true }).click();
  await expect(inHand('V20')).toContainText('Freezer');
  await inHand('V20').getByRole('button', { name: 'To the fridge' }).click();
  await inHand('V20').getByRole('button', { name: 'It fits' }).click();
  await expect(page.getByText('V20 is in the fridge.')).toBeVisible();
});
