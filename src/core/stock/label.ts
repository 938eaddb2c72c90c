import { writeGrams, writeKcal } from '../quantity/write';
import { HALF_A_GRAM } from '../batch/fold';

/** A pack as its label says it, and as it is known now. */
export interface Labelled {
  readonly grams: number;
  /** What was sealed in it, as it is known now. */
  readonly sealedGrams: number;
  readonly labelGrams: number;
  readonly density: number;
  readonly labelDensity: number;
}

/** Whether nothing was taken of a pack since it was sealed: it holds what was sealed in it. Takes g. */
export const isWhole = ({ grams, sealedGrams }: Pick<Labelled, 'grams' | 'sealedGrams'>): boolean =>
  grams > 0 && Math.abs(grams - sealedGrams) < HALF_A_GRAM;

/** kcal that differ by less than this part are the same figure on a label (ours, no source). */
const SAME = 0.005;

/**
 * Why a label is to be written again: the pot was put right since, and each gram holds other kcal; or the pack was weighed
 * again while it was whole. Undefined where it still says what is so, or nothing is left to be fed by it. Takes g and
 * kcal/g; `write` says a weight.
 */
export function labelOff(
  { grams, sealedGrams, labelGrams, density, labelDensity }: Labelled,
  write: (mass: number) => string = writeGrams,
): string | undefined {
  if (grams <= 0) return undefined;
  const now = isWhole({ grams, sealedGrams }) ? grams : labelGrams;
  const otherWeight = Math.abs(now - labelGrams) >= HALF_A_GRAM;
  if (!otherWeight && Math.abs(density - labelDensity) <= labelDensity * SAME) return undefined;
  const weight = otherWeight ? `${write(now)}, not ${write(labelGrams)}: ` : '';
  return `write it again: ${weight}${writeKcal(now * density)} kcal, not ${writeKcal(labelGrams * labelDensity)}`;
}
