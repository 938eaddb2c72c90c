import { expect, type Locator, type Page } from '@playwright/test';
import { axeFinds } from './axe';

/** The page has taken over what was typed and pressed before its code came: from now on leaving it loses nothing. */
export const listens = (page: Page) => page.waitForFunction(() => window.hodmanEarly?.done);

/** Goes to a page and waits until it listens: what is done before that has a file of its own (slow.spec). */
export async function visit(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await listens(page);
}

/** Loads a page anew, and waits until it listens. */
export async function reload(page: Page): Promise<void> {
  await page.reload();
  await listens(page);
}

/** A line of a recipe's sheet, read or open. */
export const lineOf = (page: Page, line: number) => page.locator(`[data-line="${line - 1}"]`);

/** A line stands to be read until it is pressed; gives its amount once it is open. */
export async function amountOf(page: Page, line: number): Promise<Locator> {
  const amount = page.getByLabel(`Amount of line ${line}`, { exact: true });
  const read = page.getByRole('button', { name: new RegExp(`^Change line ${line}:`) });
  await expect(amount.or(read)).toBeVisible();
  if ((await read.count()) > 0) await read.click();
  await expect(amount).toBeVisible();
  return amount;
}

export async function foodOf(page: Page, line: number): Promise<Locator> {
  await amountOf(page, line);
  return page.getByLabel(`Food of line ${line}`, { exact: true });
}

/** The sheet of a new recipe without a line yet, past the page of a notebook. */
export const lineByLine = (page: Page) => page.getByRole('button', { name: 'line by line' }).click();

/** Pastes lines as a cook does, and has them read. */
export async function paste(page: Page, lines: readonly string[]): Promise<void> {
  await page.getByLabel('Your recipe, line by line').fill(lines.join('\n'));
  await page.getByRole('button', { name: `Read ${lines.length} lines` }).click();
}

/** The three questions of an empty house, answered as this test's house would. */
export async function beginHouse(page: Page, address: string, measures = 'grams, and cups of 250 mL'): Promise<void> {
  await visit(page, address);
  await page.getByText(measures).click();
  await page.getByRole('button', { name: 'That is how we do it' }).click();
  await page.waitForURL(/\/dogs\/new$/);
}

/** Keeps a new recipe, and looks at the list of them: a house that is being set up is led on elsewhere. */
export async function keepRecipe(page: Page, address: string): Promise<void> {
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith('/recipes/new'));
  await visit(page, `${address}/recipes`);
}

/** Finds a food while typing and takes the best match. */
export async function chooseFood(page: Page, line: number, query: string, name: string): Promise<void> {
  const field = await foodOf(page, line);
  await field.click();
  await field.fill(query);
  await page.getByRole('option', { name }).first().click();
}

