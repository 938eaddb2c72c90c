import { expect, test, type Page } from '@playwright/test';
import { startHodman, startRefused, stopHodman, type Hodman } from './server';
import { call, callWith } from './actions';

let hodman: Hodman;

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T05:00:00Z' });
});

test.afterAll(() => stopHodman(hodman));

test('an unknown id in the address: a plain page with status 404', async ({ page }) => {
  for (const path of [
    '/dogs/99999',
    '/recipes/0',
    '/batches/abc',
    '/batches/1e99',
    '/nowhere',
    '/dogs/99999999999999',
  ]) {
    const response = await page.goto(hodman.address + path);
    expect(`${path} ${response?.status()}`).toBe(`${path} 404`);
    await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  }
  await page.goto(`${hodman.address}/store?pack=Z99`);
  await expect(page.getByText('There is no pack Z99.')).toBeVisible();
});

/** The pack that a dog's next meal comes from. */
const codeFor = async (page: Page, dog: string) => {
  const bowl = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: `Fed ${dog}` }) });
  return /from (V\d+)/.exec((await bowl.textContent()) ?? '')![1]!;
};

test('two at the same bowl at once: one movement and one plain sentence', async ({ browser }) => {
  const kitchens = await Promise.all([browser.newContext(), browser.newContext()]);
  const pages = await Promise.all(kitchens.map((kitchen) => kitchen.newPage()));
  await Promise.all(pages.map((page) => page.goto(hodman.address)));
  const code = await codeFor(pages[0]!, 'Otto');
  await Promise.all(pages.map((page) => page.getByRole('button', { name: 'Fed Otto' }).click()));
  const said = (index: number) => pages[index]!.getByText(/Otto has had breakfast already: it was marked fed at/);
  const done = (index: number) => pages[index]!.getByText('Otto has had breakfast.', { exact: true });
  await expect(said(0).or(done(0))).toBeVisible();
  await expect(said(1).or(done(1))).toBeVisible();
  expect((await said(0).count()) + (await said(1).count())).toBe(1);
  await pages[0]!.goto(`${hodman.address}/store?pack=${code}`);
  await expect(
    pages[0]!.getByRole('region', { name: code, exact: true }).getByText(/^fed \d+ g Wed 25 Nov/),
  ).toHaveCount(1);
  await Promise.all(kitchens.map((kitchen) => kitchen.close()));
});

test('a double click is one movement', async ({ page }) => {
  await page.goto(hodman.address);
  const code = await codeFor(page, 'Juniper');
  await page.getByRole('button', { name: 'Fed Juniper' }).dblclick();
  await expect(page.getByText('Juniper has had breakfast.')).toBeVisible();
  await page.goto(`${hodman.address}/store?pack=${code}`);
  await expect(page.getByRole('region', { name: code, exact: true }).getByText(/^fed \d+ g Wed 25 Nov/)).toHaveCount(1);
});

test('a reload in mid-submit is one dog, and what was typed is still there', async ({ page }) => {
  await page.goto(`${hodman.address}/dogs/new`);
  await page.getByLabel('Name').fill('Sorrel');
  await page.getByLabel('Born').fill('2020-05-05');
  await page.getByLabel('Weighs today').fill('12 kg');
  // The answer is held back: the write is done, the page does not know.
  await page.route('**/dogs/new', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    await route.fetch();
    await route.abort();
  });
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await expect(page.getByText('Hodman did not answer')).toBeVisible();
  await page.unroute('**/dogs/new');
  await page.reload();
  await expect(page.getByLabel('Name')).toHaveValue('Sorrel');
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await expect(page.getByRole('link', { name: 'Sorrel' })).toHaveCount(1);
});

test('a second process on the same folder is refused in a sentence, and harms nothing', async ({ page }) => {
  const { code, printed } = await startRefused(hodman.folder);
  expect(code).toBe(1);
  expect(printed).toContain('is open in another Hodman that is still running');
  const response = await page.goto(`${hodman.address}/store`);
  expect(response?.status()).toBe(200);
});

