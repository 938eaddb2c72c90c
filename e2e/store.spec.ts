import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { visit } from './steps';

// The store of the boatyard: packs found, moved, split, mixed, blocked and counted; a lot followed to the bowls; a power cut.
let hodman: Hodman;
let page: Page;
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
const setClock = (day: number, utc: string) => writeFileSync(clockFile, `2026-11-${day}T${utc}:00Z`);

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setClock(25, '12:00');
  hodman = await startHodman({ demo: true, now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const inHand = (code: string) => page.getByRole('region', { name: code, exact: true });
const take = async (code: string) => {
  await page.goto(`${hodman.address}/store?pack=${code}`);
  await expect(inHand(code)).toBeVisible();
};
const axe = async () => {
  expect(await axeFinds(page)).toEqual([]);
};

test('packs are found by what they are; several go to another place together, and come back with one press', async () => {
  await page.goto(`${hodman.address}/store`);
  await page.getByLabel('Which packs?').fill('otto venison freezer');
  await expect(page.getByText('2 packs', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'several at once' }).click();
  await page.getByRole('button', { name: 'choose them' }).click();
  await expect(page.getByRole('heading', { name: '2 packs', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'To the fridge' }).click();
  await expect(page.getByText('2 packs moved to the fridge.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('2 packs moved to the fridge.')).toBeHidden();
  await page.getByLabel('Which packs?').fill('nobody');
  await expect(page.getByText('none of them')).toBeVisible();
  await axe();
});

test('a pack is split; its part is mixed into another; blocked, it is not fed until somebody says why it may be', async () => {
  await take('V21');
  await inHand('V21').getByRole('button', { name: 'Split it', exact: true }).click();
  await inHand('V21').getByLabel('Into a new pack go').fill('5000');
  await inHand('V21').getByRole('button', { name: 'Split it so' }).click();
  await expect(inHand('V21').getByText(/something of it stays in it/)).toBeVisible();
  await inHand('V21').getByLabel('Into a new pack go').fill('400');
  await inHand('V21').getByRole('button', { name: 'Split it so' }).click();
  await expect(inHand('V25')).toContainText('400 g');
  await expect(inHand('V25')).toContainText('split: 400 g');
  await page.getByRole('button', { name: 'several at once' }).click();
  for (const code of ['V25', 'G4']) await page.getByRole('button', { name: new RegExp(`^${code},`) }).click();
  await page.getByRole('button', { name: 'Mix them into one' }).click();
  await expect(page.getByText(/They are in G22 now: write its label\./)).toBeVisible();
  await take('G22');
  await expect(inHand('G22')).toContainText(/Goat, millet & beetroot and Venison, barley & parsnip/);
  await inHand('G22').getByRole('button', { name: 'Something is wrong with it' }).click();
  await inHand('G22').getByRole('button', { name: 'Do not feed it' }).click();
  await expect(inHand('G22').getByText('Say why, in a few words.')).toBeVisible();
  await inHand('G22').getByLabel('What is it?').fill('smells odd');
  await inHand('G22').getByRole('button', { name: 'Do not feed it' }).click();
  await expect(inHand('G22').getByText('Not to be fed: smells odd.')).toBeVisible();
  await axe();
  await inHand('G22').getByLabel('What is it?').fill('it was the other tub');
  await inHand('G22').getByRole('button', { name: 'It may be fed' }).click();
  await expect(inHand('G22').getByText(/Not to be fed/)).toHaveCount(0);
});

test('counted on a phone with one thumb: the differences are said, then kept, and can be taken back', async () => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${hodman.address}/store/count`);
  await expect(page.getByRole('heading', { name: 'What is in the fridge?' })).toBeVisible();
  for (const code of ['V11', 'V12', 'V15', 'V16', 'eggs'])
    await page.getByRole('button', { name: new RegExp(`^${code}`) }).click();
  await page.getByLabel('Something else lies here').fill('Q7');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('button', { name: 'That is all there is' }).click();
  await expect(page.getByText(/V13: not there, and written off as lost\. Q7: here/)).toBeVisible();
  await page.getByRole('button', { name: 'So it is' }).click();
  await expect(page.getByText(/No pack has the code Q7/)).toBeVisible();
  // Nothing was kept half: what was ticked is still ticked.
  await page.getByRole('button', { name: 'not this one' }).click();
  await page.getByLabel('Something else lies here').fill('v17');
  await page.getByRole('button', { name: 'Add it' }).click();
  const keep = page.getByRole('button', { name: 'So it is' });
  if ((await keep.count()) === 0) await page.getByRole('button', { name: 'That is all there is' }).click();
  await keep.click();
  await expect(page.getByText('V13 not found; V17 moved here.')).toBeVisible();
  await axe();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('V13 not found; V17 moved here.')).toBeHidden();
  await expect(page.getByRole('button', { name: /^V13/ })).toBeVisible();
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(over).toBe(0);
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('a dog is ill: what it ate leads to every pack of the same pots, and what is left is blocked', async () => {
  await page.goto(`${hodman.address}/store/trace`);
  await page.getByLabel('A dog that is ill').selectOption({ label: 'Otto' });
  await page.getByLabel('What it ate in the last').selectOption('2');
  await page.getByRole('button', { name: 'Follow that' }).click();
  await expect(page.getByRole('heading', { name: /what Otto ate since/ })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /pots: .*Venison, barley & parsnip.*packs: .*who ate of it: .*Juniper/ }),
  ).toBeVisible();
  await axe();
  await page.getByLabel('Why').fill('Otto was sick after it');
  await page.getByRole('button', { name: /^Do not feed/ }).click();
  await expect(page.getByText(/packs? blocked: none is proposed or fed/)).toBeVisible();
  await page.goto(hodman.address);
  // What is blocked is not proposed: other packs are, or nothing is there.
  await page.getByRole('button', { name: 'Another pack for Otto' }).click();
  await expect(page.getByRole('dialog')).toContainText('G1');
  await expect(page.getByRole('dialog')).not.toContainText('V1');
  await page.goto(`${hodman.address}/store?pack=V12`);
  await expect(inHand('V12').getByText('Not to be fed: Otto was sick after it.')).toBeVisible();
  await page.goto(`${hodman.address}/store/trace?lot=H2`);
  await expect(page.getByText('No pot has the lot H2 written down.')).toBeVisible();
});

test('a power cut: the clock runs and says what to save first; over, each pack is judged by its rule, and carried out after a look', async () => {
  setClock(25, '20:00');
  await page.goto(`${hodman.address}/store/power`);
  await page.getByLabel('It went away').fill('2026-11-25T15:00');
  await page.getByRole('button', { name: 'The power is away' }).click();
  await expect(page.getByRole('heading', { name: 'The power has been away 6 h' })).toBeVisible();
  await expect(page.getByText(/was safe until 19:00/)).toBeVisible();
  await axe();
  await page.goto(hodman.address);
  await expect(page.getByRole('link', { name: 'The power is away' })).toBeVisible();
  await page.getByRole('link', { name: 'The power is away' }).click();
  await page.getByLabel('Read in the freezer').fill('75');
  await page.getByRole('button', { name: 'Keep it' }).last().click();
  await expect(page.getByText(/Food is between|was 75/)).toBeVisible();
  await page.getByLabel('Read in the freezer').fill('-6.2');
  await page.getByRole('button', { name: 'Keep it' }).last().click();
  await expect(page.getByText(/-6\.2 °C, 21:00/)).toBeVisible();
  await page.getByRole('button', { name: 'The power is back' }).click();
  await expect(page.getByRole('heading', { name: /^Throw away 5 packs/ })).toBeVisible();
  await expect(page.getByText(/USDA: a fridge keeps its food for 4 h/).first()).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Keep \d+ packs/ })).toBeVisible();
  await axe();
  await page.getByRole('group', { name: 'What becomes of V16' }).getByRole('button', { name: 'keep' }).click();
  // What is to be looked at has no fate before somebody has looked.
  await expect(page.getByRole('button', { name: 'Look at 1 ingredient first' })).toBeDisabled();
  await page
    .getByRole('region', { name: /^Look at each/ })
    .getByRole('button', { name: 'throw away' })
    .click();
  await page.getByRole('button', { name: 'Do all this: 4 packs and 1 ingredient away' }).click();
  await page.waitForURL(/\/store$/);
  await expect(page.getByRole('link', { name: /^V16,/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^V15,/ })).toHaveCount(0);
});

test('all of it as a table, one key away, with nothing lost', async () => {
  await visit(page, `${hodman.address}/store`);
  const packs = Number(/\d+/.exec(await page.getByRole('heading', { level: 1 }).innerText())![0]);
  await page.keyboard.press('l');
  await page.waitForURL(/\/store\/table$/);
  await expect(page.getByRole('grid')).toBeVisible();
  await expect(page.getByRole('heading', { name: `${packs} packs in store` })).toBeVisible();
});

test('a dog left half of it, and that is not eaten; another is away for some days, and nothing is thawed for it', async () => {
  setClock(26, '07:00');
  await page.goto(hodman.address);
  await page.getByRole('button', { name: /^Fed Wren/ }).click();
  await expect(page.getByText('Wren has had breakfast.')).toBeVisible();
  await page.getByRole('button', { name: 'Wren left some of breakfast' }).click();
  await page.getByRole('button', { name: 'That is what it left' }).click();
  await expect(page.getByText(/left \d+ g: thrown away/)).toBeVisible();
  await page.getByText('Meals of the last days').click();
  await page.getByRole('button', { name: 'Left nothing of Wren’s breakfast, today' }).click();
  await expect(page.getByText(/left \d+ g: thrown away/)).toHaveCount(0);
  await page.goto(`${hodman.address}/dogs/2/days`);
  await page.getByLabel('From').fill('2026-11-26');
  await page.getByLabel('To and with').fill('2026-11-20');
  await page.getByRole('button', { name: 'Keep these days' }).click();
  await expect(page.getByText('The last day lies before the first.')).toBeVisible();
  await page.getByLabel('To and with').fill('2026-11-28');
  await page.getByRole('button', { name: 'Keep these days' }).click();
  await expect(page.getByText('Otto is away, back Sun 29 Nov.')).toBeVisible();
  await axe();
  await page.goto(hodman.address);
  await expect(page.getByText('is away, back Sun 29 Nov')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Fed Otto' })).toHaveCount(0);
  await page.goto(`${hodman.address}/store/ahead`);
  await expect(page.getByRole('heading', { name: 'Thu 26 Nov' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Otto' }).last()).toContainText('fed already, or away');
  await axe();
  await page.goto(`${hodman.address}/dogs/2/days`);
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(page.getByText('Fed here today.')).toBeVisible();
});
