import { fine, refused, type Outcome } from '../problem';
import { readQuantity } from './read';
import { grams, type Grams, type UnitSet } from './units';

/**
 * Reads what a kitchen scale shows: a bare number is grams, "3.55 kg" or "7 lb 3 oz" are read too. A US scale shows
 * ounces, pounds or grams, so there a bare number asks.
 * `empty` says what an empty field means: a question, or 0 where nothing is a fair answer (a tared vessel).
 */
export function readScale(text: string, empty: 'asked' | 'zero' = 'asked', set: UnitSet = 'metric'): Outcome<Grams> {
  const us = set === 'us';
  const typed = text.trim();
  if (typed === '')
    return empty === 'zero'
      ? fine(grams(0))
      : refused(us ? 'What does the scale say, in lb and oz?' : 'What does the scale say, in g?');
  if (/^[-−]/.test(typed)) return refused('A weight cannot be negative.');
  if (/^0+([.,]0+)?( ?g)?$/.test(typed)) return fine(grams(0));
  const bare = /^\d+(?:[.,]\d+)?$/.test(typed);
  if (bare && us) return refused(`${typed} oz, lb or g? Write it with its unit.`);
  const read = readQuantity(bare ? `${typed.replace(',', '.')} g` : typed, 'us');
  if (!read.ok || read.value.kind !== 'mass')
    return refused(`Write a weight: ${us ? '12.5 oz, 7 lb 3 oz or 350 g' : '3550, 3.55 kg or 7 lb 3 oz'}.`);
  if (read.value.grams > 200_000) return refused('That is more than 200 kg. Check the reading.');
  return fine(grams(read.value.grams));
}

/** Reads a plain number above 0, such as a count of cups: "9.5", "9 1/2". */
export function readCount(text: string): Outcome<number> {
  const read = readQuantity(text.trim(), 'us');
  if (!read.ok || read.value.kind !== 'count' || read.value.word !== '')
    return refused('Write a number, such as 9 or 9 1/2.');
  if (read.value.count > 1000) return refused(`${text.trim()} is more than a home kitchen fills. Check the count.`);
  return fine(read.value.count);
}

/** Reads a plain number or a range above 0: "2.5", "1/2", "300-350", "2 to 3". Refuses a range upside down. */
export function readSpan(text: string): Outcome<{ readonly low: number; readonly high: number }> {
  if (text.trim() === '') return refused('A number, or a range such as 300-350.');
  const read = readQuantity(text.trim(), 'us');
  if (!read.ok) return read;
  if (read.value.kind !== 'count' || read.value.word !== '')
    return refused('A number alone, or a range such as 300-350.');
  return fine({ low: read.value.low, high: read.value.high });
}
