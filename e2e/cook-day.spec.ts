import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { driveInstruments, openPlan, startCookDay } from './steps';

// A cook day from the first root to cold pans, with each slip that is usual: every one is caught.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'now');
const setClock = (utc: string) => writeFileSync(clockFile, `2026-11-25T${utc}:00Z`);

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setClock('11:00');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
  await openPlan(page, hodman.address, '?recipe=1');
  await page.getByLabel('Days', { exact: true }).fill('8');
  await expect(page.getByText('8 days').first()).toBeVisible();
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const task = (name: string | RegExp) => page.getByRole('heading', { name, level: 2 });
const timer = () => page.getByRole('timer');
async function at(utc: string): Promise<void> {
  setClock(utc);
  await page.reload();
}

test('one task at a time, on the key alone; the timer that starts is this recipe’s', async () => {
  await expect(task('Dice the parsnips')).toBeVisible();
  await expect(page.getByRole('img', { name: /^The day: now Dice the parsnips/ })).toBeVisible();
  await page.locator('body').press(' ');
  await expect(task('Chop the kale')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(task('Fill stockpot, load 1 of 3')).toBeVisible();
  // In the order of the pot, a third of each.
  const lines = page.getByRole('list', { name: 'In this order' }).getByRole('listitem');
  await expect(lines).toHaveCount(5);
  await page.getByRole('button', { name: 'It’s on' }).click();
  await expect(timer()).toHaveText(/^(50:00|49:\d\d)$/);
  await expect(page.getByText('set for 50 min by this recipe')).toBeVisible();
  await page.getByRole('button', { name: 'Five minutes more' }).click();
  await expect(page.getByText('rings at 12:55')).toBeVisible();
  await page.getByRole('button', { name: 'Five minutes less' }).click();
  await expect(page.getByText('rings at 12:50')).toBeVisible();
});

test('killed in the middle, the sheet opens where it was and the timer rings when it would have', async () => {
  await hodman.kill('SIGKILL');
  setClock('11:20');
  hodman = await startHodman({ folder: hodman.folder, now: `@${clockFile}` });
  await page.goto(`${hodman.address}/batches`);
  await page
    .getByRole('link', { name: /Venison, barley/ })
    .first()
    .click();
  await expect(timer()).toHaveText(/^(30:00|29:\d\d)$/);
  await expect(task('Hands free until 12:50')).toBeVisible();
  await at('11:54');
  await expect(page.getByText('rang at 12:50, 4 min ago')).toBeVisible();
});

test('a core in the wrong unit is asked about; one that is too cold is kept and does not count', async () => {
  await page.getByRole('button', { name: 'It’s off' }).click();
  await expect(task('Core of stockpot, load 1 of 3')).toBeVisible();
  const core = page.getByRole('textbox', { name: 'Core of load 1 of 3' });
  await core.fill('75 °F');
  await expect(page.getByText('75 °F is 24 °C: was 75 °C meant?')).toBeVisible();
  await expect(page.getByRole('button', { name: 'That is the core' })).toBeDisabled();
  await core.fill('66');
  await page.getByRole('button', { name: 'That is the core' }).click();
  await expect(page.getByText('66 °C at 12:54: 5 °C to go.')).toBeVisible();
  await at('12:02');
  await core.fill('165');
  await page.getByRole('button', { name: 'Yes, 165 °F' }).click();
  await page.getByRole('button', { name: 'That is the core' }).click();
  await expect(page.getByRole('list', { name: 'Cores' })).toContainText('✓ 74 °C');
  // The pan is chosen before it is filled: 4 cm in ice water is in time, on the counter it is not.
  await page.getByRole('button', { name: '4 cm' }).click();
  const cools = page.getByRole('list', { name: 'How long it cools' });
  await expect(cools.getByRole('listitem').filter({ hasText: 'in ice water' })).not.toContainText('✕');
  await expect(cools.getByRole('listitem').filter({ hasText: 'on the counter' })).toContainText('✕');
  await page.getByRole('button', { name: 'Poured' }).click();
  await expect(task('Fill stockpot, load 2 of 3')).toBeVisible();
});

test('a pan left on the counter: too late is said while there is time, and what helps', async () => {
  await page.getByRole('tab', { name: '3 Cool' }).click();
  const reading = async (utc: string, celsius: string) => {
    await at(utc);
    await page.getByLabel('Core now').fill(celsius);
    await page.getByRole('button', { name: 'Take the reading' }).click();
    await expect(page.getByText(`core, ${Number(utc.slice(0, 2)) + 1}${utc.slice(2)}`)).toBeVisible();
  };
  await reading('12:05', '60');
  await reading('12:25', '53.5');
  await reading('12:45', '48');
  await expect(page.getByRole('heading', { name: /^21 °C comes .* too late\.$/ })).toBeVisible();
  // Warmer than before is asked about.
  await page.getByLabel('Core now').fill('51');
  await expect(page.getByText('warmer than at 13:45: is that so?')).toBeVisible();
  await page.getByLabel('Core now').fill('');
  await page.getByRole('button', { name: /^set it in ice water/ }).click();
  // What is pressed is done: it stands there from now on, and its timer runs.
  await expect(page.getByText('in ice water at 0 °C since 13:45')).toBeVisible();
  await expect(page.getByText(/^Measure it at/)).toBeVisible();
  await reading('12:55', '33');
  await reading('13:05', '22');
  await expect(page.getByRole('heading', { name: /^21 °C comes in time/ })).toBeVisible();
});

test('at the stove and the pans axe finds nothing; on a phone nothing hangs over, and every press is large enough', async () => {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    for (const step of ['2 Cook', '3 Cool']) {
      await page.getByRole('tab', { name: step }).click();
      await page.waitForTimeout(500);
      expect([step, await axeFinds(page, 'a whole room')]).toEqual([step, []]);
    }
  }
  await page.emulateMedia({ colorScheme: 'light' });
  const before = page.viewportSize()!;
  await page.setViewportSize({ width: 390, height: 844 });
  for (const step of ['2 Cook', '3 Cool']) {
    await page.getByRole('tab', { name: step }).click();
    await page.waitForTimeout(500);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
    const hits = page.getByRole('tabpanel').getByRole('button').filter({ visible: true });
    for (const hit of await hits.all()) {
      const box = await hit.boundingBox();
      expect(`${step} ${await hit.innerText()} ${box!.height >= 44}`).toBe(`${step} ${await hit.innerText()} true`);
    }
  }
  await page.setViewportSize(before);
});

