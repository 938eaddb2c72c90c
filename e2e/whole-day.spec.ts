import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { answerAsks, driveInstruments, openPlan, startCookDay } from './steps';

// The goat's whole day by the instruments: three loads under pressure, the millet in a pot of its own, liquid that is kept,
// one slip after the other, a killed server, and the pot's weight put right the next morning.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'now');
const setClock = (utc: string, day = '25') => writeFileSync(clockFile, `2026-11-${day}T${utc}:00Z`);
const clock = () => readFileSync(clockFile, 'utf8').slice(11, 16);

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setClock('08:00');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
  await openPlan(page, hodman.address, '?recipe=3');
  await page.getByLabel('Days', { exact: true }).fill('4');
  await expect(page.getByText('4 days').first()).toBeVisible();
  await startCookDay(page);
  await drive({ on: true });
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const AT_REST = { noise: 0.05, drift: 0, fault: 'none', lapse: 60 };
const drive = (body: unknown) => driveInstruments(page, hodman.address, body);
const put = (kind: 'scale' | 'probe', target: number) => drive({ kind, drive: { ...AT_REST, target, follows: 4 } });
const heading = () => page.locator('#task');
const press = (name: RegExp | string) => page.getByRole('button', { name }).first().click();
/** Another minute, and the page as it is then. */
async function at(utc: string): Promise<void> {
  setClock(utc);
  await page.reload();
}
/** "12:25" of the house's clock, an hour ahead of UTC. */
const utcOf = (local: string) => `${String(Number(local.slice(0, 2)) - 1).padStart(2, '0')}${local.slice(2)}`;

/** Does what the sheet asks for, once; gives what it was. */
async function next(): Promise<string> {
  await expect(heading()).toBeVisible();
  const said = await heading().innerText();
  if (said.startsWith('Core of')) {
    const core = page.getByRole('textbox', { name: /^Core of/ });
    await expect(page.getByRole('button', { name: /^Take it/ })).toBeEnabled();
    await core.press('=');
    await expect(core).toHaveValue(/°C$/);
    await press('That is the core');
  } else if (said.startsWith('Hands free until ')) await at(utcOf(said.slice(-5)));
  else if (said !== 'The stove is done') await press(/^(Done|It’s on|It’s off|Poured)/);
  if (said !== 'The stove is done') await expect(heading()).not.toHaveText(said);
  return said;
}

async function until(wanted: string): Promise<string[]> {
  const done: string[] = [];
  for (let turn = 0; turn < 60; turn++) {
    await expect(heading()).toBeVisible();
    const said = await heading().innerText();
    if (said === wanted) return done;
    done.push(await next());
  }
  throw new Error(`${wanted} never came: ${done.join(' | ')}`);
}

test('weighed out by the scale, with its lot; what lies on it counts', async () => {
  await expect(page.getByRole('heading', { name: 'Weigh out, then cook' })).toBeVisible();
  const field = page.getByLabel('goat shoulder, boned, grams that went in');
  // Pressed while the scale still moves, the key takes what it comes to rest on.
  await expect(page.getByRole('button', { name: /^Take it/ })).toBeVisible();
  await put('scale', 4900);
  await field.press('=');
  await expect(field).toHaveValue('4900');
  await press('note its lot or label date');
  await page.getByLabel('Lot or label date').fill('G 114');
  await press('It’s in');
  await press('All in, start cooking');
  await expect(heading()).toBeVisible();
  await page.getByRole('tab', { name: '1 Weigh out' }).click();
  await expect(page.getByText('lot G 114')).toBeVisible();
  await page.getByRole('tab', { name: '2 Cook' }).click();
});

test('two vessels side by side, each load at its own time; a core before the last addition does not count', async () => {
  await put('probe', 78);
  const done = await until('Core of goat and roots, load 1 of 3');
  expect(done.filter((said) => said.startsWith('Fill'))).toEqual(['Fill goat and roots, load 1 of 3', 'Fill millet']);
  await next();
  await expect(page.getByRole('list', { name: 'Cores' })).toContainText('✓ 78 °C');
  // More meat goes in now: what was measured is no proof of it.
  setClock(`${clock().slice(0, 3)}59`);
  await page.reload();
  await press('something else goes in');
  await press('Something more went in');
  const food = page.getByLabel('What more went in');
  await food.fill('goat');
  await page
    .getByRole('option', { name: /goat, raw/i })
    .first()
    .click();
  await page.getByLabel('It weighed').fill('200');
  await press('See what follows');
  await press('Put it right');
  await page.getByRole('tab', { name: '2 Cook' }).click();
  await expect(heading()).toHaveText('Core of goat and roots, load 1 of 3');
  await next();
});

