import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { axeFinds } from './axe';
import { startHodman, stopHodman, type Hodman } from './server';
import { addDog, beginHouse, keepRecipe, visit, weighPot, writeExample } from './steps';

// A new user takes one pot to the fridge, the freezer, a dehydrator and a freeze-dryer, with machines that are simulated: what freezes in a
// day, a forgotten tare, a power cut in mid-cycle, and the same water on the label and at the bowl.
let hodman: Hodman;
let page: Page;
let sheet = '';
const clockFile = join(mkdtempSync(join(tmpdir(), 'hodman-clock-')), 'clock');
const setClock = (day: number, utc: string) => writeFileSync(clockFile, `2026-11-${day}T${utc}:00Z`);

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  setClock(25, '12:00');
  hodman = await startHodman({ now: `@${clockFile}` });
  page = await (await browser.newContext()).newPage();
});
test.afterAll(async () => {
  await page.close();
  await stopHodman(hodman);
});

const load = (name: RegExp): Locator => page.getByRole('region', { name });
const settled = (button: Locator) => expect(button).toBeEnabled();

test('a new house: two dogs, a recipe, a pot, a freezer of 60 L and a freeze-dryer', async () => {
  await beginHouse(page, hodman.address);
  await addDog(page, hodman.address, { name: 'Juniper', born: '2021-04-01', weight: '30 kg' });
  await addDog(page, hodman.address, { name: 'Otto', born: '2020-06-01', weight: '30 kg' });
  await visit(page, `${hodman.address}/recipes/new`);
  await writeExample(page);
  await keepRecipe(page, hodman.address);
  await page.goto(`${hodman.address}/household`);
  const thing = async (fields: Readonly<Record<string, string>>, kind: string) => {
    await page.getByRole('button', { name: 'Add a thing' }).click();
    await page.getByLabel('It is').selectOption(kind);
    for (const [label, text] of Object.entries(fields)) await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByRole('button', { name: 'Keep it', exact: true }).click();
    await expect(page.getByRole('button', { name: new RegExp(fields['Called']!) })).toBeVisible();
  };
  await thing({ Called: 'stockpot', Size: '20 L', 'How many': '1' }, 'pot');
  const trays = { Size: '1.4 kg', 'How many': '4', 'One tray, empty': '640 g', 'Inside of a tray': '20 x 45' };
  await thing(
    { Called: 'freeze-dryer', ...trays, 'Takes in the mean': '1000', 'Dividers in a tray': '1' },
    'freeze-dryer',
  );
  const places = page.getByRole('list', { name: 'Room for packs' });
  await places.getByRole('button', { name: /Freezer/ }).click();
  await page.getByLabel('Holds').fill('60 L');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(places.getByRole('button', { name: /Freezer.*60 L/ })).toBeVisible();
});

test('the kitchen says its machines and what a kWh costs; wrong figures are named at their fields', async () => {
  await page.goto(`${hodman.address}/household`);
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await page.getByLabel('It is').selectOption('dehydrator');
  await page.getByLabel('Called').fill('warm box');
  await page.getByLabel('Size').fill('700 g');
  await page.getByLabel('How many').fill('4');
  await page.getByLabel('Inside of a tray').fill('wide');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('The inside of one tray in cm, like 20 × 45.')).toBeVisible();
  await expect(page.getByLabel('Called')).toHaveValue('warm box');
  await page.getByLabel('Inside of a tray').fill('30 x 30');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByRole('button', { name: /warm box/ })).toBeVisible();
  await page.getByLabel('A kWh costs').fill('0.30');
  await page.getByRole('button', { name: 'Keep', exact: true }).last().click();
  await expect(page.getByText('Kept.')).toBeVisible();
});

