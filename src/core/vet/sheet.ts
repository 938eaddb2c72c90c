/** One part of the pages for a vet: a table with its heading and what is said of it. Screen, paper and CSV read the same. */
export interface Section {
  readonly heading: string;
  /** What has to be known to read the rows. */
  readonly said: readonly string[];
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Columns that hold figures. */
  readonly figures?: readonly number[];
  /** So many rows are printed on paper at the most; the CSV has all. */
  readonly onPaper: number;
  /** Rows of the same first cell belong together: on paper they are one paragraph. */
  readonly isGrouped?: true;
}

/** All that the pages for a vet say. */
export interface VetSheet {
  readonly title: string;
  readonly under: string;
  readonly sections: readonly Section[];
  /** Weights for the curve, oldest first. */
  readonly weights: readonly { readonly day: string; readonly grams: number; readonly said: string }[];
  readonly foot: string;
}

/** The rows of a section that are printed on paper, or the first part of them (0 to 1), and how many are not. */
export const paperRows = ({ rows, onPaper }: Pick<Section, 'rows' | 'onPaper'>, part = 1) => {
  const shown = rows.slice(0, Math.ceil(onPaper * part));
  return { rows: shown, more: rows.length - shown.length };
};

/** Rows of the same first cell, taken together in their order. */
export function groupsOf(rows: readonly (readonly string[])[]): (readonly [string, readonly (readonly string[])[]])[] {
  const groups = new Map<string, (readonly string[])[]>();
  for (const row of rows) {
    const [head = '', ...rest] = row;
    groups.set(head, [...(groups.get(head) ?? []), rest]);
  }
  return [...groups];
}

/** A figure as a CSV holds it: without the narrow spaces that part its thousands. */
const bare = (cell: string): string => cell.replace(/(?<=\d)\s(?=\d{3})/gu, '');

/** The sheet as rows of a CSV: each section under its heading, an empty row between. */
export const sheetAsRows = ({ title, under, sections, foot }: VetSheet): string[][] => [
  [title],
  [under],
  ...sections.flatMap(({ heading, said, columns, rows, figures = [] }) => [
    [],
    [heading],
    ...said.map((line) => [line]),
    ...(rows.length > 0
      ? [[...columns], ...rows.map((row) => row.map((cell, at) => (figures.includes(at) ? bare(cell) : cell)))]
      : []),
  ]),
  [],
  [foot],
];
