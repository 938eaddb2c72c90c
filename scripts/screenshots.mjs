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
const server = spawn(process.execPath, ['scripts/demo.mjs'], {
  env: {
    ...process.env,
    PORT: String(port),
    HODMAN_DATA: folder,
    HODMAN_NOW: '2026-11-25T12:00:00Z',
    TZ: 'Europe/Oslo',
  },
  stdio: ['ignore', 'pipe', 'inherit'],
});
let printed = '';
server.stdout.on('data', (data) => (printed += data));
while (!printed.includes('Hodman is at') && server.exitCode === null)
  await new Promise((resolve) => setTimeout(resolve, 200));

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
    ['supply', '/recipes/supplies/2'],
    ['rotation', '/recipes/rotation'],
    ['plan', '/plan'],
    ['batches', '/batches'],
    ['run-sheet', '/batches/2'],
    ['store', '/store'],
    ['pack', '/store?pack=V7'],
    ['household', '/household'],
  ]) {
    await shoot(name, path);
  }
  // A pollock pot is planned, cooked and weighed, so that the steps have something to show.
  await page.goto(`${address}/plan?recipe=2`, { waitUntil: 'networkidle' });
  await page.getByLabel('Days', { exact: true }).fill('4');
  await page.getByLabel('Seen, and we go on').check();
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
  rmSync(folder, { recursive: true, force: true });
}
