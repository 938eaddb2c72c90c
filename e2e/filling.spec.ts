import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { driveInstruments, weighPot } from './steps';

// One pot packed in four ways, twenty packs of it on the simulated scale without the mouse.
let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await (await browser.newContext()).newPage();
  await weighPot(page, hodman.address, { recipe: 1, days: 8, gross: 20540, tare: 2140 });
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const packsOf = (fate: string) => page.getByRole('list', { name: `Packs for: ${fate}` });
const formOf = (fate: string) => page.getByRole('form', { name: `How it is filled: ${fate}` });
const sealedIn = (fate: string) => page.getByRole('group', { name: `Packs in: ${fate}` });
const drive = (body: unknown) => driveInstruments(page, hodman.address, body);
const lay = (target: number) =>
  drive({
    kind: 'scale',
    drive: { target, noise: 0.05, drift: 0, fault: 'none', follows: 0.3, lapse: 60 },
  });

test('one part warm, one a day for all dogs, one by volume, one as whole pieces', async () => {
  await page.getByRole('textbox', { name: 'Eaten today' }).fill('1250');
  await page.getByRole('textbox', { name: 'Fridge' }).fill('6000');
  await page.getByRole('textbox', { name: 'Freezer' }).fill('11150');
  await page.getByRole('textbox', { name: 'To dry' }).fill('0');
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await expect(page.getByText(/1250 g are eaten today, warm/)).toBeVisible();
  await formOf('Fridge').getByLabel('Packs').selectOption({ label: 'one a day, for all dogs' });
  await expect(packsOf('Fridge')).toContainText(/Juniper \d+ g \+ Otto \d+ g \+ Wren \d+ g/);
  const freezer = formOf('Freezer');
  await freezer.getByLabel('Packs').selectOption({ label: 'whole pieces' });
  await freezer.getByLabel('Ten of them weigh, cooked').fill('210');
  await freezer.getByRole('button', { name: 'Fill it so' }).click();
  await expect(packsOf('Freezer')).toContainText(/\d+ pieces/);
  await expect(page.getByText(/Whole pieces: .* kcal a day/)).toBeVisible();
  await freezer.getByLabel('Packs').selectOption({ label: 'all of one volume' });
  await freezer.getByLabel('Each holds').fill('a lot');
  await freezer.getByRole('button', { name: 'Fill it so' }).click();
  await expect(page.getByText('A volume: 500 mL, 2 cups or 1 qt.')).toBeVisible();
  await freezer.getByLabel('Each holds').fill('500 mL');
  await freezer.getByRole('button', { name: 'Fill it so' }).click();
  // A cup of 250 mL of it weighs 240 g: 500 mL are 480 g; 11150 g are 23 of them and 110 g.
  await expect(packsOf('Freezer')).toContainText('23 × anybody 480 g');
  await expect(packsOf('Freezer')).toContainText('anybody 110 g short, use first');
});

test('twenty packs on the scale: by themselves, then by one key each; a wrong one is taken back', async () => {
  await drive({ on: true });
  await page.reload();
  const fill = page.getByRole('button', { name: 'Fill them on the scale' }).nth(1);
  await fill.focus();
  await fill.press('Enter');
  await expect(page.getByText('24 packs to fill')).toBeVisible();
  await lay(0);
  await expect(page.getByText(/the scale says/)).toBeVisible();
  await page.getByText('the container is weighed as it lands').click();
  for (let pack = 1; pack <= 4; pack++) {
    await lay(31);
    await expect(page.getByText('the container weighs 31 g: fill it')).toBeVisible();
    await lay(31 + 470 + pack);
    await expect(page.getByText(`${24 - pack} packs to fill`)).toBeVisible();
    await lay(0);
    await expect(page.getByText('set an empty container on the scale')).toBeVisible();
  }
  await expect(sealedIn('Freezer').getByText(/· 47[1-4](\.\d)? g/)).toHaveCount(4);
  // Too full: it is said, and nothing counts by itself.
  await lay(31);
  await expect(page.getByText('the container weighs 31 g: fill it')).toBeVisible();
  await lay(31 + 600);
  await expect(page.getByText(/^120(\.\d)? g too much$/)).toBeVisible();
  await expect(page.getByText('20 packs to fill')).toBeVisible();
  await lay(0);
  // One key a pack, typed; the container is tared.
  await page.getByText('the tare is typed').click();
  const field = page.getByLabel('On the scale, container and food');
  for (let pack = 1; pack <= 16; pack++) {
    await field.fill(String(476 + (pack % 5)));
    await field.press('Enter');
    await expect(page.getByText(`${20 - pack} packs to fill`)).toBeVisible();
  }
  await page.getByRole('button', { name: /^take back / }).click();
  await expect(page.getByText('5 packs to fill')).toBeVisible();
  await field.fill('99000');
  await field.press('Enter');
  await expect(page.getByText(/Only .* of this share are left/)).toBeVisible();
  await field.fill('478');
  await field.press('Enter');
  await expect(page.getByText('4 packs to fill')).toBeVisible();
  await page.getByText(/^spread the .* left over$/).click();
  await expect(page.getByText('3 packs to fill')).toBeVisible();
  await drive({ on: false });
});

test('two pages at one pack: one fills it, the other is told; sealed by target says so', async ({ browser }) => {
  const other = await browser.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Fill them on the scale' }).nth(1).click();
  await other.getByLabel('On the scale, container and food').fill('480');
  await page.reload();
  await page.getByRole('button', { name: 'Fill them on the scale' }).nth(1).click();
  await page.getByLabel('On the scale, container and food').fill('481');
  await page.getByLabel('On the scale, container and food').press('Enter');
  await expect(page.getByText('3 packs to fill')).toBeVisible();
  await other.getByLabel('On the scale, container and food').press('Enter');
  await expect(other.getByText(/Another page has gone on with this batch/)).toBeVisible();
  await expect(other.getByLabel('On the scale, container and food')).toHaveValue('480');
  await other.close();
  await page.getByRole('button', { name: /^Seal .* by target$/ }).click();
  await expect(sealedIn('Freezer').getByText('by target').first()).toBeVisible();
});

test('labels: the PDF names every pack, goes on at the free place, and what its code opens is the pack', async () => {
  await page.getByRole('button', { name: 'Print them' }).click();
  const labels = page.getByRole('region', { name: 'Labels to print' });
  await labels.getByLabel('First free place').fill('99');
  await expect(labels.getByText('A whole number from 1 to 21.')).toBeVisible();
  await labels.getByLabel('First free place').fill('4');
  await labels.getByRole('button', { name: /^Look at 2\d labels$/ }).click();
  await expect(labels.getByTitle('The labels as they are printed')).toBeVisible();
  const address = await labels.getByRole('link', { name: 'open the PDF to print it' }).getAttribute('href');
  const pdf = await (await page.request.get(`${hodman.address}${address}`)).body();
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' });
  const codes = [...new Set(text.match(/\bV\d+\b/g))];
  expect(codes.length).toBeGreaterThanOrEqual(20);
  expect(text).toContain('thaw in the fridge overnight');
  const broken = await page.request.get(`${hodman.address}/api/labels?packs=1;drop&sheet=a4-21`);
  expect(broken.status()).toBe(400);
  await page.goto(`${hodman.address}/p/${codes[0]}`);
  await expect(page.getByRole('heading', { name: new RegExp(`${codes[0]}\\b`) })).toBeVisible();
});
