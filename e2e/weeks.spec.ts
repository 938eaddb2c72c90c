import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';

// The demo kitchen on a Wednesday: six weeks are asked for, solved, moved, taken as plans, missed, and solved again.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
const setDay = (day: string) => writeFileSync(clockFile, `${day}T11:00:00Z`);
/** Solving takes what it takes on a busy machine. */
const PATIENT = 240_000;

test.describe.configure({ mode: 'serial' });
test.beforeEach(() => test.setTimeout(PATIENT));
test.beforeAll(async ({ browser }) => {
  setDay('2026-11-25');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const weeks = () => page.goto(`${hodman.address}/plan/weeks`, { waitUntil: 'networkidle' });
const headline = () => page.getByRole('heading', { level: 1 });
const solved = () => expect(headline()).toHaveText(/\d+ cook days?, \d+ potfuls?/, { timeout: PATIENT });
const idle = () => expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0, { timeout: PATIENT });
const day = () =>
  page.getByRole('region').filter({ has: page.getByRole('heading', { name: /^(Cooked|Nothing is cooked)$/ }) });
/** The cook days, as they are read out. */
const cooks = async () =>
  (
    await page
      .getByRole('listitem')
      .filter({ hasText: /potfuls? of/ })
      .allInnerTexts()
  ).filter((text) => /^\w{3} \d/.test(text));

async function looksRight() {
  for (const width of [390, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect([width, over]).toEqual([width, 0]);
  }
  expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual(
    [],
  );
}

test('without any solving it says what happens if nothing is cooked', async () => {
  await page.goto(`${hodman.address}/plan`, { waitUntil: 'networkidle' });
  await page.getByRole('link', { name: 'Weeks ahead: when to cook what' }).click();
  await expect(headline()).toHaveText(/^If nothing is cooked, \w+ runs out after /);
  await looksRight();
});

test('what is typed wrongly is said at its field and stays; a freezer of no litres is said in words', async () => {
  await page.getByRole('button', { name: 'What is asked' }).click();
  await page.getByLabel('Wednesday').fill('all day');
  await page.getByRole('button', { name: 'Say when to cook what' }).click();
  await expect(page.getByText('Hours at the stove from ½ to 16, or nothing.')).toBeVisible();
  await expect(page.getByLabel('Wednesday')).toHaveValue('all day');
  await page.getByLabel('Wednesday').fill('4');
  await page.getByLabel('Litres of the freezer').fill('0');
  await looksRight();
  await page.getByRole('button', { name: 'Say when to cook what' }).click();
  await expect(page.getByText('The freezer may hold nothing: a potful has nowhere to go.')).toBeVisible({
    timeout: PATIENT,
  });
  await page.getByLabel('Litres of the freezer').fill('');
});

test('six weeks are solved, each cook day says why it is that one', async () => {
  await page.getByRole('button', { name: 'Say when to cook what' }).click();
  await expect(page.getByText(/^Looking for .* s of at most about \d+ s\.$/)).toBeVisible();
  await solved();
  await page.getByRole('button', { name: 'What is asked' }).click();
  await expect(
    day()
      .getByText(/^(Later|Earlier|It is the)/)
      .first(),
  ).toBeVisible();
  await looksRight();
});

test('a cook day is moved, and the rest is solved around it', async () => {
  const before = await cooks();
  expect(before.length).toBeGreaterThan(1);
  const move = page.getByRole('button', { name: /^Move to / }).last();
  const to = (await move.innerText()).replace('Move to ', '');
  await move.click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await idle();
  await expect(async () => expect((await cooks()).map((text) => text.split(':')[0])).toContain(to)).toPass({
    timeout: 20_000,
  });
  await expect(page.getByText(/^What changed: /)).toBeVisible();
});

test('stopped while it looks, what was there before stays', async () => {
  const before = await cooks();
  await page.getByRole('button', { name: 'Solve again from what is there' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await idle();
  await solved();
  expect((await cooks()).length).toBeGreaterThan(0);
  expect(before.length).toBeGreaterThan(0);
});

test('the cook days become plans, once; a missed one is not counted on, and the rest is solved again', async () => {
  await weeks();
  const first = (await cooks())[0]!;
  const take = page.getByRole('button', { name: /[Mm]ake them plans/ });
  await take.click();
  const told = page.getByText(/^\d+ plans? made or changed/);
  await expect(told).toBeVisible({ timeout: 60_000 });
  const made = page.getByRole('region', { name: 'As plans' }).getByRole('listitem').getByRole('link');
  const count = Number(/^\d+/.exec(await told.innerText())![0]);
  expect(count).toBeGreaterThan(1);
  await expect(made).toHaveCount(count);
  await take.click();
  await expect(page.getByText(`${count} plans made or changed.`)).toBeVisible({ timeout: 60_000 });
  await expect(made).toHaveCount(count);
  const [on] = first.split(':');
  await expect(made.first()).toContainText(on!);
  await page.getByRole('link', { name: 'Buy for several at once' }).click();
  await expect(headline()).toHaveText(/^To buy for \d+ pots?$/);
  await looksRight();
  const thing = page.getByRole('checkbox', { name: /got it for all$/ }).first();
  const name = (await thing.getAttribute('aria-label'))!;
  await thing.click();
  await expect(page.getByRole('checkbox', { name })).toBeChecked();
  await page.goBack();
  await made.first().click();
  await expect(page.getByRole('heading', { name: 'A kept plan' })).toBeAttached();
  // The calendar has them.
  const calendar = await (await fetch(`${hodman.address}/api/calendar/file`)).text();
  expect(calendar.match(/SUMMARY:Cook: /g)?.length).toBeGreaterThan(1);

  // That day passes and nobody cooked.
  setDay('2026-12-03');
  await weeks();
  await expect(page.getByText(/was to be cooked on .*Nothing of it is counted on/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Solve again from what is there' }).click();
  await idle();
  // Nothing was fed these days: it is a kitchen that has to begin anew, or is told what stands in its way.
  await expect(
    page
      .getByText(/^What changed: /)
      .or(page.getByText(/These limits cannot all be kept|Nothing was found/))
      .first(),
  ).toBeVisible({ timeout: PATIENT });
});
