import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { startHodman, stopHodman, type Hodman } from './server';

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

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
});

test.afterAll(() => stopHodman(hodman));

for (const mode of ['light', 'dark'] as const) {
  test(`axe finds nothing, ${mode}`, async ({ browser }) => {
    test.setTimeout(300_000);
    const page = await (await browser.newContext({ colorScheme: mode, reducedMotion: 'reduce' })).newPage();
    // What the server wrote and what the browser makes of it are the same.
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    // Nothing that a room needs is refused by its policy.
    page.on('console', (said) => {
      if (/Content Security Policy/.test(said.text())) errors.push(said.text());
    });
    for (const view of VIEWS) {
      await page.goto(hodman.address + view, { waitUntil: 'networkidle' });
      expect(errors.map((each) => `${view} ${each}`)).toEqual([]);
      const { violations } = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
        .analyze();
      expect(
        violations.map((each) => `${view} ${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
      ).toEqual([]);
    }
    await page.close();
  });
}

test('on a phone nothing hangs over the edge, and every press is large enough', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 800 } });
  for (const view of VIEWS) {
    await page.goto(hodman.address + view, { waitUntil: 'networkidle' });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(`${view} ${over}`).toBe(`${view} 0`);
  }
  await page.goto(hodman.address);
  const fed = await page.getByRole('button', { name: 'Fed Juniper' }).boundingBox();
  expect(fed!.height).toBeGreaterThanOrEqual(56);
  await page.close();
});
