import fc from 'fast-check';
import type { LocalDate } from '../calendar/local-date';
import { readLabelAddress } from './address';
import { LABEL_SHEETS, placesOn } from './sheets';
import { labelWords, penLines, type LabelledPack } from './words';

const PACK: LabelledPack = {
  code: 'V12',
  recipeName: 'Venison, barley & parsnip',
  grams: 863,
  density: 1.2271,
  waterPerGram: 0,
  pieces: undefined,
  dogs: [{ name: 'Juniper', grams: 863 }],
  notFor: [],
  madeOn: '2026-11-25' as LocalDate,
  safeUntil: '2026-11-29' as LocalDate,
  bestBy: undefined,
  isFrozen: false,
  short: false,
  estimated: false,
  unproven: false,
  beside: false,
  lots: [],
  parts: [],
  additions: [],
  contents: [],
  isRaw: false,
  uncounted: [],
};

test('a label says weight, energy, whom it feeds and until when; what is not so is not said', () => {
  // 863 g × 1.2271 kcal/g = 1059 kcal (arithmetic).
  expect(labelWords(PACK, 'metric')).toMatchObject({
    until: expect.stringMatching(/^feed by .*29/),
    lines: ['863 g · 1059 kcal', 'Juniper: all of it', expect.stringMatching(/^made .*25/)],
  });
  const bag = {
    ...PACK,
    dogs: [
      { name: 'Juniper', grams: 600 },
      { name: 'Otto', grams: 263 },
    ],
    unproven: true,
    notFor: ['Wren'],
  };
  expect(labelWords(bag, 'metric').lines[1]).toBe('Juniper 600 g · Otto 263 g');
  expect(labelWords(bag, 'metric').cautions).toEqual(['not for Wren', 'heat not proven']);
  const dry = labelWords(
    { ...PACK, grams: 200, waterPerGram: 2.33, estimated: true, short: true, lots: ['G 114'] },
    'metric',
  );
  expect(dry.lines).toContain('stir in 466 mL of warm water, wait 10 min: 666 g as fed');
  expect(dry.lines[0]).toBe('200 g · about 245 kcal · short, use first');
  expect(dry.lines.at(-1)).toBe('lot G 114');
  expect(labelWords({ ...PACK, beside: true, dogs: [] }, 'metric').cautions).toEqual(['no meal by itself']);
  const words = labelWords({ ...PACK, uncounted: ['2 tbsp premix'], unproven: true }, 'metric');
  expect(words.cautions).toEqual(['heat not proven', 'not counted: 2 tbsp premix']);
  expect(penLines(words)[2]).toMatch(/heat not proven$/);
  expect(labelWords({ ...PACK, isFrozen: true }, 'metric').lines).toContain('thaw in the fridge overnight');
});

test('labels lie on their page, none on another, whatever place is the first (property)', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...LABEL_SHEETS),
      fc.integer({ min: 1, max: 90 }),
      fc.integer({ min: 1, max: 30 }),
      (sheet, count, from) => {
        const all = sheet.columns * sheet.rows;
        const first = Math.min(from, all);
        const places = placesOn(sheet, count, first);
        expect(places).toHaveLength(count);
        for (const [index, { page, x, y }] of places.entries()) {
          expect(x).toBeGreaterThanOrEqual(-1e-9);
          expect(y).toBeGreaterThanOrEqual(-1e-9);
          expect(x + sheet.width).toBeLessThanOrEqual(sheet.page[0] + 1e-9);
          expect(y + sheet.height).toBeLessThanOrEqual(sheet.page[1] + 1e-9);
          for (const other of places.slice(index + 1)) {
            if (other.page !== page) continue;
            const apart = Math.abs(other.x - x) >= sheet.width - 1e-9 || Math.abs(other.y - y) >= sheet.height - 1e-9;
            expect(apart).toBe(true);
          }
        }
        // A sheet half used goes on at its free place, and then with a new one.
        expect(places.at(-1)!.page).toBe(Math.floor((first - 1 + count - 1) / all));
      },
    ),
  );
});

test('the sizes of the sheets fill their page as their makers print them (handbook 12)', () => {
  const at = (key: string) =>
    placesOn(
      LABEL_SHEETS.find((sheet) => sheet.key === key)!,
      1,
    )[0]!;
  // (297 − 7 × 38.1) ÷ 2 = 15.15 and (210 − 3 × 70) ÷ 2 = 0 (arithmetic).
  expect(at('a4-21').y).toBeCloseTo(15.15, 6);
  expect(at('a4-24').x).toBeCloseTo(0, 6);
  expect(at('letter-30').y).toBeCloseTo(12.7, 6);
  expect(placesOn(LABEL_SHEETS[0]!, 1, 1, { right: 0.5, down: -1 })[0]!.y).toBeCloseTo(14.15, 6);
});

test('a pack for anybody says what part of it each dog gets a day; what is added and what is mixed is said', () => {
  const tub = {
    ...PACK,
    dogs: [],
    parts: [
      { name: 'Otto', part: 1.4 },
      { name: 'Juniper', part: 0.37 },
      { name: 'Wren', part: 0.01 },
    ],
    additions: ['1 tsp salmon oil'],
    contents: [
      { name: 'meat', grams: 600 },
      { name: 'grain', grams: 263 },
    ],
    isRaw: true,
  };
  const { lines, cautions } = labelWords(tub, 'metric');
  expect(lines[1]).toBe('a day: Otto all · Juniper ⅜ · Wren ⅛');
  expect(lines).toContain('meat 600 g + grain 263 g');
  expect(lines).toContain('in the bowl: 1 tsp salmon oil');
  expect(cautions[0]).toMatch(/^raw/);
});

test('with a pen: three short lines, the most that a marker writes on a bag', () => {
  expect(penLines(labelWords(PACK, 'metric'))).toEqual([
    'V12',
    'Juniper 863 g',
    expect.stringMatching(/^feed by .*29/),
  ]);
  const raw = penLines(labelWords({ ...PACK, dogs: [], unproven: true }, 'us'));
  expect(raw).toHaveLength(3);
  expect(raw[1]).toMatch(/^anybody .*lb/);
  expect(raw[2]).toMatch(/heat not proven$/);
});

test('the address that codes open: as it is said, whole, and nothing behind it', () => {
  const read = (text: string) => {
    const outcome = readLabelAddress(text);
    return outcome.ok ? outcome.value : outcome.problem.field;
  };
  expect(read('')).toBeUndefined();
  expect(read(' http://kitchen.local:3000/ ')).toBe('http://kitchen.local:3000');
  expect(read('192.168.1.20:3000')).toBe('http://192.168.1.20:3000');
  expect(read('https://bowl.example')).toBe('https://bowl.example');
  for (const wrong of [
    'ftp://x',
    'http://',
    'http://a b',
    'javascript:alert(1)',
    'http://me@host',
    'http://host/store',
    'host?x=1',
  ])
    expect([wrong, read(wrong)]).toEqual([wrong, 'labelAddress']);
});
