import { fine, refused, type Outcome } from '../problem';
import { readQuantity } from '../quantity/read';
import { readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';

export type Amount = { readonly grams: number } | { readonly millilitres: number };

/** More than a walk-in freezer holds: a slip (common practice, no source). */
const LARGEST_VOLUME_ML = 2_000_000;

/** A typed weight above 0, in g; refused at its field with what was asked. */
export function readWeight(text: string, field: string, asked: string): Outcome<number> {
  if (text.trim() === '') return refused(asked, field);
  const read = readScale(text);
  if (!read.ok) return refused(read.problem.message, field);
  return read.value > 0 ? fine(Number(read.value)) : refused(asked, field);
}

/** A typed weight (g) or volume (mL); a bare number is g. Refused at its field. */
export function readAmount(text: string, set: UnitSet, field: string, asked: string): Outcome<Amount> {
  const read = readQuantity(text.trim(), set);
  if (read.ok && read.value.kind === 'volume') {
    const { millilitres } = read.value;
    if (!(millilitres > 0)) return refused(asked, field);
    return millilitres > LARGEST_VOLUME_ML
      ? refused('That is more than any home freezer holds. Check the volume.', field)
      : fine({ millilitres });
  }
  const grams = readWeight(text, field, asked);
  return grams.ok ? fine({ grams: grams.value }) : grams;
}

const WHOLE = /^\d{1,4}$/;

/** A typed whole number from 1; refused at its field with what was asked. */
export function readCount(text: string, field: string, asked: string): Outcome<number> {
  const count = WHOLE.test(text.trim()) ? Number(text) : 0;
  return count < 1 ? refused(asked, field) : fine(count);
}
