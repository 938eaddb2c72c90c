import { z } from 'zod';
import { fine, refused, type Outcome } from '../problem';
import { readCount } from '../quantity/typed';
import { FOOD_KINDS, PACKAGINGS, PLACE_KINDS, type ShelfLife, type ShelfLives } from './shelf-life';

/** How long one kind of food keeps, as it is typed: days for its safety, months for its quality. */
const keepsRowSchema = z.object({
  kind: z.enum(FOOD_KINDS),
  place: z.enum(PLACE_KINDS),
  packaging: z.array(z.enum(PACKAGINGS)).readonly().optional(),
  days: z.string().max(10),
  months: z.string().max(10),
  fattyMonths: z.string().max(10),
});
export const keepsSchema = z.object({ rows: z.array(keepsRowSchema).max(60) });
export type KeepsEntry = Readonly<z.infer<typeof keepsSchema>>;

const OWN_SOURCE = 'as this household says';
/** Longer than anybody keeps food of a kitchen (ours, no source). */
const [MOST_DAYS, MOST_MONTHS] = [365, 60];

const sameRow = (
  a: Pick<ShelfLife, 'kind' | 'place' | 'packaging'>,
  b: Pick<ShelfLife, 'kind' | 'place' | 'packaging'>,
) => a.kind === b.kind && a.place === b.place && String(a.packaging ?? '') === String(b.packaging ?? '');

/**
 * Reads how long things keep in a household. Only rows of the table are known; what differs from it is the household's own. A
 * row that follows the household's fridge days has none of its own. Each problem stands at `rows.N.days` or its like.
 */
export function readKeeps(entry: KeepsEntry, lives: ShelfLives): Outcome<readonly ShelfLife[]> {
  const own: ShelfLife[] = [];
  for (const [index, typed] of entry.rows.entries()) {
    const row = lives.rows.find((each) => sameRow(each, typed));
    if (!row) return refused('That is no row of the table.', `rows.${index}.days`);
    const whole = (text: string, most: number, field: string): Outcome<number | undefined> => {
      if (text.trim() === '') return fine(undefined);
      const read = readCount(text);
      return read.ok && Number.isInteger(read.value) && read.value >= 1 && read.value <= most
        ? read
        : refused(`A whole number from 1 to ${most}.`, `rows.${index}.${field}`);
    };
    const days = whole(typed.days, MOST_DAYS, 'days');
    if (!days.ok) return days;
    const months = whole(typed.months, MOST_MONTHS, 'months');
    if (!months.ok) return months;
    const fatty = whole(typed.fattyMonths, MOST_MONTHS, 'fattyMonths');
    if (!fatty.ok) return fatty;
    if (row.safeDays !== undefined && !row.household && days.value === undefined)
      return refused('It does not keep for ever there: how many days?', `rows.${index}.days`);
    if (row.bestMonths !== undefined && months.value === undefined)
      return refused('Its quality does not last for ever: how many months?', `rows.${index}.months`);
    if (fatty.value !== undefined && months.value !== undefined && fatty.value > months.value)
      return refused('Fat food keeps no longer than lean.', `rows.${index}.fattyMonths`);
    const changed: ShelfLife = {
      kind: row.kind,
      place: row.place,
      ...(row.packaging ? { packaging: row.packaging } : {}),
      ...(row.household
        ? { household: true, ...(row.safeDays === undefined ? {} : { safeDays: row.safeDays }) }
        : days.value === undefined
          ? {}
          : { safeDays: days.value }),
      ...(months.value === undefined ? {} : { bestMonths: months.value }),
      ...(fatty.value === undefined ? {} : { fattyBestMonths: fatty.value }),
      source: OWN_SOURCE,
    };
    if (
      changed.safeDays !== row.safeDays ||
      changed.bestMonths !== row.bestMonths ||
      changed.fattyBestMonths !== row.fattyBestMonths
    )
      own.push(changed);
  }
  return fine(own);
}

/** The table as a household has it, to be changed. */
export const typedKeeps = (lives: ShelfLives): KeepsEntry => ({
  rows: lives.rows.map(({ kind, place, packaging, safeDays, household, bestMonths, fattyBestMonths }) => ({
    kind,
    place,
    ...(packaging ? { packaging } : {}),
    days: household || safeDays === undefined ? '' : String(safeDays),
    months: bestMonths === undefined ? '' : String(bestMonths),
    fattyMonths: fattyBestMonths === undefined ? '' : String(fattyBestMonths),
  })),
});
