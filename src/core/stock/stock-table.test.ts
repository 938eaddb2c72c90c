import fc from 'fast-check';
import { readFigure, readStockRows } from './stock-table';

// Figures as spreadsheets of several countries write them.
test.each([
  ['412', 412],
  ['412.5', 412.5],
  ['412,5', 412.5],
  ['1 234,5', 1234.5],
  ['1\u00a0234,5', 1234.5],
  ['1,234.5', 1234.5],
  ['1.234,5', 1234.5],
  ["1'234.5", 1234.5],
  ['0,125', 0.125],
  // A thousand here, one and a bit there.
  ['1,234', undefined],
  ['-3', undefined],
  ['4 oz', undefined],
  ['', undefined],
])('%s is %s', (text, value) => {
  expect(readFigure(text)).toBe(value);
});

test('what our own file writes is read as it was', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2_000_000 }), (tenths) => {
      expect(readFigure(String(tenths / 10))).toBe(tenths / 10);
    }),
  );
});

test('rows say what they hold, whatever their columns are called and in which order', () => {
  const { rows, problems } = readStockRows([
    { place: 'Freezer', code: 'v17 ', grams: '412,5' },
    { code: '', recipe: 'Goat', place: 'Freezer', grams: '300', kcal: '390', packed: '2026-10-02', for: "'=Otto" },
  ]);
  expect(problems).toEqual([]);
  expect(rows[0]).toMatchObject({ row: 2, code: 'V17', place: 'Freezer', grams: 412.5, packed: undefined });
  expect(rows[1]).toMatchObject({
    row: 3,
    code: undefined,
    recipe: 'Goat',
    kcal: 390,
    packed: '2026-10-02',
    dog: '=Otto',
  });
});

test('every row that cannot be is said by its number: doubled codes, two ways to read a figure, no day', () => {
  const { problems } = readStockRows([
    { code: 'V1', grams: '1,234', packed: '' },
    { code: 'v1', grams: '5', packed: '31.12.2026' },
  ]);
  expect(problems.map(({ field, message }) => [field, message.slice(0, 40)])).toEqual([
    ['row.2', 'Row 2: The weight “1,234” can be read in'],
    ['row.3', 'Row 3: V1 stands in row 2 as well: which'],
    ['row.3', 'Row 3: “31.12.2026” is no day. Write it '],
  ]);
  expect(readStockRows([{ name: 'x' }]).problems[0]!.message).toMatch(/no column “grams”/);
  expect(readStockRows(Array.from({ length: 501 }, () => ({ grams: '1' }))).problems[0]!.message).toMatch(/501 rows/);
});