export async function addDog(
  page: Page,
  address: string,
  dog: { name: string; born: string; weight: string },
): Promise<void> {
  await page.goto(`${address}/dogs/new`);
  await page.getByLabel('Name').fill(dog.name);
  await page.getByLabel('Born').fill(dog.born);
  await page.getByLabel('Weighs today').fill(dog.weight);
  await page.getByRole('button', { name: 'Add this dog' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith('/dogs/new'));
}

/** The six lines of the worked example of issue 2, as a cook types them. */
export const EXAMPLE_LINES = [
  { amount: '1000 g', query: 'venison', food: 'Game meat, deer, ground, raw' },
  { amount: '300 g', query: 'pearl barley', food: 'Barley, pearled, raw' },
  { amount: '400 g', query: 'parsnip', food: 'Parsnips, raw' },
  { amount: '100 g', query: 'kale', food: 'Kale, raw' },
  { amount: '15 g', query: 'canola oil', food: 'Oil, canola' },
  { amount: '800 ml', query: 'tap water', food: 'Water, tap, drinking' },
] as const;

export async function writeExample(page: Page): Promise<void> {
  await lineByLine(page);
  await page.getByLabel('Name of the recipe').fill('Venison, barley & parsnip');
  for (const [index, line] of EXAMPLE_LINES.entries()) {
    const number = index + 1;
    if (index > 0) await page.getByRole('button', { name: 'One more line' }).click();
    await (await amountOf(page, number)).fill(line.amount);
    await chooseFood(page, number, line.query, line.food);
  }
}

/** Opens the plan's room with nothing typed: what was typed there before in this tab is let go. */
export async function openPlan(page: Page, address: string, query = ''): Promise<void> {
  await visit(page, `${address}/plan${query}`);
  const typedBefore = await page.evaluate(() => {
    const kept = Object.keys(sessionStorage).filter((key) => key.startsWith('hodman-draft-plan'));
    kept.forEach((key) => sessionStorage.removeItem(key));
    return kept.length > 0;
  });
  if (typedBefore) await reload(page);
}

/** Starts cooking; what must have been seen first (calcium for a pup, a caution) is ticked. */
export async function startCookDay(page: Page): Promise<void> {
  const start = page.getByRole('button', { name: 'Start cook day' });
  const seen = page.getByLabel('Seen, and we go on');
  // What must be seen may come a moment after the figures.
  await expect(async () => {
    if ((await seen.count()) > 0 && !(await seen.isChecked())) await seen.check();
    await expect(start).toBeEnabled({ timeout: 1000 });
  }).toPass();
  await start.click();
}

/** From the stove to the scale, as a cook does who needs no timers. */
export const toTheScale = (page: Page) => page.getByRole('button', { name: 'straight to the scale' }).click();

/** What is asked before a pot is divided: each core is hot enough, and what is stirred in was in when it was weighed. */
export async function answerAsks(page: Page): Promise<void> {
  const asks = page.getByRole('region', { name: /^Before it is divided/ });
  const divide = page.getByRole('heading', { name: /^Divide/ });
  const core = asks.getByRole('textbox', { name: /^Core of/ });
  const pan = asks.getByLabel('Core now');
  // "…: 3 things": it counts down.
  const heading = page.getByRole('heading', { name: /^Before it is divided/ });
  await expect(asks.or(divide).first()).toBeVisible();
  while ((await asks.count()) > 0) {
    const before = await heading.innerText();
    if ((await core.count()) > 0) {
      await core.fill('76 °C');
      await asks.getByRole('button', { name: 'That is the core' }).click();
    } else if ((await pan.count()) > 0) {
      await pan.fill('5 °C');
      await asks.getByRole('button', { name: 'Take the reading' }).click();
    } else {
      await asks.getByRole('button', { name: 'It was in when it was weighed' }).click();
    }
    await expect(async () => expect(await heading.allInnerTexts()).not.toContain(before)).toPass();
  }
}

/** A pot of the demo from its plan to the division: planned for so many days, weighed, and what was asked is answered. */
export async function weighPot(
  page: Page,
  address: string,
  pot: { recipe: number; days: number; gross: number; tare: number },
): Promise<void> {
  await openPlan(page, address, `?recipe=${pot.recipe}`);
  await page.getByLabel('Days', { exact: true }).fill(String(pot.days));
  await expect(page.getByText(`${pot.days} days`).first()).toBeVisible();
  await startCookDay(page);
  await page.getByRole('button', { name: 'All in, start cooking' }).click();
  await toTheScale(page);
  await page.getByLabel('With the food').fill(String(pot.gross));
  await page.getByLabel('Empty (tare)').fill(String(pot.tare));
  await page.getByRole('button', { name: 'That is the yield' }).click();
  await answerAsks(page);
}

/** Nothing stands beyond the page at a phone's width or a laptop's, and axe finds nothing. */
export async function looksRight(page: Page): Promise<void> {
  for (const width of [390, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect([width, over]).toEqual([width, 0]);
  }
  expect(await axeFinds(page)).toEqual([]);
}

/** Sets the simulated instruments of a house: on or off, or how one of them behaves. */
export async function driveInstruments(page: Page, address: string, body: unknown): Promise<void> {
  const answer = await page.request.post(`${address}/api/instruments`, { data: body, headers: { origin: address } });
  expect(answer.ok()).toBe(true);
}
