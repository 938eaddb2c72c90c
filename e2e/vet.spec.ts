import { expect, test, type Page } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';
import { looksRight, visit } from './steps';

// What was lived: Otto's diary of today and yesterday, his two pages on the way to the printer, and what the kitchen has learned.
let hodman: Hodman;
let page: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const headline = () => page.getByRole('heading', { level: 1 });
const press = (name: string) => page.getByRole('button', { name, exact: true }).click();
/** 2 × 2 px of red. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAEElEQVR4nGP4z8AARAwQCgAf7gP9i18U1AAAAABJRU5ErkJggg==',
  'base64',
);

test('one press says a day; a word is another, and is taken back by the same press', async () => {
  await visit(page, `${hodman.address}/dogs/2`);
  await page.getByRole('link', { name: 'Diary' }).click();
  await expect(headline()).toHaveText('How was Otto today?');
  await press('All as usual');
  await expect(headline()).toHaveText('Otto today: all as usual');
  await press('runny');
  await expect(headline()).toHaveText('Otto today: stool runny');
  await press('runny');
  await expect(headline()).toHaveText('How was Otto today?');
  await expect(page.getByRole('button', { name: 'runny' })).toHaveAttribute('aria-pressed', 'false');
  await press('The rest as usual');
  await expect(headline()).toHaveText('Otto today: all as usual');
});

test('a day that was forgotten is written later; runny stool on two days asks for a vet', async () => {
  await press('runny');
  await expect(headline()).toHaveText('Otto today: stool runny');
  await page.getByRole('link', { name: 'The day before' }).click();
  await expect(headline()).toHaveText(/^Otto on Tue 24 Nov/);
  await press('runny');
  await expect(page.getByText(/^Runny stool on two days: ask your vet/)).toBeVisible();
  await looksRight(page);
});

test('words with a photograph stay in the folder, can be taken back and are there again', async () => {
  await page.getByRole('button', { name: 'In words, or with a photograph' }).click();
  await press('Note it');
  await expect(page.getByText('What is to be remembered? A word, or a photograph.')).toBeVisible();
  await page.getByLabel('In words').fill('Red under the collar.');
  const photo = page.getByLabel('Photograph', { exact: true });
  await photo.setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByText(/This picture cannot be read here/)).toBeVisible();
  await photo.setInputFiles({ name: 'neck.png', mimeType: 'image/png', buffer: PNG });
  await expect(page.getByRole('button', { name: 'without the photograph' })).toBeVisible();
  await expect(page.getByLabel('In words')).toHaveValue('Red under the collar.');
  await press('Note it');
  const picture = page.getByRole('img', { name: 'Photograph: Red under the collar.' }).first();
  await expect(picture).toBeVisible();
  const kept = await page.request.get(hodman.address + (await picture.getAttribute('src'))!);
  expect([kept.headers()['content-type'], [...(await kept.body()).subarray(0, 3)]]).toEqual([
    'image/jpeg',
    [0xff, 0xd8, 0xff],
  ]);
  await press('take back');
  await expect(picture).toHaveCount(0);
  expect((await page.request.get(kept.url())).status()).toBe(404);
  await press('put back');
  await expect(picture).toBeVisible();
  await looksRight(page);
});

test('Otto’s two pages go to the printer, with all figures as CSV; days that cannot be are said at their field', async () => {
  await visit(page, `${hodman.address}/dogs/2`);
  await page.getByRole('link', { name: 'For the vet' }).click();
  await expect(headline()).toHaveText('Two pages for Otto’s vet');
  await expect(page.getByRole('article')).toContainText('Red under the collar.');
  await looksRight(page);
  await page.getByLabel('From').fill('2026-11-20');
  await page.getByLabel('To', { exact: true }).fill('2026-11-10');
  await press('Show these days');
  await expect(page.getByText('The first day comes after the last one.')).toBeVisible();
  await expect(page.getByLabel('From')).toHaveValue('2026-11-20');
  await page.getByLabel('To', { exact: true }).fill('2026-11-25');
  await press('Show these days');
  await expect(page.getByText(/^Fri 20 Nov 2026 to Wed 25 Nov 2026, 6 days/)).toBeVisible();
  const print = page.getByRole('link', { name: 'Print two pages' });
  const pdf = await page.request.get(hodman.address + (await print.getAttribute('href'))!);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'All figures as CSV' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('otto-2026-11-20-2026-11-25.csv');
  const bad = await page.request.get(`${hodman.address}/api/vet/2?from=tomorrow`);
  expect([bad.status(), await bad.text()]).toEqual([400, 'From which day? Write it as YYYY-MM-DD.']);
});

test('what the kitchen has learned says on what it stands; a pot is struck out and counted again', async () => {
  await visit(page, `${hodman.address}/household`);
  await page.getByRole('link', { name: 'What this kitchen has learned' }).click();
  await expect(headline()).toHaveText(/^This kitchen says \d+ figures by itself$/);
  const row = page
    .getByRole('region', { name: 'Yields and vapour' })
    .getByRole('listitem')
    .filter({ hasText: 'Venison, barley & parsnip' });
  await expect(row.first()).toContainText('this kitchen’s, 2 measured');
  await row.getByRole('button', { name: /^2 measurements/ }).click();
  await row
    .getByRole('button', { name: /^strike it out/ })
    .first()
    .click();
  await expect(row.first()).toContainText('this kitchen’s, 1 measured');
  await looksRight(page);
  await row.getByRole('button', { name: /^count it again/ }).click();
  await expect(row.first()).toContainText('this kitchen’s, 2 measured');
});

test('how long a pack froze is written down twice, and is this freezer’s own from then on', async () => {
  await page.getByText('Write down how long something took to freeze').click();
  const write = page.getByRole('button', { name: 'Write it down' });
  await write.click();
  await expect(page.getByText('Centimetres, up to 30.')).toBeVisible();
  const freezing = page.getByRole('region', { name: 'Freezing, beside what is reckoned' });
  for (const [index, hours] of ['9', '11'].entries()) {
    await page.getByLabel('Thick').fill('4');
    await page.getByLabel('Frozen through after').fill(hours);
    await write.click();
    await expect(page.getByText('Written down; from the second one on it is taken.')).toBeVisible();
    await expect(freezing.getByRole('button', { name: new RegExp(`^${index + 1} measurements?`) })).toBeVisible();
  }
  await expect(freezing).toContainText('this kitchen’s, 2 measured');
  await looksRight(page);
});
