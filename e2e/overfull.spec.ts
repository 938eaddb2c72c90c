import { expect, test, type Page } from '@playwright/test';
import { overfill } from '../bench/overfull.mjs';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { visit } from './steps';

// Fourteen dogs, three hundred packs, a recipe of forty lines: everything still fits, and still prints.
const NOW = '2026-11-25T12:00:00Z';
let hodman: Hodman;
let held: { dogs: number; packs: number; recipe: number };

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: NOW });
  await hodman.kill('SIGTERM');
  held = await overfill(hodman.folder);
  hodman = await startHodman({ folder: hodman.folder, now: NOW });
});
test.afterAll(() => stopHodman(hodman));

/** How many pages a room is on paper; a PDF names each of its pages once. */
async function pagesOf(page: Page, path: string): Promise<number> {
  await visit(page, hodman.address + path);
  const pdf = await page.pdf({ format: 'A4' });
  return pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length;
}

test('on paper: Today on one page, the store on two with every pack in it, the recipe on two', async ({ browser }) => {
  expect(held).toMatchObject({ dogs: 14, packs: 300 });
  // In the dark as well: paper is white.
  const page = await browser.newPage({ colorScheme: 'dark' });
  expect(await pagesOf(page, '/')).toBe(1);
  expect(await pagesOf(page, '/store')).toBe(2);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('main a[href^="/store?pack="]').filter({ visible: true })).toHaveCount(300);
  const ink = await page.evaluate(() => {
    const { color, backgroundColor } = getComputedStyle(document.documentElement);
    return [color, backgroundColor];
  });
  expect(ink).toEqual(['rgb(17, 17, 17)', 'rgb(255, 255, 255)']);
  expect(await pagesOf(page, `/recipes/${held.recipe}/print`)).toBeLessThanOrEqual(2);
  await page.close();
});

test('nothing hangs over the edge, at 390 px and at 1280, and axe finds nothing', async ({ browser }) => {
  const page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage();
  for (const path of [
    '/',
    '/bowl/1',
    '/sitter',
    '/dogs',
    '/store',
    '/store/ahead',
    '/store/count',
    '/plan',
    `/recipes/${held.recipe}`,
    '/recipes',
    '/batches',
  ]) {
    await page.setViewportSize({ width: 390, height: 844 });
    await visit(page, hodman.address + path);
    const over = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(`${path} ${await over()}`).toBe(`${path} 0`);
    await page.setViewportSize({ width: 1280, height: 800 });
    expect(`${path} ${await over()}`).toBe(`${path} 0`);
    expect([path, await axeFinds(page)]).toEqual([path, []]);
  }
  await page.context().close();
});

test('one press moves all that tonight needs, those behind the fold too', async ({ page }) => {
  await visit(page, hodman.address);
  const tonight = page.getByRole('region', { name: 'Tonight' });
  await tonight.getByRole('button', { name: /^and \d+ more, ticked too/ }).click();
  const ticks = await tonight.getByRole('checkbox').count();
  expect(ticks).toBeGreaterThan(6);
  const move = tonight.getByRole('button', { name: `Moved all ${ticks}` });
  await move.click();
  // Left only once it is done: another address in the same breath would take the press back.
  await expect(move).toBeHidden();
  await visit(page, `${hodman.address}/store`);
  await expect(page.getByRole('region', { name: 'Fridge' })).toContainText(`${5 + ticks} packs`);
});

test('no code is cut off in the drawing: what is left of it would be another pack’s', async ({ page }) => {
  await visit(page, `${hodman.address}/store`);
  const packs = page.getByRole('region', { name: 'Freezer' }).getByRole('listitem').getByRole('link');
  await expect(packs.first()).toBeVisible();
  const cut = await packs.evaluateAll((links) =>
    links.flatMap((link) => {
      const [box, code] = [link.getBoundingClientRect(), link.querySelector('span')!];
      const { right, width } = code.getBoundingClientRect();
      return width > 0 && right > box.right ? [code.textContent] : [];
    }),
  );
  expect(cut).toEqual([]);
});
