import { execFile } from 'node:child_process';
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { newFolder, startHodman, startRefused, stopHodman, type Hodman } from './server';

const run = promisify(execFile);
const script = (name: string, folder: string, ...args: string[]) =>
  run(process.execPath, [`scripts/${name}.mjs`, ...args], {
    env: { ...process.env, HODMAN_DATA: folder, NODE_OPTIONS: '' },
  }).then(
    ({ stdout }) => stdout,
    (error: unknown) => (error as { stderr: string }).stderr,
  );

let hodman: Hodman;

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T05:00:00Z' });
});
test.afterAll(() => stopHodman(hodman));

/** Every movement, as the file has it. */
const ledgerOf = async ({ address }: Hodman) => (await fetch(`${address}/api/stock/movements`)).text();

const feed = async (page: Page, dog: string) => {
  await page.goto(hodman.address);
  await page.getByRole('button', { name: `Fed ${dog}` }).click();
  await expect(page.getByText(`${dog} has had breakfast.`)).toBeVisible();
};

test('a backup made while feeding is restored in another folder with the same ledger', async ({ page }) => {
  const before = await ledgerOf(hodman);
  const making = script('backup', hodman.folder);
  await feed(page, 'Otto');
  const said = await making;
  expect(said).toMatch(
    /backups\/hodman-.*\.tar\.gz: Juniper, Otto, Wren · \d+ batches · \d+ packs and \d+ ingredients in stock · \d+ weigh-ins · \d+ diary entries · last written/,
  );
  const after = await ledgerOf(hodman);
  expect(after).not.toBe(before);

  const file = said.split(': ')[0]!;
  const elsewhere = newFolder();
  expect(await script('restore', elsewhere, file, '--yes')).toContain('It is there.');
  const other = await startHodman({ folder: elsewhere, now: '2026-11-25T05:00:00Z' });
  // The copy is of one moment: before Otto's breakfast, or after it.
  expect([before, after]).toContain(await ledgerOf(other));
  await stopHodman(other);
});

/** A copy is made, opened and put back by processes of their own: on a busy machine that takes its time. */
const SLOWLY = { timeout: 600_000 };

test('under Household: made now, taken home, looked into, put back; and back again', async ({ page }) => {
  await page.goto(`${hodman.address}/household`);
  const backups = page.getByRole('region', { name: 'Backups' });
  const rows = backups.getByRole('listitem');
  const count = await rows.count();
  await backups.getByRole('button', { name: 'Make one now' }).click();
  await expect(rows).toHaveCount(count + 1, SLOWLY);
  const ledger = await ledgerOf(hodman);
  const download = page.waitForEvent('download');
  await rows.first().getByRole('link', { name: 'Take home' }).click();
  expect((await download).suggestedFilename()).toMatch(/^hodman-.*\.tar\.gz$/);

  await feed(page, 'Juniper');
  const fed = await ledgerOf(hodman);
  expect(fed).not.toBe(ledger);
  await page.goto(`${hodman.address}/household`);
  const putBack = async (row: Locator) => {
    await row.getByRole('button', { name: /^Put back/ }).click();
    await expect(row.getByText(/Juniper, Otto, Wren · \d+ batches/)).toBeVisible(SLOWLY);
    await row.getByRole('button', { name: 'Put this back' }).click();
    await expect(row.getByRole('button', { name: /^Put back/ })).toBeVisible(SLOWLY);
    await expect(backups.getByText('It is back.')).toBeVisible();
  };
  const made = backups.getByRole('link', { name: 'Take home' }).first();
  const name = await made.getAttribute('href');
  const rowOf = (href: string) => rows.filter({ has: page.locator(`a[href="${href}"]`) });
  await putBack(rowOf(name!));
  expect(await ledgerOf(hodman)).toBe(ledger);
  // How it was before is the newest one now: nothing is lost by it.
  await expect(made).not.toHaveAttribute('href', name!, SLOWLY);
  await putBack(rowOf((await made.getAttribute('href'))!));
  expect(await ledgerOf(hodman)).toBe(fed);
  await page.goto(hodman.address);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('a folder that does not open says which backup could take its place, and takes it', async () => {
  const folder = newFolder();
  const first = await startHodman({ folder });
  await script('backup', folder);
  const ledger = await ledgerOf(first);
  // While it runs nothing is put in its place.
  const [name] = readdirSync(join(folder, 'backups'));
  expect(await script('restore', folder, name!, '--yes')).toContain('is open in another Hodman that is still running');
  await first.kill('SIGKILL');
  writeFileSync(join(folder, 'pg/global/pg_control'), Buffer.alloc(8192, 7));
  const { code, printed } = await startRefused(folder);
  expect(code).toBe(1);
  expect(printed).toContain(`npm run restore ${name}`);
  expect(await script('restore', folder)).toContain(name!);
  expect(await script('restore', folder, name!, '--yes')).toMatch(
    /It is there\. What was there before is kept in .*pg\.kept-/,
  );
  const again = await startHodman({ folder });
  expect(await ledgerOf(again)).toBe(ledger);
  await stopHodman(again);
});

test('everything is taken home as open data, and taken in again in another folder', async ({ page }) => {
  await page.goto(`${hodman.address}/household`);
  await page.getByRole('button', { name: 'Make one now' }).click();
  await expect(page.getByRole('button', { name: 'Make one now' })).toBeVisible(SLOWLY);
  const download = page.waitForEvent('download', SLOWLY);
  await page.getByRole('link', { name: 'as open data' }).first().click();
  const zip = await (await download).path();
  const other = newFolder();
  expect(await script('restore', other, zip, '--yes')).toMatch(/Juniper, Otto, Wren · .*It is there\./s);
  const there = await startHodman({ folder: other, now: '2026-11-25T05:00:00Z' });
  expect(await ledgerOf(there)).toBe(await ledgerOf(hodman));
  await page.goto(`${there.address}/store`);
  await expect(page.getByRole('heading', { name: /packs in store/ })).toBeVisible();
  await stopHodman(there);

  // What is no open data is refused in words, and nothing is touched.
  const broken = join(newFolder(), 'broken.zip');
  writeFileSync(broken, Buffer.concat([Buffer.from('PK'), Buffer.alloc(40)]));
  expect(await script('restore', newFolder(), broken, '--yes')).toMatch(
    /was not taken in, and nothing was changed\. This is no zip/,
  );
});
