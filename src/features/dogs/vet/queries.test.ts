import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { sheetAsRows } from '@/core/vet/sheet';
import { serve } from '@/data/fixtures/served';
import { giveBetween } from '@/data/commands/given';
import { contextFor } from '@/data/commands/run';
import { vetPdf } from './pdf';
import { vetView } from './queries';

const folder = mkdtempSync(join(tmpdir(), 'hodman-vet-'));
afterAll(() => rmSync(folder, { recursive: true }));
beforeAll(async () => {
  await serve('2026-11-25T12:00:00Z', { demo: true });
});

const sheetOf = async (dogId: number, asked = { from: '', to: '' }) => (await vetView(dogId, asked))!.made!.sheet;
/** What poppler reads on the pages. */
const printed = async (sheet: Parameters<typeof vetPdf>[0]) => {
  const file = join(folder, 'pages.pdf');
  writeFileSync(file, await vetPdf(sheet));
  return {
    pages: Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))![1]),
    text: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
  };
};

test.each([1, 2, 3])('dog %i: two pages hold what the screen and the CSV say', async (dogId) => {
  const sheet = await sheetOf(dogId);
  const { pages, text } = await printed(sheet);
  expect(pages).toBe(2);
  const plain = text.replace(/\s+/g, ' ');
  for (const { heading } of sheet.sections) expect(plain).toContain(heading);
  expect(plain).not.toMatch(/\d\.\d{6}/);
  const { data } = Papa.parse<string[]>(Papa.unparse(sheetAsRows(sheet)));
  const iron = data.find(([name]) => name === 'iron')!;
  expect(iron).toHaveLength(7);
  expect(plain).toContain(`iron ${iron[1]} mg`);
});

test('Otto’s pages: ration, recipes in grams, supplements, nutrients, weights and what was seen', async () => {
  const { sections } = await sheetOf(2);
  const rowsOf = (heading: string) => sections.find((each) => each.heading.startsWith(heading))!.rows;
  expect(rowsOf('The dog').flat().join()).toContain('369 kcal a day');
  expect(rowsOf('Recipes').map(([name]) => name)).toEqual(
    expect.arrayContaining([expect.stringContaining('Venison'), expect.stringContaining('Goat')]),
  );
  expect(rowsOf('Supplements').flat().join()).toContain('iodine 0.3 mg');
  expect(rowsOf('Weights').length).toBeGreaterThan(4);
  expect(rowsOf('What was seen')[0]).toEqual([
    '2026-11-23',
    'stool soft, coat glossy, “Ate some grass on the slipway.”',
    '',
  ]);
});

test('a ration is one figure of one day, and its meals are the standing ones: a treat of that day is no part of them', async () => {
  const served = await serve('2026-11-25T12:00:00Z', { demo: true });
  const before = (await sheetOf(2)).sections[0]!.rows;
  const context = await contextFor(served.db, served.reference, new Date('2026-11-25T12:00:00Z'));
  await giveBetween(context, {
    dogId: 2,
    entry: { kind: 'treat', name: 'a biscuit', amount: '60', measure: 'kcal', label: '' },
    takesOff: true,
  });
  const sheet = await sheetOf(2);
  expect(sheet.sections[0]!.rows).toEqual(before);
  // The mean of what it was asked for stands beside what it got, on the same days; it is not called its ration.
  const said = sheet.sections[1]!.said.join(' ');
  expect(said).toMatch(
    /^It got \d+ kcal a day on the \d+ days of which every bowl is known, when its ration asked for \d+;/,
  );
});

test('a year of weights and words, and names of any length, are still two pages; what is left out is counted', async () => {
  const sheet = await sheetOf(2);
  const long = 'Grandmother’s very slowly stewed venison with barley and everything '.repeat(3);
  const full = {
    ...sheet,
    sections: sheet.sections.map((section) => ({
      ...section,
      rows: Array.from({ length: 400 }, (_, index) => {
        const row = section.rows[index % Math.max(1, section.rows.length)] ?? section.columns.map(() => 'x');
        return section.isGrouped ? row : row.map((cell, at) => (at === 0 && index === 3 ? long : cell));
      }),
    })),
  };
  const { pages, text } = await printed(full);
  expect(pages).toBe(2);
  expect(text).toMatch(/and \d{3} more: all of them are in the CSV/);
});

test('days that cannot be make no pages and say why; nobody’s pages are nobody’s', async () => {
  const view = (await vetView(2, { from: '2027-01-01', to: '' }))!;
  expect([view.made, view.problems.map(({ field }) => field)]).toEqual([undefined, ['from']]);
  expect(await vetView(99, { from: '', to: '' })).toBeUndefined();
  // Before anything was fed there is a sheet that says so.
  const early = await sheetOf(2, { from: '2025-01-01', to: '2025-02-01' });
  expect(early.sections[1]!.said).toContain('Of no day is every bowl known.');
});