test('two devices: what one writes the other shows, and the same task is done once', async ({ browser }) => {
  await page.getByRole('tab', { name: '2 Cook' }).click();
  const other = await browser.newPage();
  // At first the other is not told: it still shows the task when it is pressed there too.
  await other.route('**/api/changes', (route) => route.abort());
  await other.goto(page.url());
  await other.getByRole('tab', { name: '2 Cook' }).click();
  const theirs = other.getByRole('heading', { name: 'Fill stockpot, load 2 of 3', level: 2 });
  await expect(theirs).toBeVisible();
  await page.getByRole('button', { name: 'It’s on' }).click();
  await expect(timer()).toBeVisible();
  await other.getByRole('button', { name: 'It’s on' }).click();
  await expect(other.getByRole('timer')).toBeVisible();
  await expect(other.getByText(/set for 50 min/)).toBeVisible();
  await other.unroute('**/api/changes');
  await page.getByRole('button', { name: 'Five minutes more' }).click();
  await expect(other.getByText(/set for 55 min/)).toBeVisible();
  // Next's own announcer of a page's title is an alert too: on a busy machine it speaks when it is made anew.
  const alerts = page.locator('[role=alert]:not(#__next-route-announcer__)').filter({ hasText: /\w/ });
  await expect(alerts).toHaveText([]);
  await other.close();
  // In another room it is still heard of.
  const sheet = page.url();
  await page.goto(hodman.address);
  await expect(page.getByText(/stockpot, load 2 of 3/)).toBeVisible();
  await expect(page.getByText(/min to go|time is up/)).toBeVisible();
  await page.goto(sheet);
});

