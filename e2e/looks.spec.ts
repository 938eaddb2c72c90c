import { expect, test } from '@playwright/test';
import { openPlan, visit } from './steps';
import { startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
});

test.afterAll(() => stopHodman(hodman));

test('the boatyard: each dog’s day as in the handbook', async ({ page }) => {
  // Issue 2: 2.0 × RER = 1630.5, 1.2 × RER = 369.2, by growth 1174.0 kcal (NRC 2006; AAHA from memory).
  for (const [id, kcal] of [
    [1, 'Juniper eats 1631 kcal a day'],
    [2, 'Otto eats 369 kcal a day'],
    [3, 'Wren grows on 1174 kcal a day'],
  ] as const) {
    await page.goto(`${hodman.address}/dogs/${id}`);
    await expect(page.getByRole('heading', { level: 1, name: kcal })).toBeVisible();
  }
  await openPlan(page, hodman.address);
  await page.getByRole('button', { name: 'Juniper' }).click();
  await page.getByRole('button', { name: 'Otto' }).click();
  await page.getByLabel('First feeding day').fill('2026-11-25');
  await page.getByLabel('Days', { exact: true }).fill('14');
  await expect(page.getByRole('listitem').filter({ hasText: 'Wren' }).filter({ hasText: '16 899 kcal' })).toHaveCount(
    1,
  );
});

test('keys alone: to the dogs, a new dog typed, stored', async ({ page }) => {
  await visit(page, hodman.address);
  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'Who eats how much' })).toBeVisible();
  await page.getByRole('link', { name: 'Add a dog' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'A new dog' })).toBeVisible();
  await page.getByLabel('Name').focus();
  await page.keyboard.type('Fennel');
  await page.keyboard.press('Tab');
  await page.keyboard.type('04052021');
  await page.getByLabel('Weighs today').focus();
  await page.keyboard.type('9 kg');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Fennel' })).toBeVisible();
});

test('keys alone: / finds a pack by its code, ? lists the keys, both can be switched off', async ({ page }) => {
  await visit(page, hodman.address);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Batches');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // As slow as a busy machine: the pack's page comes when Find has left, and is not hidden with the page.
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  for (const code of ['V20', 'V21', 'V22']) {
    await page.goto(hodman.address);
    // Pressed before the page listens, it is not lost.
    await page.keyboard.press('/');
    await expect(page.getByLabel('A dog, a recipe, a pack’s code')).toBeFocused();
    await page.keyboard.type(code.toLowerCase());
    await page.getByRole('dialog', { name: 'Find' }).getByRole('link', { name: code }).press('Enter');
    await expect(page.getByRole('region', { name: code, exact: true })).toBeVisible();
  }
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await visit(page, `${hodman.address}/household`);
  await page.getByLabel(/Single letters go to rooms/).uncheck();
  await visit(page, hodman.address);
  await page.keyboard.press('s');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Today' })).toHaveAttribute('aria-current', 'page');
});

test('wet hands: the pot is weighed on the keypad alone, every key large enough', async ({ browser }) => {
  const page = await (
    await browser.newContext({ hasTouch: true, isMobile: true, viewport: { width: 1024, height: 768 } })
  ).newPage();
  await openPlan(page, hodman.address, '?recipe=2');
  await page.getByLabel('Days', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Start cook day' }).tap();
  await page.getByRole('button', { name: 'All in, start cooking' }).tap();
  await page.getByRole('button', { name: 'straight to the scale' }).tap();
  const keypad = page.getByRole('group', { name: 'Keypad' });
  const type = async (label: string, keys: readonly string[]) => {
    await page.getByLabel(label).tap();
    for (const key of keys) await keypad.getByRole('button', { name: key, exact: true }).tap();
  };
  await type('With the food', ['1', '8', 'point', '5', 'kilograms']);
  await type('Empty (tare)', ['2', '1', '5', 'delete', '4', '0']);
  await expect(page.getByLabel('With the food')).toHaveValue('18.5 kg');
  await expect(page.getByLabel('Empty (tare)')).toHaveValue('2140');
  await expect(page.getByText('16360 g', { exact: true })).toBeVisible();
  // Of the whole step, but for the small "why" that nobody asks with wet hands.
  const hits = page.getByRole('tabpanel').locator('button, input, select').filter({ visible: true });
  for (const hit of await hits.all()) {
    const name = (await hit.getAttribute('aria-label')) ?? (await hit.innerText());
    if (!name.startsWith('Why')) expect(`${name} ${(await hit.boundingBox())!.height >= 56}`).toBe(`${name} true`);
  }
  await page.close();
});

test('on a phone the flow stands upright, within the screen, and opens its steps', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await visit(page, `${hodman.address}/batches/4`);
  const flow = page.getByRole('img', { name: 'Flow of the batch, drawn to scale' });
  const box = (await flow.boundingBox())!;
  expect(box.x + box.width).toBeLessThanOrEqual(390);
  expect(box.height).toBeGreaterThan(box.width);
  await flow.getByText('in 3 loads').click();
  await expect(page.getByRole('tab', { name: '4 The pot' })).toHaveAttribute('aria-selected', 'true');
  await page.close();
});
