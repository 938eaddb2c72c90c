/** A sheet of labels by its size, in mm. Nothing here is a product: sizes alone. */
export interface LabelSheet {
  readonly key: string;
  readonly name: string;
  readonly page: readonly [width: number, height: number];
  readonly columns: number;
  readonly rows: number;
  readonly width: number;
  readonly height: number;
  /** Between two columns; rows touch. */
  readonly gap: number;
  /** Plain paper: lines to cut along are drawn. */
  readonly cut?: true;
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

/** Sizes of common label sheets, and paper to be cut. Source: handbook 12; the gaps between columns from memory. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  {
    key: 'a4-21',
    name: 'A4, 3 × 7 of 63.5 × 38.1 mm',
    page: A4,
    columns: 3,
    rows: 7,
    width: 63.5,
    height: 38.1,
    gap: 2.5,
  },
  {
    key: 'a4-14',
    name: 'A4, 2 × 7 of 99.1 × 38.1 mm',
    page: A4,
    columns: 2,
    rows: 7,
    width: 99.1,
    height: 38.1,
    gap: 2.5,
  },
  { key: 'a4-24', name: 'A4, 3 × 8 of 70 × 37 mm', page: A4, columns: 3, rows: 8, width: 70, height: 37, gap: 0 },
  {
    key: 'letter-30',
    name: 'Letter, 3 × 10 of 66.7 × 25.4 mm',
    page: LETTER,
    columns: 3,
    rows: 10,
    width: 66.7,
    height: 25.4,
    gap: 3.2,
  },
  {
    key: 'letter-10',
    name: 'Letter, 2 × 5 of 101.6 × 50.8 mm',
    page: LETTER,
    columns: 2,
    rows: 5,
    width: 101.6,
    height: 50.8,
    gap: 4.8,
  },
  {
    key: 'paper',
    name: 'plain A4 paper, to be cut',
    page: A4,
    columns: 2,
    rows: 6,
    width: 92,
    height: 44,
    gap: 0,
    cut: true,
  },
  {
    key: 'one',
    name: 'one label at a time, 70 × 37 mm',
    page: [70, 37],
    columns: 1,
    rows: 1,
    width: 70,
    height: 37,
    gap: 0,
  },
];

export const sheetOf = (key: string): LabelSheet | undefined => LABEL_SHEETS.find((sheet) => sheet.key === key);

export interface LabelPlace {
  readonly page: number;
  /** mm from the left and the top of the page. */
  readonly x: number;
  readonly y: number;
}

/**
 * Where so many labels lie, row by row; the sheet stands in the middle of its page, moved by what the printer is off.
 *
 * Takes a sheet, how many, the first free place of a sheet half used (1 is the first) and the printer's offset in mm.
 * Source: geometry.
 */
export function placesOn(
  sheet: LabelSheet,
  count: number,
  first = 1,
  offset: { readonly right: number; readonly down: number } = { right: 0, down: 0 },
): LabelPlace[] {
  const { columns, rows, width, height, gap, page } = sheet;
  const left = (page[0] - columns * width - (columns - 1) * gap) / 2 + offset.right;
  const top = (page[1] - rows * height) / 2 + offset.down;
  return Array.from({ length: count }, (_, index) => {
    const place = index + first - 1;
    const onPage = place % (columns * rows);
    return {
      page: Math.floor(place / (columns * rows)),
      x: left + (onPage % columns) * (width + gap),
      y: top + Math.floor(onPage / columns) * height,
    };
  });
}
