import type { RecipeEntry } from '../entry-schema';

/** One line of a recipe as a row of a table. */
export type CsvRow = Readonly<
  Record<
    | 'recipe'
    | 'vessel'
    | 'line'
    | 'amount'
    | 'food'
    | 'words'
    | 'part'
    | 'goes in'
    | 'amount is for'
    | 'per'
    | 'does not stay %'
    | 'grams',
    string
  >
>;

/** The lines of a recipe as rows; the grams are those of its preview, empty where a line is only words. */
export const csvRows = (
  entry: RecipeEntry,
  nameOf: (key: string) => string | undefined,
  gramsOf: (line: number) => number | undefined,
): CsvRow[] =>
  entry.lines.map((line, index) => ({
    recipe: entry.name,
    vessel: entry.components?.[line.component ?? 0]?.name ?? 'pot',
    line: String(index + 1),
    amount: line.amount,
    food: nameOf(line.ndb) ?? '',
    words: line.preparation ?? '',
    part: line.words ? '' : line.part,
    'goes in': line.words ? '' : line.moment,
    'amount is for': line.words ? '' : (line.basis ?? 'batch'),
    per: line.perAmount ?? '',
    'does not stay %': line.refuse ?? (line.strained ? '100' : ''),
    grams: gramsOf(index)?.toFixed(1) ?? '',
  }));
