import { writeKcal } from '../quantity/write';

/** A pack as its label says it, and as it is known now. */
export interface Labelled {
  readonly grams: number;
  readonly labelGrams: number;
  readonly density: number;
  readonly labelDensity: number;
}

/** kcal that differ by less than this part are the same figure on a label (ours, no source). */
const SAME = 0.005;

/**
 * Why a label is to be written again: the pot was put right since, and each gram holds other kcal. Undefined where it
 * still says what is so, or nothing is left to be fed by it. Takes g and kcal/g.
 */
export function labelOff({ grams, labelGrams, density, labelDensity }: Labelled): string | undefined {
  if (grams <= 0 || Math.abs(density - labelDensity) <= labelDensity * SAME) return undefined;
  return `write it again: ${writeKcal(labelGrams * density)} kcal, not ${writeKcal(labelGrams * labelDensity)}`;
}