test('before it is divided: what each fate would take, side by side', async () => {
  await weighPot(page, hodman.address, { recipe: 1, days: 6, gross: 16300, tare: 2140 });
  await page.getByText('What could become of it, side by side').click();
  await page.getByLabel('For an amount of').fill('2000');
  const fate = (name: string) => page.getByRole('region', { name, exact: true });
  await expect(fate('Freeze-dried')).toContainText('35 h');
  await expect(fate('Freeze-dried')).toContainText('35 kWh, EUR 10.50');
  await expect(fate('Freeze-dried')).toContainText('one cycle, free now');
  await expect(fate('Freezer')).toContainText('thawed the night before');
  await expect(fate('Dehydrated')).toContainText('NCHFP');
  await page.getByRole('textbox', { name: 'Eaten today' }).fill('0');
  await page.getByRole('textbox', { name: 'To dry' }).fill('2000');
  await page.getByRole('button', { name: 'one more share' }).click();
  await page.getByLabel('One more share').selectOption('dry');
  await page.getByRole('textbox', { name: 'To dry 2' }).fill('600');
  await page.getByLabel('Dry it in the').last().selectOption({ label: 'dehydrator' });
  await page.getByRole('textbox', { name: 'Fridge' }).fill('4000');
  await page.getByRole('button', { name: 'The rest to: Freezer' }).click();
  await page.getByRole('button', { name: 'Divide it so' }).click();
});

test('the freezer: how long a pack takes, and which packs wait in the fridge until which day', async () => {
  await page.getByText('How it freezes, and how much of it a day').click();
  const hours = async () => Number(/(\d+) h/.exec(await page.getByText(/Frozen through in at least/).innerText())![1]);
  const thin = await hours();
  await page.getByLabel('Thick').fill('6');
  await expect.poll(hours).toBeGreaterThan(2 * thin);
  await page.getByLabel('They lie').selectOption({ label: 'on a rack: from both sides' });
  await page.getByLabel('Thick').fill('much');
  await expect(page.getByText('Centimetres, up to 30.')).toBeVisible();
  await page.getByLabel('Thick').fill('2');
  // 60 L at 1150 g for each 28 L (NCHFP, from memory): 2464 g a day, so that 7560 g take four days.
  await expect(page.getByText('60 L freeze about 2464 g of it in a day')).toBeVisible();
  await page.getByRole('button', { name: /into the freezer now, \d+ wait in the fridge/ }).click();
  await expect(page.getByText(/fridge · into the freezer Thu 26 Nov/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Seal these/ }).click();
  // What is left of the pot is to be dried.
  await expect(load(/Load 1\. Lay 2000 g on trays/)).toBeVisible();
  sheet = page.url();
  setClock(26, '09:00');
  await page.goto(hodman.address);
  await page
    .getByRole('region', { name: 'Into the freezer' })
    .getByRole('button', { name: /in the freezer$/ })
    .click();
  await expect(
    page.getByRole('region', { name: 'Into the freezer' }).getByText(/they wait in the fridge/),
  ).toBeVisible();
  await page.goto(sheet);
});

