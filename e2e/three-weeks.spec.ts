import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import Papa from 'papaparse';
import { startHodman, stopHodman, type Hodman } from './server';
import {
  addDog,
  answerAsks,
  beginHouse,
  keepRecipe,
  openPlan,
  startCookDay,
  toTheScale,
  visit,
  writeExample,
} from './steps';

// Three weeks of a new user with one dog, from the second of November on: two cook days, every meal pressed but one, a guest,
// a power cut, a recall, a stocktake. At the end the books close, read from the files that anybody can take home.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
let day = 2;
/** The household's clock is an hour ahead of UTC in November. */
const setClock = (local: string) => {
  const hour = String(Number(local.slice(0, 2)) - 1).padStart(2, '0');
  writeFileSync(clockFile, `2026-11-${String(day).padStart(2, '0')}T${hour}${local.slice(2)}:00Z`);
};

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setClock('09:00');
  hodman = await startHodman({ now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const today = () => visit(page, hodman.address);
const fed = (dog: string) => page.getByRole('button', { name: `Fed ${dog}` });

/** One meal of every dog that has one; nobody is left waiting for food. */
async function feed(local: string, dogs: readonly string[]): Promise<void> {
  setClock(local);
  await today();
  for (const dog of dogs) {
    await fed(dog).click();
    await expect(page.getByText(new RegExp(`${dog} has had `))).toBeVisible();
  }
}

/** The evening: supper, and what tomorrow needs out of the freezer. */
async function evening(dogs: readonly string[]): Promise<void> {
  await feed('18:10', dogs);
  await today();
  const moved = page.getByRole('button', { name: /^Moved/ });
  if ((await moved.count()) > 0) {
    await moved.click();
    await expect(page.getByText('Nothing needs to leave the freezer for tomorrow.')).toBeVisible();
  }
}

async function liveUntil(last: number, dogs: readonly string[] = ['Bramble']): Promise<void> {
  for (; day <= last; day++) {
    await feed('07:40', dogs);
    await evening(dogs);
  }
}

/** A cook day: planned, weighed out, straight to the scale, divided as proposed, every pack sealed. */
async function cook(days: number, yieldGrams: number): Promise<void> {
  await openPlan(page, hodman.address);
  await page.getByLabel('Days', { exact: true }).fill(String(days));
  await expect(page.getByText(`${days} days`).first()).toBeVisible();
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);
  await page.getByLabel('With the food').fill(String(yieldGrams + 1240));
  await page.getByLabel('Empty (tare)').fill('1240');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
  await page.getByRole('button', { name: 'Divide it so' }).click();
  const seal = page.getByRole('button', { name: /^Seal/ }).first();
  const done = page.getByText('Everything is sealed.');
  await expect(seal.or(done).first()).toBeVisible();
  for (let turn = 0; turn < 8 && (await done.count()) === 0; turn++) {
    const before = await page.getByRole('main').innerText();
    await seal.click();
    await expect(async () => expect(await page.getByRole('main').innerText()).not.toBe(before)).toPass();
    await expect(seal.or(done).first()).toBeVisible();
  }
  await expect(done).toBeVisible();
}

const inHand = (code: string) => page.getByRole('region', { name: code, exact: true });
const codesInStore = async (): Promise<string[]> => {
  const file = await (await page.request.get(`${hodman.address}/api/stock/packs`)).text();
  return Papa.parse<{ code: string }>(file, { header: true }).data.flatMap(({ code }) => (code ? [code] : []));
};

test('the first day: a dog, a recipe, a pot for twelve days, and supper out of it', async () => {
  await beginHouse(page, hodman.address);
  await addDog(page, hodman.address, { name: 'Bramble', born: '2022-03-01', weight: '20 kg' });
  await page.goto(`${hodman.address}/recipes/new`);
  await writeExample(page);
  await keepRecipe(page, hodman.address);
  await cook(12, 10_400);
  await today();
  await evening(['Bramble']);
  day++;
});

test('a week goes by: a treat is counted in, a supper is forgotten and marked afterwards', async () => {
  await liveUntil(4);
  await feed('07:40', ['Bramble']);
  await page.getByRole('button', { name: 'Bramble got something else' }).click();
  await page.getByLabel('What it is called').fill('liver chip');
  await page.getByLabel('How much').fill('60');
  await page.getByRole('button', { name: 'It got that' }).click();
  await expect(page.getByText(/besides: .*liver chip, 60 kcal/)).toBeVisible();
  await expect(page.getByText('60 kcal less, for what it had besides')).toBeVisible();
  // Supper is not pressed that evening.
  day++;
  await feed('07:40', ['Bramble']);
  await page.getByText('Meals of the last days').click();
  const supper = 'Bramble’s supper, Thu 5 Nov';
  await page.getByRole('button', { name: `Mark ${supper}` }).click();
  const form = page.getByRole('form', { name: 'Bramble’s supper' });
  await form.getByLabel('At').fill('18:30');
  await form.getByRole('button', { name: 'It was fed' }).click();
  await expect(page.getByRole('button', { name: `Take back ${supper}` })).toBeVisible();
  await evening(['Bramble']);
  day++;
});

test('a guest for three days eats what is for anybody, and is gone again', async () => {
  await feed('07:40', ['Bramble']);
  await addDog(page, hodman.address, { name: 'Moss', born: '2020-05-05', weight: '10 kg' });
  await today();
  await page.getByRole('link', { name: 'Dogs' }).click();
  await page.getByRole('link', { name: 'Moss' }).first().click();
  await page.waitForURL(/\/dogs\/\d+$/);
  await page.goto(`${page.url()}/days`);
  await page.getByLabel('Moss …').selectOption({ value: 'guest' });
  await page.getByLabel('From').fill('2026-11-08');
  await page.getByLabel('To and with').fill('2026-11-10');
  await page.getByRole('button', { name: 'Keep these days' }).click();
  await expect(page.getByText(/comes Sun 8 Nov/)).toBeVisible();
  // Two packs were Bramble's; now they are for anybody.
  for (const code of (await codesInStore()).slice(-3)) {
    await visit(page, `${hodman.address}/store?pack=${code}`);
    await inHand(code).getByRole('button', { name: 'Its label is wrong' }).click();
    await inHand(code).getByRole('button', { name: 'It is for anybody' }).click();
    await expect(page.getByText(`${code} is for anybody now: write its label again.`)).toBeVisible();
  }
  await evening(['Bramble']);
  day++;
  await liveUntil(10, ['Bramble', 'Moss']);
  setClock('07:00');
  await today();
  await expect(page.getByText('is gone again')).toBeVisible();
});

test('a second pot; the power is away for three hours, and all of it stays', async () => {
  await feed('07:40', ['Bramble']);
  setClock('09:00');
  await cook(12, 10_400);
  setClock('18:00');
  await page.goto(`${hodman.address}/store/power`);
  await page.getByLabel('It went away').fill('2026-11-11T15:00');
  await page.getByRole('button', { name: 'The power is away' }).click();
  await expect(page.getByRole('heading', { name: 'The power has been away 3 h' })).toBeVisible();
  await page.getByRole('button', { name: 'The power is back' }).click();
  await page.getByRole('button', { name: 'All of it stays' }).click();
  await page.waitForURL(/\/store$/);
  await evening(['Bramble']);
  day++;
  await liveUntil(14);
});

test('a recall: what the dog ate leads to its pots; blocked, it is not fed; unblocked with a reason, it is', async () => {
  await feed('07:40', ['Bramble']);
  await page.goto(`${hodman.address}/store/trace`);
  await page.getByRole('button', { name: 'Follow that' }).click();
  await page.getByLabel('Why').fill('the shop calls back its barley');
  await page.getByRole('button', { name: /^Do not feed/ }).click();
  await expect(page.getByText(/packs? blocked: none is proposed or fed/)).toBeVisible();
  await today();
  await expect(fed('Bramble')).toHaveCount(0);
  await visit(page, `${hodman.address}/store`);
  await page.getByRole('button', { name: 'several at once' }).click();
  await page.getByLabel('Which packs?').fill('blocked');
  await page.getByRole('button', { name: /^choose (it|them)$/ }).click();
  await page.getByLabel('Why').fill('another lot was meant');
  await page.getByRole('button', { name: /may be fed/ }).click();
  await expect(page.getByText(/may be fed again\./)).toBeVisible();
  await evening(['Bramble']);
  day++;
  await liveUntil(17);
});

test('stock is taken: one pack is nowhere, and is written off', async () => {
  await feed('07:40', ['Bramble']);
  await visit(page, `${hodman.address}/store/count`);
  await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: /^Freezer/ })
    .click();
  await expect(page.getByRole('heading', { name: 'What is in the freezer?' })).toBeVisible();
  const packs = page.getByRole('main').locator('[aria-pressed]');
  const count = await packs.count();
  expect(count).toBeGreaterThan(2);
  const missing = (await packs.nth(count - 1).innerText()).split(/\s/)[0]!;
  for (let index = 0; index < count - 1; index++) await packs.nth(index).click();
  await page.getByRole('button', { name: 'That is all there is' }).click();
  await page.getByRole('button', { name: 'So it is' }).click();
  await expect(page.getByText(`${missing} not found.`)).toBeVisible();
  expect(await codesInStore()).not.toContain(missing);
  await evening(['Bramble']);
  day++;
  await liveUntil(22);
});

