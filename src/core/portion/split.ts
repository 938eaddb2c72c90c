import { nth } from '../sure';
import { addUp } from '../add-up';

/**
 * Splits a whole number of grams by weights so that the parts are whole grams and sum to it (largest remainder).
 *
 * Takes a total of whole, non-negative g and weights of which at least one is above 0; returns as many whole g.
 * Throws for a total that is not whole: a share is kept in whole grams. Source: Hamilton's method of largest remainders.
 */
export function splitToGram(total: number, weights: readonly number[]): number[] {
  if (!Number.isInteger(total) || total < 0) throw new Error(`cannot split ${total} g to the gram`);
  const sum = addUp(weights, (weight) => weight);
  if (!(sum > 0)) throw new Error('nothing to split by');
  const exact = weights.map((weight) => (total * weight) / sum);
  const parts = exact.map(Math.floor);
  const missing = total - addUp(parts, (part) => part);
  const byRemainder = exact
    .map((value, index) => ({ index, remainder: value - Math.floor(value) }))
    .sort((a, b) => b.remainder - a.remainder || a.index - b.index);
  for (let step = 0; step < missing; step++) {
    const { index } = nth(byRemainder, step % byRemainder.length);
    parts[index] = nth(parts, index) + 1;
  }
  return parts;
}
