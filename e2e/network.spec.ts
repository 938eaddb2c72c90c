import { networkInterfaces } from 'node:os';
import { expect, test, type Page } from '@playwright/test';
import { newFolder, startHodman, startRefused, stopHodman, type Hodman } from './server';

const PIN = '730158';
/** An address of this machine beside the loopback: who calls it there comes from the network. */
const outside = Object.values(networkInterfaces())
  .flatMap((all) => all ?? [])
  .find(({ internal, family }) => !internal && family === 'IPv4')?.address;

const portOf = ({ address }: Hodman) => new URL(address).port;
const sayPin = async (page: Page, pin: string) => {
  await page.getByLabel('PIN of this household').fill(pin);
  await page.getByRole('button', { name: 'Come in' }).click();
};

test('the home network: not without a PIN; with it a phone comes in, is listed, and is ended', async ({ browser }) => {
  // A machine without any network cannot show this: it fails rather than pass unseen.
  expect(outside, 'an address of this machine beside the loopback').toBeDefined();
  const folder = newFolder();
  const { code, printed } = await startRefused(folder, { host: '0.0.0.0' });
  expect([code, printed]).toEqual([1, expect.stringContaining('only with a PIN')]);
  const strange = await startRefused(folder, { host: '203.0.113.9' });
  expect([strange.code, strange.printed]).toEqual([1, expect.stringContaining('no address of this machine')]);

  const alone = await startHodman({ folder, demo: true });
  const home = await browser.newPage();
  await home.goto(`${alone.address}/household`);
  await expect(home.getByText('Only this machine opens Hodman now.')).toBeVisible();
  await home.getByLabel('The new PIN').fill('123456');
  await home.getByRole('button', { name: 'Set the PIN' }).click();
  await expect(home.getByText('That is guessed first.')).toBeVisible();
  await home.getByLabel('The new PIN').fill(PIN);
  await home.getByRole('button', { name: 'Set the PIN' }).click();
  await expect(home.getByText('The PIN holds.')).toBeVisible();
  await expect(fetch(`http://${outside}:${portOf(alone)}/`)).rejects.toThrow();
  await alone.kill('SIGTERM');

  const house = await startHodman({ folder, host: outside ?? '' });
  const there = `http://${outside}:${portOf(house)}`;
  // Nothing of the house is told to who is not in, whatever is asked.
  for (const path of ['/api/find?q=o', '/api/stock/packs', '/api/changes', '/api/calendar/file'])
    expect([path, (await fetch(there + path)).status]).toEqual([path, 401]);
  const posted = await fetch(there, {
    method: 'POST',
    headers: { origin: there, 'content-type': 'text/plain', 'x-hodman-from': 'here', 'x-forwarded-for': '127.0.0.1' },
    body: '[]',
  });
  expect(posted.status).toBe(401);
  const forged = await fetch(`${there}/dogs`, { headers: { cookie: 'hodman-door=x' }, redirect: 'manual' });
  expect([forged.status, forged.headers.get('location')]).toEqual([303, expect.stringMatching(/\/door\?to=%2Fdogs$/)]);

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage();
  await phone.goto(`${there}/dogs`);
  await sayPin(phone, '730159');
  await expect(phone.getByRole('alert')).toHaveText(/not the PIN/);
  await phone.getByLabel('What is this device called?').fill('Bo’s phone');
  await sayPin(phone, PIN);
  await expect(phone.getByRole('heading', { name: 'Who eats how much' })).toBeVisible();
  await expect(phone.getByText('keep the screen lit')).toBeVisible();
  await phone.getByRole('button', { name: 'I know' }).click();
  await phone.reload();
  await expect(phone.getByText('keep the screen lit')).toBeHidden();
  // A page of this house changes something from there too.
  const cookie = (await phone.context().cookies()).find(({ name }) => name === 'hodman-door');
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' });

  // Another one comes in by the code on the screen: once.
  await home.goto(`${house.address}/household`);
  await expect(home.getByText('keep the screen lit')).toBeHidden();
  await home.getByRole('button', { name: 'Let a phone in' }).click();
  await expect(home.getByAltText('Code that lets a phone in')).toBeVisible();
  const address = await home.getByText(/^http:.*\/door\?ticket=[\w-]+$/).textContent();
  const second = await (await browser.newContext()).newPage();
  await second.goto(String(address));
  await second.getByLabel('What is this device called?').fill('the tablet');
  await second.getByRole('button', { name: 'Come in' }).click();
  await expect(second).toHaveURL(`${there}/`);
  const third = await (await browser.newContext()).newPage();
  await third.goto(String(address));
  await third.getByRole('button', { name: 'Come in' }).click();
  await expect(third.getByRole('alert')).toHaveText(/was used/);

  // Ended under Household, the phone is at the door again; the tablet stays.
  await home.reload();
  await home.getByRole('button', { name: 'End the visit of Bo’s phone' }).click();
  await expect(home.getByText('Bo’s phone')).toBeHidden();
  await phone.goto(`${there}/dogs`);
  await expect(phone.getByLabel('PIN of this household')).toBeVisible();
  await second.reload();
  await expect(second).toHaveURL(`${there}/`);

  // Who guesses many at once is looked at a few times, and told to wait.
  const guesses = await Promise.all(
    Array.from({ length: 12 }, (_, index) =>
      fetch(`${there}/door`, {
        method: 'POST',
        headers: { origin: there, 'content-type': 'application/x-www-form-urlencoded' },
        body: `pin=1112${String(index).padStart(2, '0')}`,
      }),
    ),
  );
  const statuses = guesses.map(({ status }) => status);
  expect(statuses.filter((status) => status !== 403 && status !== 429)).toEqual([]);
  expect(statuses).toContain(429);
  await stopHodman(house);
});
