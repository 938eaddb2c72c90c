import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { LABEL_SHEETS, placesOn, sheetOf } from '@/core/label/sheets';
import { labelsPdf, type LabelToPrint } from './pdf';

const folder = mkdtempSync(join(tmpdir(), 'hodman-labels-'));
afterAll(() => rmSync(folder, { recursive: true }));

const label = (index: number, over: Partial<LabelToPrint> = {}): LabelToPrint => ({
  code: `V${index}`,
  title: 'Venison, barley & parsnip',
  whom: 'Juniper',
  water: '',
  until: 'feed by 29 Nov',
  lines: [
    '2350 g · 3179 kcal',
    'Juniper 1205 g · Otto 273 g · Žofie 872 g',
    'thaw in the fridge overnight',
    'made 25 Nov',
    'lot G 114',
  ],
  cautions: ['heat not proven'],
  address: `http://127.0.0.1:3100/p/V${index}`,
  hatch: 'diagonal',
  marks: [
    { letters: 'J', badge: 0 },
    { letters: 'Ot', badge: 1 },
    { letters: 'Ž', badge: 2 },
  ],
  ...over,
});
const printed = async (labels: readonly LabelToPrint[], key: string, first = 1) => {
  const file = join(folder, `${key}-${first}-${labels.length}.pdf`);
  writeFileSync(file, await labelsPdf(labels, { sheet: sheetOf(key)!, first, offset: { right: 0, down: 0 } }));
  return file;
};
/** Words with their boxes in pt, as poppler reads them. */
const wordsIn = (file: string) =>
  [
    ...execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' }).matchAll(
      /xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">([^<]*)</g,
    ),
  ].map(([, x, y, right, bottom, text]) => ({
    x: Number(x),
    y: Number(y),
    right: Number(right),
    bottom: Number(bottom),
    text,
  }));

test.each(LABEL_SHEETS.map((sheet) => [sheet.key] as const))(
  '%s: read back by poppler, page size, all words within their labels, none of another',
  async (key) => {
    const sheet = sheetOf(key)!;
    const file = await printed([label(1)], key);
    const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
    const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(info)!;
    expect(Number(width)).toBeCloseTo((sheet.page[0] * 72) / 25.4, 0);
    expect(Number(height)).toBeCloseTo((sheet.page[1] * 72) / 25.4, 0);
    const [place] = placesOn(sheet, 1);
    const words = wordsIn(file);
    expect(words.map(({ text }) => text)).toEqual(
      expect.arrayContaining(['V1', 'feed', 'by', '29', 'Nov', '!', 'heat', 'not', 'proven', 'Žofie', 'kcal']),
    );
    for (const { x, y, right, bottom } of words) {
      const mm = (pt: number) => (pt * 25.4) / 72;
      expect(mm(x)).toBeGreaterThanOrEqual(place!.x);
      expect(mm(right)).toBeLessThanOrEqual(place!.x + sheet.width);
      expect(mm(y)).toBeGreaterThanOrEqual(place!.y);
      expect(mm(bottom)).toBeLessThanOrEqual(place!.y + sheet.height);
    }
  },
);

test('a text far too long is cut with an ellipsis, and its caution stays', async () => {
  const long = label(7, { title: 'Stew '.repeat(80), lines: ['x'.repeat(400)] });
  const text = execFileSync('pdftotext', [await printed([long], 'letter-30'), '-'], { encoding: 'utf8' });
  expect(text).toContain('…');
  expect(text).toContain('heat not proven');
  expect(text.length).toBeLessThan(200);
});

test('sixty labels on three sheets; a sheet half used goes on at its free place', async () => {
  const many = Array.from({ length: 60 }, (_, index) => label(index + 1));
  const pages = (file: string) => /Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))![1];
  expect(pages(await printed(many, 'a4-21'))).toBe('3');
  expect(pages(await printed(many, 'a4-21', 6))).toBe('4');
  const words = wordsIn(await printed([label(1)], 'a4-21', 21));
  // The last place is at the right, in the last row.
  expect(Math.min(...words.map(({ x }) => x))).toBeGreaterThan(400);
  expect(Math.min(...words.map(({ y }) => y))).toBeGreaterThan(650);
});

test.each(['a4-21', 'letter-30', 'one'])(
  '%s: the QR is read back from the printed page by another decoder',
  async (key) => {
    const file = await printed([label(12)], key);
    execFileSync('pdftoppm', ['-r', '300', '-f', '1', '-l', '1', file, join(folder, `page-${key}`)]);
    const name = execFileSync('ls', [folder], { encoding: 'utf8' })
      .split('\n')
      .find((each) => each.startsWith(`page-${key}`))!;
    const { width, height, rgba } = readPpm(readFileSync(join(folder, name)));
    expect(jsQR(rgba, width, height)?.data).toBe('http://127.0.0.1:3100/p/V12');
  },
);

/** A portable pixmap (P6) as RGBA. */
function readPpm(file: Buffer): { width: number; height: number; rgba: Uint8ClampedArray } {
  const [head, width, height] = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(file.subarray(0, 64).toString('latin1'))!;
  const pixels = file.subarray(head.length);
  const rgba = new Uint8ClampedArray(Number(width) * Number(height) * 4).fill(255);
  for (let index = 0; index < rgba.length / 4; index++)
    for (let channel = 0; channel < 3; channel++) rgba[index * 4 + channel] = pixels[index * 3 + channel]!;
  return { width: Number(width), height: Number(height), rgba };
}