test('a probe’s log is read in, garbage and all; one that is none is said', async () => {
  await page.getByRole('tab', { name: '3 Cool' }).click();
  const file = page.locator('input[type=file]');
  const csv = (text: string) => ({ name: 'probe.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(csv('time,core\n12:00,hot\n'));
  await expect(page.getByText('A column of degrees beside the times.')).toBeVisible();
  // 59 °F is 15 °C.
  setClock('13:20');
  await file.setInputFiles(csv('time,core °F\n14:10,66.2\n??,\n14:18,59\n'));
  await expect(page.getByText('core, 14:18')).toBeVisible();
  await expect(page.getByText('15 °C', { exact: true })).toBeVisible();
  await page.getByRole('tab', { name: '2 Cook' }).click();
});

test('the probe is taken with one key; silent, it says so and typing goes on', async () => {
  await at('14:00');
  await page.getByRole('button', { name: 'It’s off' }).click();
  const drive = (body: unknown) => driveInstruments(page, hodman.address, body);
  const probe = { target: 76, noise: 0.05, drift: 0, fault: 'none', follows: 4, lapse: 60 };
  await drive({ on: true });
  await drive({ kind: 'probe', drive: probe });
  await page.reload();
  const core = page.getByRole('textbox', { name: 'Core of load 2 of 3' });
  await expect(page.getByRole('button', { name: /^Take it/ })).toBeEnabled();
  await core.press('=');
  await expect(core).toHaveValue(/^7[56]\.?\d? °C$/);
  await drive({ kind: 'probe', drive: { ...probe, fault: 'silent' } });
  await expect(page.getByText('The probe is silent. Type what you read.')).toBeVisible();
  await page.getByRole('button', { name: 'That is the core' }).click();
  await expect(page.getByRole('list', { name: 'Cores' }).getByText('✓ 76 °C')).toBeVisible();
  await drive({ on: false });
});

test('the tare and the calcium forgotten, a core never measured: dividing asks, and a reason marks the packs', async () => {
  await page.getByRole('button', { name: 'straight to the scale' }).click();
  await page.getByLabel('With the food').fill('30000');
  await page.getByLabel('Empty (tare)').fill('0');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await expect(page.getByText(/is more than went in/)).toBeVisible();
  await page.getByLabel('With the food').fill('21000');
  await page.getByLabel('Empty (tare)').fill('2140');
  await page.getByRole('button', { name: 'That is the yield' }).click();

  await expect(task(/^Before it is divided/)).toBeVisible();
  await page.getByRole('button', { name: 'go on without' }).click();
  await page.getByLabel('Why does it go on without a passed check?').fill('the probe is broken');
  await page.getByRole('button', { name: 'Go on, and mark its packs' }).click();
  await expect(page.getByText('Stir in: rapeseed oil')).toBeVisible();
  await page.getByRole('button', { name: 'It’s in' }).click();
  await expect(page.getByText(/^Stir in: Boathouse mineral mix/)).toBeVisible();
  await page.getByRole('button', { name: 'It’s in' }).click();
  await page.getByRole('button', { name: 'It’s in' }).click();
  // It was read the last time three quarters of an hour ago: how warm it is by now is asked as well.
  await expect(page.getByText(/^How warm is load 1 of 3 by now/)).toBeVisible();
  // So it is of the loads that went to the scale without a word of their cooling.
  for (const load of [1, 2, 3]) {
    await expect(page.getByText(`How warm is load ${load} of 3 by now?`)).toBeVisible();
    await page.getByRole('button', { name: 'I did not measure: mark its packs' }).click();
  }
  await expect(task(/^Divide/)).toBeVisible();
  await page.getByRole('button', { name: /^Divide it so/ }).click();
  await page
    .getByRole('button', { name: /^Seal / })
    .first()
    .click();
  await expect(page.getByText('heat not proven').first()).toBeVisible();
  await page.goto(`${hodman.address}/store`);
  await expect(page.getByText('heat not proven').first()).toBeAttached();
});
