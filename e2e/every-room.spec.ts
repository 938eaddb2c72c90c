import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { visit } from './steps';

const VIEWS = [
  '/',
  '/bowl/2',
  '/sitter',
  '/dogs',
  '/dogs/3',
  '/dogs/new',
  '/dogs/2/ration',
  '/dogs/2/goal',
  '/dogs/3/meals',
  '/dogs/2/otherwise',
  '/dogs/1/weigh',
  '/dogs/2/avoid',
  '/dogs/1/bowl',
  '/dogs/3/life',
  '/dogs/1/rules',
  '/dogs/2/eaten',
  '/dogs/2/diary',
  '/dogs/2/vet',
  '/household/learned',
  '/dogs/2/history',
  '/recipes',
  '/recipes/1',
  '/recipes/1/print',
  '/recipes/new',
  '/recipes/rotation',
  '/recipes/supplies',
  '/recipes/supplies/1',
  '/recipes/files',
  '/plan',
  '/plan/4',
  '/plan/4/list',
  '/plan/4/print',
  '/plan/weeks',
  '/plan/buy',
  '/batches',
  '/batches/3',
  '/batches/4',
  '/store',
  '/store?pack=V20',
  '/store/ahead',
  '/store/count',
  '/store/table',
  '/store/trace?pack=V20',
  '/store/power',
  '/store/waste',
  '/store/value',
  '/store/found',
  '/store/file',
  '/dogs/1/days',
  '/household',
  '/household/begin',
  '/household/instruments',
];

let hodman: Hodman;
let page: Page;
// What the server wrote and what the browser makes of it are the same; nothing that a room needs is refused by its policy.
let errors: string[] = [];

test.beforeAll(async ({ browser }) => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
  page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage();
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (said) => {
    if (/Content Security Policy/.test(said.text())) errors.push(said.text());
  });
});

test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

for (const view of VIEWS)
  test(`${view}: axe finds nothing, by day and in the dark; on a phone nothing hangs over the edge`, async () => {
    errors = [];
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ colorScheme: 'light' });
    await visit(page, hodman.address + view);
    expect(errors).toEqual([]);
    expect(await axeFinds(page, 'a whole room')).toEqual([]);
    // In the dark only the colours are others.
    await page.emulateMedia({ colorScheme: 'dark' });
    expect(await axeFinds(page, 'colours')).toEqual([]);
    await page.setViewportSize({ width: 390, height: 800 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
    expect(errors).toEqual([]);
  });

test('on a phone the press that feeds is large', async ({ browser }) => {
  const phone = await browser.newPage({ viewport: { width: 390, height: 800 } });
  await visit(phone, hodman.address);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
  const fed = await phone.getByRole('button', { name: 'Fed Juniper' }).boundingBox();
  expect(fed!.height).toBeGreaterThanOrEqual(56);
  await phone.close();
});
