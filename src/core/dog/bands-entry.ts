import { z } from 'zod';
import { fine, refused, type Outcome } from '../problem';
import type { Grams, UnitSet } from '../quantity/units';
import { readBodyWeight } from '../quantity/weight';
import { sure } from '../sure';

/** One row of a printed table as typed: the body weights it is for, and what it says. */
export const bandEntrySchema = z.object({ weight: z.string().max(40), amount: z.string().max(40) });
export type BandEntry = Readonly<z.infer<typeof bandEntrySchema>>;

/** A row that was read; `upTo` is absent for every heavier dog. */
export interface ReadBand {
  readonly from: number;
  readonly upTo: Grams | undefined;
  readonly amount: string;
}

const OPEN_ABOVE =
  /^(?:(?:over|above|more than|from|at least)\s+(.+?)(?:\s+on)?|(.+?)\s*(?:\+|and (?:more|over|up|above)|or (?:more|over)|(?:and )?upwards?))$/i;
const OPEN_BELOW = /^(?:up to|under|below|less than)\s+(.+)$/i;
const RANGE = /^([\d.,]+)\s*(kg|lb|lbs)?\s*(?:-|–|to)\s*([\d.,]+)\s*(kg|lb|lbs)?$/i;

function readBandWeight(
  text: string,
  set: UnitSet,
  before: number,
): Outcome<{ from: number; upTo: Grams | undefined }> {
  const typed = text.trim();
  if (typed === '') return refused('For which weights? Such as 5-10 kg, up to 5 kg or over 25 kg.');
  const above = OPEN_ABOVE.exec(typed);
  if (above) {
    const from = readBodyWeight(sure(above[1] ?? above[2]), set);
    return from.ok ? fine({ from: from.value, upTo: undefined }) : from;
  }
  const range = RANGE.exec(typed);
  if (range) {
    const unit = range[4] ?? range[2] ?? '';
    const low = /^0+([.,]0+)?$/.test(sure(range[1]))
      ? fine(0)
      : readBodyWeight(`${range[1]} ${range[2] ?? unit}`.trim(), set);
    const high = readBodyWeight(`${range[3]} ${unit}`.trim(), set);
    if (!low.ok) return low;
    if (!high.ok) return high;
    if (high.value <= low.value) return refused(`This row is upside down: ${typed}.`);
    return fine({ from: low.value, upTo: high.value });
  }
  const upTo = readBodyWeight(OPEN_BELOW.exec(typed)?.[1] ?? typed, set);
  return upTo.ok ? fine({ from: before, upTo: upTo.value }) : upTo;
}

/**
 * Reads the rows of a label's table: weights in rising order, without a gap and without an overlap.
 * A problem's field is `bands.N.weight`. Rows that are wholly empty are left out. Source: as printed on the label.
 */
export function readBands(entries: readonly BandEntry[], set: UnitSet): Outcome<ReadBand[]> {
  const rows: ReadBand[] = [];
  for (const [index, entry] of entries.entries()) {
    if (entry.weight.trim() === '' && entry.amount.trim() === '') continue;
    const field = `bands.${index}.weight`;
    const before = rows.at(-1);
    if (before && before.upTo === undefined)
      return refused('The row above holds for every heavier dog already.', field);
    const read = readBandWeight(entry.weight, set, before?.upTo ?? 0);
    if (!read.ok) return refused(read.problem.message, field);
    const { from, upTo } = read.value;
    if (before?.upTo !== undefined) {
      // Printed tables meet at a whole kg or lb, or leave one between.
      if (from < before.upTo - 1) return refused('This row overlaps with the one above.', field);
      if (from > before.upTo + 1001) return refused('Between this row and the one above is a gap.', field);
      if (upTo !== undefined && upTo <= before.upTo) return refused('This row overlaps with the one above.', field);
    }
    rows.push({ from, upTo, amount: entry.amount });
  }
  return rows.length > 0 ? fine(rows) : refused('Write at least one row of the table.', 'bands.0.weight');
}