test('killed between two loads, it goes on where it was, to the last pan', async () => {
  await until('Fill goat and roots, load 3 of 3');
  const address = new URL(page.url()).pathname;
  await hodman.kill('SIGKILL');
  hodman = await startHodman({ folder: hodman.folder, now: `@${clockFile}` });
  await drive({ on: true });
  await put('probe', 79);
  await page.goto(`${hodman.address}${address}`);
  await expect(heading()).toHaveText('Fill goat and roots, load 3 of 3');
  await until('Pour goat and roots, load 3 of 3 into pans');
  await press('Poured');
  await expect(page.getByRole('tab', { name: '3 Cool' })).toHaveAttribute('aria-selected', 'true');
});

test('every pan comes down in ice water; what is stirred in waits until all are cool', async () => {
  const pans = ['load 1 of 3', 'load 2 of 3', 'load 3 of 3', 'millet'];
  const reading = async (pan: string, celsius: string) => {
    await page.getByRole('group', { name: 'Which pan' }).getByText(pan, { exact: true }).click();
    await page.getByLabel('Core now').fill(celsius);
    await press('Take the reading');
    await expect(page.getByRole('tabpanel').getByText(`${celsius} °C`, { exact: true }).first()).toBeVisible();
  };
  for (const pan of pans) {
    await page.getByRole('group', { name: 'Which pan' }).getByText(pan, { exact: true }).click();
    const where = page.getByLabel('It stands');
    if (!(await where.isVisible())) await press('Where it stands, and how deep');
    await where.selectOption({ label: 'in ice water' });
    await expect(page.getByText('in ice water at 0 °C').first()).toBeVisible();
    await reading(pan, '30');
  }
  await expect(page.getByRole('region', { name: 'Now that it is cool' })).toContainText('rapeseed oil');
  const hour = Number(clock().slice(0, 2)) + 1;
  await at(`${String(hour).padStart(2, '0')}:30`);
  for (const pan of pans) await reading(pan, '4');
  for (const what of ['rapeseed oil', 'Boathouse mineral mix', 'Slipway fish oil']) {
    await expect(page.getByText(new RegExp(`^Stir in: ${what}`))).toBeVisible();
    await press('It’s in');
  }
  await press('On to the scale');
});

test('weighed in two vessels, liquid kept beside: the broth is a batch of its own', async () => {
  await page.getByLabel('With the food').fill('9300');
  await page.getByLabel('Empty (tare)').fill('2140');
  await press('One more vessel');
  await page.getByLabel('With the food').nth(1).fill('4865');
  await page.getByLabel('Empty (tare)').nth(1).fill('1865');
  await page.getByLabel('Liquid poured off and kept').fill('450');
  await press('That is the yield');
  await answerAsks(page);
  await expect(page.getByRole('heading', { name: 'Divide 10160 g' })).toBeVisible();
  await press('Divide it so');
  await expect(page.getByText('450 g of liquid were poured off')).toBeVisible();
  await press('Divide and pack the broth');
  await expect(page.getByRole('heading', { name: 'Broth of Goat, millet & beetroot' })).toBeVisible();
  await expect(page.getByText('estimate').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Freezer' }).fill('450');
  await press('Divide it so');
  await press('Seal this pack');
  await expect(page.getByText('Everything is sealed.')).toBeVisible();
  await page.getByRole('link', { name: 'Goat, millet & beetroot' }).click();
  await expect(page.getByRole('link', { name: 'Broth of Goat, millet & beetroot' })).toBeVisible();
});

test('the next morning a pot’s weight is put right: what follows is shown, and nothing is lost', async () => {
  setClock('06:30', '26');
  await page.reload();
  await page.getByRole('tab', { name: '4 The pot' }).click();
  await page.getByLabel('With the food').first().fill('9250');
  await press('Correct the weight');
  await expect(page.getByRole('heading', { name: 'What follows' })).toBeVisible();
  await expect(page.getByText('yield 10160 g → 10110 g')).toBeVisible();
  await press('Put it right');
  await expect(page.getByText('10.11 kg yield')).toBeVisible();
  await page.getByRole('tab', { name: '5 Divide' }).click();
  await expect(page.getByRole('heading', { name: 'Divide 10110 g' })).toBeVisible();
});

test('the next plan of it knows how long it took, and begins in the same order', async () => {
  await openPlan(page, hodman.address, '?recipe=3');
  await startCookDay(page);
  await expect(page.getByText(/In ice water, your pans come to 21 °C in /)).toBeVisible();
});