test('after three weeks the books close: what was cooked was eaten, lost, or is there, to the tenth of a gram', async () => {
  const read = async (what: string) =>
    Papa.parse<Record<string, string>>(
      (await (await page.request.get(`${hodman.address}/api/stock/${what}`)).text()).trim(),
      { header: true },
    ).data;
  const [legs, packs] = [await read('movements'), await read('packs')];
  // Tenths of a gram, so that sums are whole numbers.
  const tenths = (row: Record<string, string>) => Math.round(Number(row.grams) * 10);
  const sumBy = (rows: readonly Record<string, string>[], key: string) => {
    const sums = new Map<string, number>();
    for (const row of rows) sums.set(row[key]!, (sums.get(row[key]!) ?? 0) + tenths(row));
    return sums;
  };
  for (const [movement, sum] of sumBy(legs, 'movement')) expect([movement, sum]).toEqual([movement, 0]);
  const byPack = sumBy(
    legs.filter((row) => row.pack !== ''),
    'pack',
  );
  const there = sumBy(packs, 'code');
  for (const [code, sum] of byPack) expect([code, sum]).toEqual([code, there.get(code) ?? 0]);
  const byAccount = sumBy(
    legs.filter((row) => row.pack === ''),
    'where',
  );
  const inStore = [...there.values()].reduce((sum, each) => sum + each, 0);
  expect(-byAccount.get('cooked')!).toBe(byAccount.get('eaten')! + byAccount.get('lost')! + inStore);
  // 21 days of two meals and a guest's three, whatever was taken back and done anew.
  expect(legs.filter(({ kind, where }) => kind === 'fed' && where === 'eaten').length).toBeGreaterThanOrEqual(40);
  expect(byAccount.get('thrown') ?? 0).toBe(0);
});
