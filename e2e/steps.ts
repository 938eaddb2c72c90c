import { expect, type Page } from '@playwright/test';

/** Finds a food while typing and takes the best match. */
export async function chooseFood(page: Page, line: number, query: string, name: string): Promise<void> {
  const field = page.getByLabel(`Food of line ${line}`, { exact: true });
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
  await expect(page.getByRole('heading', { name: 'Who eats how much' })).toBeVisible();
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
  await page.getByLabel('Name of the recipe').fill('Venison, barley & parsnip');
  for (const [index, line] of EXAMPLE_LINES.entries()) {
    const number = index + 1;
    if ((await page.getByLabel(`Food of line ${number}`, { exact: true }).count()) === 0)
      await page.getByRole('button', { name: 'One more line' }).click();
    await page.getByLabel(`Amount of line ${number}`, { exact: true }).fill(line.amount);
    await chooseFood(page, number, line.query, line.food);
  }
}

/** Opens the plan's room with nothing typed: what was typed there before in this tab is let go. */
export async function openPlan(page: Page, address: string, query = ''): Promise<void> {
  await page.goto(`${address}/plan${query}`, { waitUntil: 'networkidle' });
  const typedBefore = await page.evaluate(() => {
    const kept = Object.keys(sessionStorage).filter((key) => key.startsWith('hodman-draft-plan'));
    kept.forEach((key) => sessionStorage.removeItem(key));
    return kept.length > 0;
  });
  if (typedBefore) await page.reload({ waitUntil: 'networkidle' });
}

/** Starts cooking; what must have been seen first (calcium for a pup, a caution) is ticked. */
export async function startCookDay(page: Page): Promise<void> {
  const start = page.getByRole('button', { name: 'Start cook day' });
  const seen = page.getByLabel('Seen, and we go on');
  await expect(start.and(page.locator(':enabled')).or(seen).first()).toBeVisible();
  if ((await seen.count()) > 0 && !(await seen.isChecked())) await seen.check();
  await start.click();
}
