import type { FoodMeasure } from './food';

/** A row of data/kitchen-counts.csv as text. */
export type CountRow = Readonly<Record<'words' | 'ndb' | 'unit' | 'grams' | 'bone' | 'net' | 'why', string>>;

/**
 * What one of a thing weighs, as a measure of its food: `each`, `can`, `head` … in g, with the cook's words that it is
 * for, whether the bone is in the weight, and what is printed on a can that is drained.
 * Source: beside each row; the table's measures, or from memory.
 */
const readCount = ({ words, ndb, unit, grams, bone, net }: CountRow): { ndb: string; measure: FoodMeasure } => ({
  ndb,
  measure: {
    amount: 1,
    unit,
    grams: Number(grams),
    said: words,
    ...(bone === 'in' || bone === 'out' ? { bone } : {}),
    ...(net === '' ? {} : { net: Number(net) }),
  },
});

/** Puts what one of a thing weighs before the table's own pieces, in the order of the rows; changes `measures`. */
export function addCounts(measures: Map<string, FoodMeasure[]>, rows: readonly CountRow[]): void {
  for (const { ndb, measure } of rows.map(readCount).reverse())
    measures.set(ndb, [measure, ...(measures.get(ndb) ?? [])]);
}
