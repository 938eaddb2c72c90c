import { expect, test, type Page } from '@playwright/test';
import Papa from 'papaparse';
import { FIGURES, type FigureName } from '../src/core/figures/figures';
import { visit } from './steps';
import { startHodman, stopHodman, type Hodman } from './server';

let hodman: Hodman;

test.beforeAll(async () => {
  hodman = await startHodman({ demo: true, now: '2026-11-25T12:00:00Z' });
});

test.afterAll(() => stopHodman(hodman));

interface Seen {
  readonly name: string;
  readonly of: string;
  readonly value: number;
  /** The page or the file. */
  readonly where: string;
}

const marked = async (page: Page, where: string): Promise<Seen[]> => {
  await visit(page, `${hodman.address}${where}`);
  const found = await page.locator('[data-figure]').evaluateAll((elements) =>
    elements.map((element) => ({
      name: element.getAttribute('data-figure') ?? '',
      of: element.getAttribute('data-of') ?? '',
      value: Number(element.getAttribute('data-value')),
    })),
  );
  return found.map((each) => ({ ...each, where }));
};

/** A file of the house as rows by their heads. */
const csv = async (where: string): Promise<Record<string, string>[]> =>
  Papa.parse<Record<string, string>>(await (await fetch(`${hodman.address}${where}`)).text(), {
    header: true,
    skipEmptyLines: true,
  }).data;

test('every page and every file says the same figure of the same thing', async ({ page }) => {
  const seen: Seen[] = [];
  const walk = async (...paths: string[]) => {
    for (const path of paths) seen.push(...(await marked(page, path)));
  };
  const these = (name: FigureName) => [...new Set(seen.filter((each) => each.name === name).map(({ of }) => of))];
  await walk('/', '/dogs', '/recipes', '/batches', '/store', '/store/table', '/store/ahead', '/store/value');
  for (const dog of these('day kcal')) await walk(`/dogs/${dog}`, `/bowl/${dog}`);
  for (const recipe of these('recipe kcal')) await walk(`/recipes/${recipe}`);
  for (const batch of these('pot yield')) await walk(`/batches/${batch}`, `/batches/${batch}?step=weigh%20out`);
  // Of each kind of pack one: the shelves and the table hold all of them.
  const packs = these('pack grams');
  for (const code of packs.filter((each, at) => packs.findIndex((other) => other[0] === each[0]) === at))
    await walk(`/store?pack=${code}`);
  for (const row of await csv('/api/stock/packs')) {
    const where = 'packs.csv';
    seen.push({ name: 'pack grams', of: row['code']!, value: Number(row['grams']), where });
    seen.push({ name: 'pack kcal', of: row['code']!, value: Number(row['kcal']), where });
  }
  const apart = new Map<string, Seen[]>();
  for (const each of seen)
    apart.set(`${each.name} of ${each.of}`, [...(apart.get(`${each.name} of ${each.of}`) ?? []), each]);
  for (const [which, own] of apart) {
    const pages = own.filter(({ where }) => !where.endsWith('.csv'));
    for (const { value, where } of pages)
      expect([which, where, value]).toEqual([which, where, expect.closeTo(pages[0]!.value, 6)]);
    // A file rounds as it says: whole kcal, a tenth of a gram.
    for (const { name, value, where } of own.filter((each) => each.where.endsWith('.csv') && pages.length > 0))
      expect([which, where, Math.abs(value - pages[0]!.value) <= (name === 'pack kcal' ? 0.5 : 0.05)]).toEqual([
        which,
        where,
        true,
      ]);
  }
  // A figure that stands on one page alone was not held against anything.
  for (const name of Object.keys(FIGURES)) {
    const twice = [...apart].some(
      ([which, own]) => which.startsWith(`${name} of `) && new Set(own.map(({ where }) => where)).size > 1,
    );
    expect([name, twice]).toEqual([name, true]);
  }
  // The pages for a dog's vet say its day in words.
  for (const dog of these('day kcal')) {
    const text = await (await fetch(`${hodman.address}/api/vet/${dog}?as=csv`)).text();
    const [asked] = seen.filter((each) => each.name === 'day kcal' && each.of === dog);
    expect(text).toMatch(
      new RegExp(
        `Ration on 2026-11-25,"?${Math.round(asked!.value)
          .toString()
          .replace(/(\d)(?=\d{3}$)/, '$1.?')} kcal a day`,
      ),
    );
  }
});