test('the freeze-dryer: its trays by the scale’s one key, a cycle that loses its power, and its own log', async () => {
  const instruments = await page.context().newPage();
  await instruments.goto(`${hodman.address}/household/instruments`);
  await instruments.getByRole('button', { name: 'Switch them on' }).click();
  const machine = instruments.getByRole('region', { name: 'Freeze-dryer' });
  await machine.getByLabel('Trays').fill('2');
  await machine.getByLabel('One empty').fill('640');
  await machine.getByLabel('Food on each').fill('850');
  await machine.getByLabel('Of it water').fill('68');
  await machine.getByRole('button', { name: 'Load it' }).click();
  const first = load(/Load 1/);
  await page.reload();
  await first.getByLabel('Tray 1 empty').fill('640');
  await instruments
    .getByRole('region', { name: 'Freeze-dryer' })
    .getByRole('button', { name: /tray 1 onto/ })
    .click();
  // The key takes the reading that has come to rest, for the field that waits for it.
  await first.getByLabel('Tray 1 with wet food').focus();
  await expect(async () => {
    await page.keyboard.press('=');
    await expect(first.getByLabel('Tray 1 with wet food')).toHaveValue(/^14(8|9)\d$/, { timeout: 2000 });
  }).toPass();
  await first.getByLabel('Tray 1 with wet food').fill('1490');
  await first.getByRole('button', { name: 'One more tray' }).click();
  // Nobody tared the second tray: its own weight stays in both weighings.
  await first.getByLabel('Tray 2 empty').fill('0');
  await first.getByLabel('Tray 2 with wet food').fill('1140');
  await first.getByRole('button', { name: 'Keep the readings' }).click();
  await first.getByText(/Which tray lies where/).click();
  await first.getByLabel('Weighed 2 lies on tray').fill('50');
  await first.getByRole('button', { name: /^Into the freeze-dryer/ }).click();
  await expect(first.getByText('This machine has 4 trays.')).toBeVisible();
  await first.getByLabel('Weighed 2 lies on tray').fill('2');
  await first.getByRole('button', { name: /^Into the freeze-dryer/ }).click();
  await expect(page.getByRole('heading', { name: /About 35 h more in the freeze-dryer/ })).toBeVisible();
  // The power goes in mid-cycle; the machine writes nothing meanwhile.
  await machine.getByRole('button', { name: '6 h go by' }).click();
  await machine.getByRole('button', { name: 'cut its power' }).click();
  await machine.getByRole('button', { name: '6 h go by' }).click();
  await machine.getByRole('button', { name: 'give it power' }).click();
  await machine.getByRole('button', { name: '24 h go by' }).click();
  await expect(machine.getByRole('status')).toContainText('36 h by its clock');
  const download = instruments.waitForEvent('download');
  await machine.getByRole('link', { name: 'its log as CSV' }).click();
  const log = await (await download).path();
  await first.getByText('What happened to it: power, door, meter').click();
  await first.getByLabel('Log of the machine').setInputFiles({
    name: 'shopping.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('apples,pears\n1,2\n3,4'),
  });
  await expect(first.getByText(/names a column of hours or times/)).toBeVisible();
  await first.getByLabel('Log of the machine').setInputFiles(log);
  await expect(first.getByText(/silent 1 time: 6(\.\d)? h/)).toBeVisible();
  await first.getByRole('button', { name: 'Keep it, the cycle is over' }).click();
  await expect(first.getByText(/Open it and look: what are the trays like\?/)).toBeVisible();
  await first.getByLabel('After that the trays were').selectOption({ label: 'frozen still: there is ice in them' });
  await first.getByRole('button', { name: 'Keep it, the cycle is over' }).click();
  await expect(page.getByRole('heading', { name: /It is out: weigh the trays dry/ })).toBeVisible();
  await instruments.close();
});

test('a tray’s own weight left in both weighings is named with its grams, and one press takes it off', async () => {
  const first = load(/Load 1/);
  await first.getByLabel('Tray 1 with dry food').fill('910');
  await first.getByLabel('Tray 2 with dry food').fill('805');
  await first.getByRole('button', { name: 'Keep the readings' }).first().click();
  await expect(page.getByRole('heading', { name: /Tray 2 cannot be right\./ })).toBeVisible();
  await expect(
    page.getByText(/On tray 2 perhaps its own weight, about 6\d\d g, was left in both weighings/),
  ).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole('button', { name: /^Yes, take 6\d\d g off$/ }).click();
  await expect(page.getByText(/perhaps its own weight/)).toHaveCount(0);
  // What no tray holds by now is asked about, and is not lost.
  await expect(first.getByText(/of it lie on no tray/)).toBeVisible();
  await first.getByRole('button', { name: 'Eaten' }).click();
  await expect(first.getByText(/of it lie on no tray/)).toHaveCount(0);
});

test('dried on: heavier is asked about, and two weighings that agree say that it is dry', async () => {
  const first = load(/Load 1/);
  await first.getByLabel('Tray 1 now').fill('990');
  await first.getByRole('button', { name: 'That is what they weigh now' }).click();
  await expect(first.getByText(/80 g more than before/)).toBeVisible();
  for (const [one, two] of [
    ['905', '800'],
    ['904', '800'],
  ]) {
    await first.getByLabel('Tray 1 now').fill(one!);
    await first.getByLabel('Tray 2 now').fill(two!);
    await first.getByRole('button', { name: 'That is what they weigh now' }).click();
    if (one === '905') await expect(first.getByLabel('Tray 1 now')).toHaveValue('');
  }
});

