import type { Limit } from './profiles';

/** What floating point may lose is no shortage. */
const HAIR = 1e-9;
/** From this part of the weight (and of the energy) on a nutrient counts as known; below it only *perhaps* is said. */
export const ENOUGH = 0.95;

/**
 * over, short, met: said plainly, for enough is known. perhaps: only as far as is known, towards one of the three.
 * unknown: no line has a value.
 */
export type Verdict = 'over' | 'short' | 'perhaps' | 'unknown' | 'met';
export type Toward = 'over' | 'short' | 'met';

export interface Judged {
  readonly verdict: Verdict;
  /** Of a perhaps what it is as far as is known; of the others themselves. */
  readonly toward: Toward | undefined;
}

/** What is known of a nutrient: an amount from those lines that have a value, and the part of the weight that they are. */
export interface KnownAmount {
  readonly amount: number | undefined;
  readonly coverage: number;
}

const below = (amount: number, limit: number) => amount < limit * (1 - HAIR);
const above = (amount: number, limit: number) => amount > limit * (1 + HAIR);
const perhaps = (toward: Toward): Judged => ({ verdict: 'perhaps', toward });
const plainly = (toward: Toward): Judged => ({ verdict: toward, toward });

/**
 * The one verdict on a nutrient against its least and its most, for screen, plan, dogs and proposals.
 *
 * Takes the limit, what is known per 1000 kcal, the part of the food's weight whose energy is known, and where something else
 * counts against the most (of vitamin A retinol alone) that too, with what it may come to at the worst. A shortage is
 * plain when nearly all is known; too much and enough only when the energy is known as well, for unknown energy makes
 * every figure per 1000 kcal too large. Source: ours (common practice, no source).
 */
export function judge(
  { least, most }: Limit,
  known: KnownAmount,
  energyCoverage: number,
  against: KnownAmount & { readonly atWorst?: number } = known,
): Judged {
  const sure = Math.min(known.coverage, energyCoverage) >= ENOUGH;
  const sureOfMost = Math.min(against.coverage, energyCoverage) >= ENOUGH;
  if (most !== undefined && against.amount !== undefined && above(against.amount, most))
    return sureOfMost ? plainly('over') : perhaps('over');
  if (most !== undefined && against.atWorst !== undefined && above(against.atWorst, most)) return perhaps('over');
  if (known.amount === undefined) return { verdict: 'unknown', toward: undefined };
  if (least !== undefined && below(known.amount, least))
    return known.coverage >= ENOUGH ? plainly('short') : perhaps('short');
  const allSure = (least === undefined || sure) && (most === undefined || sureOfMost);
  return allSure ? plainly('met') : perhaps('met');
}

/** A proportion of two nutrients against its limits; it is as well known as the less known of the two. */
export function judgeRatio(
  limit: Limit,
  of: KnownAmount,
  to: KnownAmount,
): Judged & { readonly value?: number; readonly coverage: number } {
  const coverage = Math.min(of.coverage, to.coverage);
  if (of.amount === undefined || to.amount === undefined || to.amount === 0)
    return { verdict: 'unknown', toward: undefined, coverage };
  const value = of.amount / to.amount;
  const toward: Toward =
    limit.least !== undefined && below(value, limit.least)
      ? 'short'
      : limit.most !== undefined && above(value, limit.most)
        ? 'over'
        : 'met';
  return { ...(coverage >= ENOUGH ? plainly(toward) : perhaps(toward)), value, coverage };
}

const WORDS: Readonly<Record<Toward, readonly [plain: string, perhaps: string]>> = {
  over: ['too much', 'perhaps too much'],
  short: ['short', 'perhaps short'],
  met: ['met', 'met, as far as is known'],
};

/** A verdict in words, and a perhaps with what it leans to. */
export const sayVerdict = ({ verdict, toward }: Judged): string =>
  toward === undefined ? 'unknown' : WORDS[toward][verdict === 'perhaps' ? 1 : 0];

/** Worst first. */
export const rankOf = ({ verdict, toward }: Judged): number =>
  toward === undefined
    ? 4
    : { over: 0, short: 2, met: 6 }[toward] + (verdict === 'perhaps' ? (toward === 'met' ? -1 : 1) : 0);
