import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { answerAsks, openPlan, paste, startCookDay, toTheScale, visit } from './steps';

// What is kept apart comes together in boxes for each dog and day; raw boxes are built of what was weighed out.
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

/** The g that a sentence begins with. */
const gramsIn = (text: string) => Number(/^[\d\s.]+/.exec(text)![0].replace(/\D/g, ''));
/** axe finds nothing, and nothing hangs over the edge of a phone. */
async function looksRight(name: string) {
  expect([name, await axeFinds(page)]).toEqual([name, []]);
  const size = page.viewportSize()!;
  await page.setViewportSize({ width: 390, height: 844 });
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect([name, over]).toEqual([name, 0]);
  await page.setViewportSize(size);
}

test('goat and millet are weighed by themselves; each dog’s day says the grams of both', async () => {
  await openPlan(page, hodman.address, '?recipe=3');
  await page.getByLabel('Days', { exact: true }).fill('4');
  await expect(page.getByText('4 days').first()).toBeVisible();
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);
  await page.getByRole('button', { name: 'each kept apart' }).click();
  for (const part of ['goat and roots', 'millet']) {
    await expect(page.getByRole('heading', { name: `Weigh ${part}` })).toBeVisible();
    const went = gramsIn(await page.getByText(/went in\. The yield lies/).innerText());
    await page.getByLabel('With the food').fill(String(Math.round(went * 0.85) + 1000));
    await page.getByLabel('Empty (tare)').fill('1000');
    await page.getByRole('button', { name: 'That is the yield' }).click();
  }
  await answerAsks(page);
  const portions = page.getByRole('region', { name: 'Each dog, each day' });
  await expect(portions).toContainText(/Juniper \d+ g a day: \d+ g goat and roots \+ \d+ g millet/);
  // Every dog the same of one: what is more than a whole day is said at its field.
  const plating = page.getByRole('form', { name: 'How they are plated' });
  await plating.getByLabel('Each dog’s day is made of').selectOption({ label: 'every dog the same of one' });
  await plating.getByLabel('The same of').selectOption({ label: 'millet' });
  await plating.getByLabel('Each dog, a day').fill('3000');
  await plating.getByRole('button', { name: 'Plate it so' }).click();
  await expect(plating).toContainText(/more than Otto’s whole day/);
  await plating.getByLabel('Each dog, a day').fill('60');
  await plating.getByRole('button', { name: 'Plate it so' }).click();
  await expect(portions.getByText(/\+ 60 g millet/)).toHaveCount(3);
  // A guest eats along: the pot lasts shorter.
  await page.getByText('With guests').click();
  await page.getByLabel('A guest who weighs').fill('25');
  await expect(page.getByText(/With them it lasts/)).toBeVisible();
  await looksRight('divide');
});

test('a box for each dog and day, without the mouse; each holds both parts', async () => {
  await page.getByRole('button', { name: 'All of it to the freezer' }).click();
  await page.getByRole('button', { name: 'A box for each dog and day' }).click();
  const title = page.getByRole('heading', { name: /^\d+ boxes to build$/ });
  await expect(title).toBeVisible();
  const count = Number(/\d+/.exec(await title.innerText())![0]);
  await page.getByLabel('On the scale, the box taken off').focus();
  for (const part of ['goat and roots', 'millet'])
    for (let box = 1; box <= count; box++) {
      await expect(page.getByText(new RegExp(`^${part} into box ${box},`))).toBeVisible();
      await page.keyboard.press('Enter');
    }
  await expect(page.getByText(`${count} of them full`)).toBeVisible();
  await looksRight('boxes');
  await page.getByRole('button', { name: `Close the ${count} full boxes` }).click();
  const sealed = page.getByRole('group', { name: /^Packs in: goat and roots/ });
  await expect(sealed.getByRole('listitem')).toHaveCount(count);
  await expect(sealed.getByRole('listitem').first()).toContainText(/\d+ g goat and roots \+ (59|60) g millet/);
});

