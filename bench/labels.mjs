import { register } from 'node:module';
import { entry, timeEach } from './measure.mjs';

register('../scripts/typescript.mjs', import.meta.url);
const { labelsPdf } = await import('../src/features/labels/pdf.ts');
const { sheetOf } = await import('../src/core/label/sheets.ts');

const labels = Array.from({ length: 60 }, (_, index) => ({
  code: `V${index + 1}`,
  title: 'Venison, barley & parsnip',
  whom: 'Juniper + Otto',
  until: 'best by 25 May 2027',
  lines: [
    '863 g · 1059 kcal',
    'Juniper 600 g · Otto 263 g',
    'thaw in the fridge overnight',
    'in the bowl: 1 tsp salmon oil',
    'made 25 Nov',
    'lot G 114',
  ],
  cautions: ['heat not proven'],
  hatch: 'diagonal',
  marks: [
    { letters: 'J', badge: 0 },
    { letters: 'O', badge: 1 },
  ],
  address: `http://127.0.0.1:3000/p/V${index + 1}`,
}));
const RUNS = Array.from({ length: 5 }, (_, run) => run);

/** Sixty labels on sheets of twenty-one, each with its QR. */
export async function printing() {
  const sheet = sheetOf('a4-21');
  if (!sheet) throw new Error('this sheet is not known any more');
  const print = () => labelsPdf(labels, { sheet, first: 1, offset: { right: 0, down: 0 } });
  return [entry('labels-60', 'three sheets', await timeEach(RUNS, print))];
}