test('label and bowl say the same water; which trays are in which bag is kept with it', async () => {
  // Dry by two weighings: it is bagged, by its packaging and its trays.
  await expect(page.getByRole('heading', { name: /Freeze-dried|To dry|Cupboard/ }).first()).toBeVisible();
  await page.getByLabel('Packed in').selectOption('barrier bag with absorber');
  await expect(page.getByText(/an absorber of \d+ cc/)).toBeVisible();
  await page.getByRole('button', { name: 'tray by tray' }).click();
  await page.getByRole('button', { name: /^Seal th/ }).click();
  await page.getByRole('button', { name: 'The labels' }).click();
  const label = page
    .getByRole('listitem')
    .filter({ hasText: /mL water/ })
    .first();
  await expect(label).toBeVisible();
  const [, code, grams, water] = /(V\d+) \w+ · (\d+) g \+ (\d+) mL water/.exec(
    (await label.innerText()).replace(/\s+/g, ' '),
  )!;
  await page.goto(`${hodman.address}/p/${code}`);
  await expect(page.getByText(`stir in ${water} mL of warm water, wait 10 min`)).toBeVisible();
  await visit(page, `${hodman.address}/store?pack=${code}`);
  const panel = page.getByRole('region', { name: code!, exact: true });
  await expect(panel).toContainText(`${water} mL of water to put back`);
  await expect(panel).toContainText('in a barrier bag with absorber');
  await expect(panel).toContainText(/off tray 1/);
  await expect(panel.getByRole('list', { name: 'How long it keeps' })).toContainText('best by');
  await panel.getByText('How was it?').click();
  await panel.getByRole('button', { name: 'took the water', exact: true }).click();
  await expect(panel.getByText(/took the water, /)).toBeVisible();
  // At the bowl the same: water for each gram.
  expect(Number(water) / Number(grams)).toBeGreaterThan(1);
});

test('the dehydrator: heated first by its pot, weighed as it dries, done when two weighings agree', async () => {
  await page.goto(sheet);
  // The labels were looked at last: back to what dries.
  await page.getByText(/^\d Dry$/).click();
  const second = load(/Load 2/);
  await expect(second.getByText(/Heated first: its pot was measured/)).toBeVisible();
  await second.getByLabel('It is cut as').selectOption({ label: 'crumb, spread thin' });
  await second.getByLabel('Tray 1 empty').fill('0');
  await second.getByLabel('Tray 1 with wet food').fill('600');
  await second.getByRole('button', { name: 'Keep the readings' }).click();
  await second.getByRole('button', { name: /^Into the warm box/ }).click();
  await expect(second.getByText(/Trays change places in 2 h/)).toBeVisible();
  await second.getByRole('button', { name: 'They are turned' }).click();
  for (const [utc, grams] of [
    ['10:00', 460],
    ['11:00', 370],
    ['12:00', 308],
    ['13:00', 268],
  ] as const) {
    setClock(26, utc);
    await page.reload();
    const dry = second.getByLabel('Tray 1 with dry food');
    const now = second.getByLabel('Tray 1 now');
    await expect(dry.or(now).first()).toBeVisible();
    if ((await now.count()) > 0) {
      await now.fill(String(grams));
      await second.getByRole('button', { name: 'That is what they weigh now' }).click();
      await expect(now).toHaveValue('');
    } else {
      await dry.fill(String(grams));
      await second.getByRole('button', { name: 'Keep the readings' }).first().click();
      await expect(now).toBeVisible();
    }
    await settled(second.getByRole('button', { name: 'That is what they weigh now' }));
  }
  await expect(second.getByText(/dry \d+(\.\d)? to \d+(\.\d)? h after it went in/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(over).toBe(0);
});
