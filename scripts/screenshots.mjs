// Renews docs/screenshots from the demo data at a fixed noon: `node scripts/screenshots.mjs [folder] [width] [light|dark]`.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
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
/** A server on a folder of its own, once it answers. */
async function serving(script, own, ownPort) {
  const started = spawn(process.execPath, [script], {
    env: {
      ...process.env,
      PORT: String(ownPort),
      HODMAN_DATA: own,
      HODMAN_NOW: '2026-11-25T12:00:00Z',
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
const server = await serving('scripts/demo.mjs', folder, port);
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
    ['weigh-in', '/dogs/1/weigh'],
    ['ration', '/dogs/3/ration'],
    ['recipes', '/recipes'],
    ['recipe', '/recipes/1'],
    ['rotation', '/recipes/rotation'],
    ['plan', '/plan'],
    ['batches', '/batches'],
    ['run-sheet', '/batches/4'],
    ['store', '/store'],
    ['pack', '/store?pack=V20'],
    ['household', '/household'],
  ]) {
    await shoot(name, path);
  }
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
  await shoot('weigh-out');
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await page.getByLabel('With the food').fill('17480');
  await page.getByLabel('Empty (tare)').fill('2140');
  await shoot('weigh');
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await page.getByRole('button', { name: 'Divide it so' }).waitFor();
  await page.getByLabel('To dry', { exact: true }).fill('3000');
  await page.getByLabel('Freezer', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'The rest to: Fridge' }).click();
  await shoot('divide');
  await page.getByRole('button', { name: 'Divide it so' }).click();
  await page.getByLabel('Tray 1 empty').waitFor();
  await shoot('fill-and-seal');
} finally {
  await browser.close();
  server.kill('SIGKILL');
  empty.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
