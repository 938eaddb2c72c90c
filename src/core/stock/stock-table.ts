import { z } from 'zod';
import { readLocalDate, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { isAmong } from '../sure';
import { FOUND_KINDS, type FoundKind } from './found';

/** A table of stock as text: what goes out as one comes in again. */
export const stockTableSchema = z.object({ text: z.string().max(400_000) });

/** One row of a table of stock, as far as it says something. */
export interface StockRow {
  /** As it stands in the file, the head being 1. */
  readonly row: number;
  readonly code: string | undefined;
  readonly recipe: string | undefined;
  /** What it is: cooked, raw, or dried by which way. */
  readonly kind: FoundKind | undefined;
  readonly place: string | undefined;
  readonly dog: string | undefined;
  readonly grams: number | undefined;
  readonly kcal: number | undefined;
  readonly waterMl: number | undefined;
  readonly packed: LocalDate | undefined;
}

/** More rows than this no freezer holds (ours, no source). */
export const MOST_ROWS = 500;

const NAMES = {
  code: ['code'],
  recipe: ['recipe'],
  kind: ['kind'],
  place: ['place'],
  dog: ['for', 'dog'],
  grams: ['grams', 'g', 'weight'],
  kcal: ['kcal'],
  waterMl: ['water_ml', 'water'],
  packed: ['packed', 'packed_on'],
} as const;

/**
 * A figure as spreadsheets write it: "1234.5", "1234,5", "1 234,5", "1,234.5", "1.234,5". Undefined where it cannot be read one way
 * alone: "1,234" is a thousand here and one and a bit there.
 */
export function readFigure(text: string): number | undefined {
  const typed = text.trim().replace(/[\s\u00a0\u202f'’]/g, '');
  if (/^\d+$/.test(typed)) return Number(typed);
  if (/^\d{1,3}(,\d{3})+\.\d+$/.test(typed)) return Number(typed.replace(/,/g, ''));
  if (/^\d{1,3}(\.\d{3})+,\d+$/.test(typed)) return Number(typed.replace(/\./g, '').replace(',', '.'));
  const one = /^(\d+)[.,](\d+)$/.exec(typed);
  if (!one) return undefined;
  const [, whole = '', part = ''] = one;
  // Three digits behind a comma may be thousands; behind the point of our own file they are not.
  if (part.length === 3 && typed.includes(',') && whole.length <= 3 && whole !== '0') return undefined;
  return Number(`${whole}.${part}`);
}

/**
 * Reads the rows of a table of stock. Every problem says its row; a code that stands twice is one, for nobody knows which row holds.
 *
 * Takes the rows as a reader of CSV gives them, by the names of the head in small letters.
 */
export function readStockRows(rows: readonly Readonly<Record<string, string | undefined>>[]): {
  readonly rows: readonly StockRow[];
  readonly problems: readonly Problem[];
} {
  const problems: Problem[] = [];
  const say = (row: number, message: string) =>
    problems.push({ field: `row.${row}`, message: `Row ${row}: ${message}` });
  if (rows.length > MOST_ROWS)
    problems.push({ message: `The file has ${rows.length} rows; up to ${MOST_ROWS} are read.` });
  const head = rows[0] ? Object.keys(rows[0]) : [];
  if (rows.length > 0 && !NAMES.grams.some((name) => head.includes(name)))
    problems.push({ message: 'There is no column “grams”. Take the file out first to see how it is written.' });
  const seen = new Map<string, number>();
  const read = rows.slice(0, MOST_ROWS).map((cells, index): StockRow => {
    const row = index + 2;
    const text = (of: readonly string[]) => {
      const found = of.map((name) => cells[name]?.trim()).find((value) => value !== undefined && value !== '');
      // Text that a spreadsheet would have taken for a formula was written with a mark before it.
      return found?.replace(/^'(?=[=+\-@])/, '');
    };
    const figure = (of: readonly string[], name: string) => {
      const said = text(of);
      if (said === undefined) return undefined;
      const value = readFigure(said);
      if (value === undefined)
        say(row, `${name} “${said}” can be read in two ways, or not at all. Write it like 412.5.`);
      return value;
    };
    const code = text(NAMES.code)?.toUpperCase();
    if (code !== undefined) {
      const before = seen.get(code);
      if (before !== undefined) say(row, `${code} stands in row ${before} as well: which of them holds?`);
      seen.set(code, row);
    }
    const kind = text(NAMES.kind)?.toLowerCase();
    if (kind !== undefined && code === undefined && !isAmong(FOUND_KINDS, kind))
      say(row, `“${kind}” is no kind of food. Write one of ${FOUND_KINDS.join(', ')}.`);
    const day = text(NAMES.packed);
    const packed = day === undefined ? undefined : readLocalDate(day);
    if (day !== undefined && packed === undefined) say(row, `“${day}” is no day. Write it like 2026-10-02.`);
    return {
      row,
      code,
      recipe: text(NAMES.recipe),
      kind: kind !== undefined && isAmong(FOUND_KINDS, kind) ? kind : undefined,
      place: text(NAMES.place),
      dog: text(NAMES.dog),
      grams: figure(NAMES.grams, 'The weight'),
      kcal: figure(NAMES.kcal, 'The energy'),
      waterMl: figure(NAMES.waterMl, 'The water'),
      packed,
    };
  });
  return { rows: read, problems };
}

/** What became, or would become, of a row. */
export interface RowTaken {
  readonly row: number;
  readonly fate: 'as it is' | 'changed' | 'new';
  readonly said: string;
}