test('what is never cooked goes raw into boxes: what fills them is said, rows are ticked, and the label says so', async () => {
  await visit(page, `${hodman.address}/recipes/new`);
  await paste(page, ['3 kg ground beef, 85 % lean', '200 g beef liver', '1200 g chicken wings, bone in']);
  await page.getByLabel('Name of the recipe').fill('Raw beef and wings');
  for (const line of [1, 2, 3]) {
    const read = page.getByRole('button', { name: new RegExp(`^Change line ${line}:`) });
    await expect(read).toBeVisible();
    await read.click();
    await page.getByRole('button', { name: `More about line ${line}` }).click();
    const more = page.getByRole('group', { name: `More about line ${line}` });
    await more.getByLabel('Goes in').selectOption({ label: 'raw: it is never cooked' });
  }
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith('/recipes/new'));
  await openPlan(page, hodman.address, '?recipe=4');
  await page.getByLabel('Days', { exact: true }).fill('3');
  await expect(page.getByText('3 days').first()).toBeVisible();
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await page.getByRole('button', { name: 'uncooked, into boxes' }).click();
  await page.getByRole('button', { name: 'All of it to the freezer' }).click();
  const form = page.getByRole('form', { name: 'Boxes to build' });
  await form.getByLabel('How many boxes').fill('8');
  await expect(form.getByRole('status')).toContainText(/kcal a box · bone \d+ %, organs \d+ %/);
  // 420 and 30 are the 450 already.
  await form.getByLabel('A box is to hold').fill('450 g');
  await form.getByLabel('ground beef, 85 % lean in a box').fill('420 g');
  await form.getByLabel('beef liver in a box').fill('30 g');
  await expect(form.getByText('already are the 450 g: nothing is left for chicken wings, bone in.')).toBeVisible();
  await form.getByLabel('ground beef, 85 % lean in a box').fill('300 g');
  await form.getByRole('button', { name: 'Lay them out' }).click();
  await expect(page.getByRole('heading', { name: '8 boxes to build' })).toBeVisible();
  for (let row = 0; row < 3; row++) {
    await page.getByRole('button', { name: 'It is in all 8' }).click();
    await expect(
      page.getByRole('img', { name: `What lies in the boxes: ${(row + 1) * 8} of 24 portions` }),
    ).toBeVisible();
  }
  // One is taken out again, and weighed.
  await page.getByRole('button', { name: 'ground beef, 85 % lean in all of them' }).click();
  await page.getByRole('button', { name: /in box 3: 300 g$/ }).click();
  await page.getByLabel('On the scale, the box taken off').fill('305');
  await page.keyboard.press('Enter');
  await expect(page.getByText('8 of them full')).toBeVisible();
  await page.getByRole('button', { name: 'Close the 8 full boxes' }).click();
  const sealed = page.getByRole('group', { name: /^Packs in: ground beef/ });
  await expect(sealed.getByRole('listitem')).toHaveCount(8);
  await page.getByText('Print them').click();
  await looksRight('labels');
  await page.getByRole('button', { name: 'by hand, with a marker' }).click();
  const byHand = page.getByRole('list', { name: 'To write by hand' }).getByRole('listitem');
  await expect(byHand).toHaveCount(8);
  await expect(byHand.nth(2)).toContainText(/^R3anybody 455 gbest by .*raw$/);
  await page.getByRole('button', { name: 'printed' }).click();
  const href = await page.getByRole('link', { name: 'open the PDF to print it' }).getAttribute('href');
  const pdf = await page.request.get(`${hodman.address}${href!}`);
  const text = execFileSync('pdftotext', ['-', '-'], { input: await pdf.body() }).toString();
  expect(text).toContain('R3');
  expect(text).toContain('raw');
});

test('a code that is typed, or read by a phone, opens the pack large; one that is unknown says so', async () => {
  await page.goto(`${hodman.address}/p/r3`);
  await expect(page.getByRole('heading', { level: 1, name: 'R3' })).toBeVisible();
  await expect(page.getByText('First thaw it in the fridge overnight.')).toBeVisible();
  await expect(
    page.getByRole('link', { name: /300 g ground beef, 85 % lean|305 g ground beef, 85 % lean/ }),
  ).toBeVisible();
  await looksRight('pack, large');
  await page.getByRole('button', { name: 'To the fridge' }).click();
  await expect(page.getByText(/feed by .*, fridge/)).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('r4');
  await expect(page.getByRole('dialog', { name: 'Find' }).getByRole('link', { name: 'R4' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'R4' })).toBeVisible();
  await page.goto(`${hodman.address}/p/Z99`);
  await expect(page.getByText('No pack has this code.')).toBeVisible();
});
