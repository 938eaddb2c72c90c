import { habitOf } from '../plan/predict';

/** A pot that came to far more or less than the kitchen's others of its recipe: parts of what went in, 0 to 1. */
export interface Unusual {
  readonly part: number;
  readonly low: number;
  readonly high: number;
  readonly pots: number;
}

/** How far a pot may stray: three standard deviations, and never less than this part; of a single pot more (ours, no source). */
const STRAYS = { deviations: 3, least: 0.1, ofOne: 0.15 } as const;

/**
 * Whether a pot is to be asked about before it is kept: what was there of each g that went in lies outside what this
 * kitchen's weighed pots of the recipe came to. Undefined where it does not, or none was weighed yet.
 *
 * Takes g of the whole yield, g that went in, and the parts of the pots before. Source: elementary statistics; ours.
 */
export function unusualYield(whole: number, inPot: number, pots: readonly number[]): Unusual | undefined {
  const { mean, spread } = habitOf(pots);
  if (mean === undefined || !(inPot > 0)) return undefined;
  const strays = spread === undefined ? STRAYS.ofOne : Math.max(STRAYS.least, STRAYS.deviations * spread);
  const part = whole / inPot;
  const [low, high] = [Math.max(0, mean - strays), Math.min(1, mean + strays)];
  return part < low || part > high ? { part, low, high, pots: pots.length } : undefined;
}
