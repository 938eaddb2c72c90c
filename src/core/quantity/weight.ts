import { fine, refused, type Outcome } from '../problem';
import { readQuantity } from './read';
import { grams, type Grams, type UnitSet } from './units';

const writeUnit = (set: UnitSet) => (set === 'us' ? 'lb' : 'kg');

/**
 * Reads a body weight: "26.4 kg", "58 lb 3 oz", or a bare number in the household's unit.
 *
 * Returns g. Refuses text that is no weight and a weight that no dog has; the largest dogs known weigh
 * about 155 kg, the smallest adults under 1 kg, pups at birth from 70 g (from memory).
 */
export function readBodyWeight(text: string, set: UnitSet): Outcome<Grams> {
  if (text.trim() === '') return refused(`Weigh the dog: a number in ${writeUnit(set)}.`);
  const bare = /^\s*\d+(?:[.,]\d+)?\s*$/.test(text);
  const read = readQuantity(bare ? `${text} ${writeUnit(set)}` : text, set);
  if (!read.ok)
    return /negative|more than 0|divided by 0/.test(read.problem.message)
      ? read
      : refused('Write a weight such as 26.4 kg or 58 lb.');
  if (read.value.kind !== 'mass') return refused('Write a weight such as 26.4 kg or 58 lb.');
  if (read.value.low !== read.value.high) return refused('Write one weight, not a range.');
  const weight = read.value.grams;
  if (weight > 155_000) {
    return refused(`${text.trim()} is more than any dog weighs. Check the number and its unit (kg or lb).`);
  }
  if (weight < 70) return refused(`${text.trim()} is less than a newborn pup weighs. Check the number and its unit.`);
  return fine(grams(weight));
}