test('scripts in a name are only text', async ({ page }) => {
  await page.goto(`${hodman.address}/dogs/new`);
  await page.getByLabel('Name').fill('<img src=x onerror=alert(1)>');
  await page.getByLabel('Born').fill('2020-05-05');
  await page.getByLabel('Weighs today').fill('12 kg');
  page.on('dialog', () => {
    throw new Error('a script ran');
  });
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await expect(page.getByRole('link', { name: '<img src=x onerror=alert(1)>' })).toBeVisible();
});

test('a room that cannot be loaded: the way back has what was typed, its why and its dialogs', async ({ page }) => {
  await page.goto(`${hodman.address}/dogs/new`);
  await page.getByLabel('Name').fill('Tansy');
  await expect.poll(() => page.evaluate(() => Object.keys(sessionStorage).length)).toBeGreaterThan(0);
  await page.route('**/store**', (route) => route.abort());
  await page.getByRole('link', { name: 'Store' }).click();
  await expect.poll(() => page.url()).not.toContain('/dogs/new');
  await page.unroute('**/store**');
  await page.goto(`${hodman.address}/dogs/new`);
  await expect(page.getByLabel('Name')).toHaveValue('Tansy');
  await expect(page.getByText('What you typed before is still here, not stored yet.')).toBeVisible();
  await page.getByRole('button', { name: 'start over' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('');

  await page.goto(`${hodman.address}/dogs/1`);
  await page.getByRole('button', { name: /^Why:/ }).first().click();
  await expect(page.getByRole('dialog', { name: /^Why:/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('/');
  const found = page.getByRole('dialog', { name: 'Find' });
  await found.getByLabel('A dog, a recipe, a pack’s code').fill('V20');
  await found.getByRole('link', { name: 'V20' }).press('Enter');
  await expect(page.getByRole('region', { name: 'V20', exact: true })).toBeVisible();
});

test('where the browser keeps nothing a page works without its drafts', async ({ page }) => {
  await page.addInitScript(() => {
    for (const name of ['sessionStorage', 'localStorage'])
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('blocked', 'SecurityError');
        },
      });
  });
  const broken: string[] = [];
  page.on('pageerror', (error) => broken.push(error.message));
  await page.goto(`${hodman.address}/dogs/new`);
  await page.getByLabel('Name').fill('Bramble');
  await page.getByLabel('Born').fill('2020-05-05');
  await page.getByLabel('Weighs today').fill('14 kg');
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await expect(page.getByRole('heading', { name: 'Bramble' })).toBeVisible();
  for (const path of ['/', '/plan', '/recipes/new', '/store']) await page.goto(hodman.address + path);
  expect(broken).toEqual([]);
});

test('what no form sends is refused without a stumble: depths, numbers beyond all ids', async () => {
  let deep = '1';
  for (let at = 0; at < 20_000; at++) deep = `[${deep}]`;
  const headers = { origin: hodman.address, 'content-type': 'application/json' };
  const lines = await fetch(`${hodman.address}/api/lines`, { method: 'POST', headers, body: deep });
  expect(lines.status).toBe(400);
  const file = await fetch(`${hodman.address}/api/recipes/read`, {
    method: 'POST',
    headers: { ...headers, 'content-type': 'text/plain' },
    body: deep,
  });
  expect(await file.text()).toContain('There is no recipe in this file.');
  for (const [name, input] of [
    ['feedNext', { dogId: 2 ** 31, slotId: 1, day: '2026-11-25', parts: [] }],
    ['putAway', { kind: 'recipe', id: 99_999_999_999, away: true }],
  ] as const) {
    const said = await call(hodman, '/', name, `beyond-all-${name}`, input);
    expect(said).not.toMatch(/stumbled|Internal Server Error/);
    expect(said).toMatch(/validationErrors|"ok":false/);
  }
  const said = await callWith(hodman, '/', 'saveDog', `[{"commandId":"as-deep-as-can-be","input":{"entry":${deep}}}]`);
  expect(said.status).toBeLessThan(500);
  expect(await said.text()).not.toMatch(/stumbled|Internal Server Error/);
  expect((await fetch(hodman.address)).status).toBe(200);
});
