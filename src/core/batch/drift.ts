import { energyOf, type EnergyFactors } from '../nutrition/energy';
import { staysOfTake } from './evidence';
import type { WeighedTake } from './observations';

/** A line that is off by more than this part is said (ours, no source). */
const SAID_FROM = 0.05;

/** What went in otherwise than planned. */
export interface Drift {
  readonly lines: readonly { readonly name: string; readonly planned: number; readonly weighed: number }[];
  /** kcal of the whole batch as planned, and as it went in. */
  readonly planned: number;
  readonly weighed: number;
}

/**
 * The lines that differ by more than 5 % from what was planned, and what the batch's energy is by them; undefined where
 * none does. Lines that were not planned at all count. Takes g. Source: arithmetic.
 */
export function driftFromPlan(takes: readonly WeighedTake[], factors: EnergyFactors): Drift | undefined {
  const off = takes.filter(({ planned, weighed }) => Math.abs(weighed - planned) > planned * SAID_FROM);
  if (off.length === 0) return undefined;
  const kcal = (grams: (take: WeighedTake) => number) =>
    energyOf(
      takes.flatMap((take) => staysOfTake(take, grams(take))),
      factors,
    );
  return {
    lines: off.map(({ words, planned, weighed }) => ({ name: words, planned, weighed })),
    planned: kcal((take) => take.planned),
    weighed: kcal((take) => take.weighed),
  };
}

/** By what part the energy of a batch changed, in whole percent. */
export const driftInPercent = ({ planned, weighed }: Drift): number =>
  planned > 0 ? Math.round((weighed / planned - 1) * 100) : 0;
