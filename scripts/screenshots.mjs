// Renews docs/screenshots from the demo data at a fixed noon: `node scripts/screenshots.mjs [folder] [width] [light|dark]`.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install } from './prepare.mjs';

install();
build();
const { chromium } = await import('@playwright/test');
const { default: config } = await import('../playwright.config.ts').catch(() => ({ default: undefined }));
const [target = 'docs/screenshots', width = '1280', colorScheme = 'light'] = process.argv.slice(2);
const port = 3900 + (process.pid % 90);
const address = `http://127.0.0.1:${port}`;
const folder = mkdtempSync(join(tmpdir(), 'hodman-shots-'));
mkdirSync(target, { recursive: true });
// The clock of both servers: a file, so that a cook day can go on.
const clock = join(folder, 'now');
const setClock = (utc) => writeFileSync(clock, `2026-11-25T${utc}:00Z`);
setClock('12:00');
/** A server on a folder of its own, once it answers. */
async function serving(script, own, ownPort) {
  const started = spawn(process.execPath, [script], {
    env: {
      ...process.env,
      PORT: String(ownPort),
      HODMAN_DATA: own,
      HODMAN_NOW: `@${clock}`,
      TZ: 'Europe/Oslo',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let printed = '';
  started.stdout.on('data', (data) => (printed += data));
  while (!printed.includes('Hodman is at') && started.exitCode === null)
    await new Promise((resolve) => setTimeout(resolve, 200));
  return started;
}
const server = await serving('scripts/demo.mjs', join(folder, 'boatyard'), port);
const bare = join(folder, 'bare');
const empty = await serving('scripts/start.mjs', bare, port + 100);

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: config?.use?.launchOptions?.args ?? [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
  ],
});
const page = await browser.newPage({ viewport: { width: Number(width), height: 800 }, locale: 'en-GB', colorScheme });
const shoot = async (name, path) => {
  if (path) await page.goto(address + path, { waitUntil: 'networkidle' });
  await page.screenshot({ path: join(target, `${name}.png`) });
};
try {
  for (const [name, path] of [
    ['today', '/'],
    ['dogs', '/dogs'],
    ['dog', '/dogs/2'],
    ['recipes', '/recipes'],
    ['recipe', '/recipes/1'],
    ['diary', '/dogs/2/diary'],
    ['plan', '/plan'],
    ['batches', '/batches'],
    ['run-sheet', '/batches/4'],
    ['store', '/store?pack=V20'],
    ['household', '/household'],
  ]) {
    await shoot(name, path);
  }
  // Weeks that were solved; the last of the pictures of this house that need no pot.
  await page.goto(`${address}/plan/weeks`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Say when to cook what' }).click();
  await page.getByRole('heading', { name: /cook days?, / }).waitFor({ timeout: 180_000 });
  await shoot('weeks');
  // An empty house on its way to the first bowl.
  await page.goto(`http://127.0.0.1:${port + 100}`, { waitUntil: 'networkidle' });
  await page.getByRole('radio', { name: /^grams/ }).check();
  await page.getByRole('button', { name: 'That is how we do it' }).click();
  await page.waitForURL('**/dogs/new');
  await page.getByLabel('Name').fill('Otto');
  await page.getByLabel('Born').fill('2019-03-01');
  await page.getByLabel('Weighs today').fill('7.2 kg');
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await page.getByRole('button', { name: 'I have none yet' }).click();
  await shoot('start');
  // A pollock pot is planned, cooked and weighed, so that the steps have something to show.
  await page.goto(`${address}/plan?recipe=2`, { waitUntil: 'networkidle' });
  await page.getByLabel('Days', { exact: true }).fill('4');
  const seen = page.getByLabel('Seen, and we go on');
  if ((await seen.count()) > 0) await seen.check();
  await page.getByRole('button', { name: 'Start cook day' }).click();
  await page.getByRole('button', { name: 'All in, start cooking' }).waitFor();
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  const press = async (name) => {
    await page.getByRole('button', { name }).first().click();
    await page.waitForTimeout(1000);
  };
  const at = async (utc) => {
    setClock(utc);
    await page.reload();
    await page.waitForTimeout(1200);
  };
  await press(/^Done/);
  await at('12:12');
  await press(/^It’s on/);
  await at('12:42');
  await press(/^It’s off/);
  await press(/^Done/);
  await page.getByRole('textbox', { name: /^Core of/ }).fill('76');
  await press('That is the core');
  await at('12:48');
  await press('Poured');
  await at('12:55');
  await press(/^It’s on/);
  await page.getByRole('tab', { name: /Cool$/ }).click();
  await page.waitForTimeout(500);
  for (const [utc, celsius] of [
    ['12:56', '61'],
    ['13:02', '57.4'],
    ['13:08', '54.1'],
    ['13:14', '51.2'],
  ]) {
    await at(utc);
    await page.getByLabel('Core now').fill(celsius);
    await press('Take the reading');
  }
  await press(/^set it in ice water/);
  await page.evaluate(() => window.scrollTo(0, 0));
  await shoot('cool');
  await page.getByRole('tab', { name: /Cook$/ }).click();
  await page.waitForTimeout(1000);
  await shoot('cook');
  // By then the pans are cold: 5 °C a minute after 51 °C would be asked about.
  await at('16:30');
  await page.getByRole('tab', { name: /Cook$/ }).click();
  await press('straight to the scale');
  await page.getByLabel('With the food').fill('23240');
  await page.getByLabel('Empty (tare)').fill('2140');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  for (let asked = 0; asked < 12 && (await page.getByRole('button', { name: 'Divide it so' }).count()) === 0; asked++) {
    const core = page.getByRole('textbox', { name: /^Core of/ });
    await page.waitForTimeout(1000);
    if ((await core.count()) > 0) {
      await core.fill('75');
      await press('That is the core');
    } else if ((await page.getByLabel('Core now').count()) > 0) {
      await page.getByLabel('Core now').fill('5');
      await press('Take the reading');
    } else if ((await page.getByRole('button', { name: 'It was in when it was weighed' }).count()) > 0)
      await press('It was in when it was weighed');
  }
  await page.getByRole('button', { name: 'Divide it so' }).waitFor();
  await page.getByLabel('To dry', { exact: true }).fill('3000');
  await page.getByLabel('Freezer', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'The rest to: Fridge' }).click();
  await shoot('divide');
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await page.getByRole('button', { name: /^Seal these/ }).waitFor();
  await shoot('fill-and-seal');
  await press(/^Seal these/);
  // Four trays, the third with its own weight left in both weighings.
  const own = [803, 806, 0, 809];
  const forgotten = 805;
  for (const [index, tare] of own.entries()) {
    if (index > 0) await press('One more tray');
    await page.getByLabel(`Tray ${index + 1} empty`).fill(String(tare));
    await page.getByLabel(`Tray ${index + 1} with wet food`).fill(String((tare || forgotten) + 750));
  }
  await press('Keep the readings');
  await press(/^Into the freeze-dryer/);
  setClock('22:30');
  await press('It is over: switched off');
  const band = await page.getByText(/what this pot can leave/).innerText();
  const [low, high] = band.match(/\d+/g).map(Number);
  for (const [index, tare] of own.entries())
    await page
      .getByLabel(`Tray ${index + 1} with dry food`)
      .fill(String(Math.round((tare || forgotten) + (7.5 * (low + high)) / 2 + index)));
  await press('Keep the readings');
  await page.getByRole('heading', { name: /cannot be right/ }).waitFor();
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await page.getByRole('heading', { name: /cannot be right/ }).evaluate((heading) => heading.scrollIntoView());
  await shoot('dry');
  // The power was away from the evening before until the morning.
  await page.goto(`${address}/store/power`, { waitUntil: 'networkidle' });
  await page.getByLabel('It went away').fill('2026-11-25T13:05');
  await press('The power is away');
  await page.getByLabel('It came back').fill('2026-11-25T22:25');
  await press('The power is back');
  await page.getByRole('heading', { name: /^Throw away/ }).waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await shoot('cut');
} finally {
  await browser.close();
  server.kill('SIGKILL');
  empty.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
