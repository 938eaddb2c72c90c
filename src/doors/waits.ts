/** Wrong PINs, and when the last of them was, in ms. */
export interface Tries {
  readonly wrong: number;
  readonly last: number;
}

/** How many may be wrong before anybody waits, and the longest wait, in ms. */
export interface Patience {
  readonly free: number;
  readonly longest: number;
}

const HOUR = 3_600_000;
/** Of one address: a slip of a wet hand is free. Ours, no source. */
export const OF_ONE: Patience = { free: 3, longest: HOUR };
/** Of all addresses together, for somebody may have many. Ours, no source. */
export const OF_ALL: Patience = { free: 10, longest: HOUR / 4 };
/** Forgotten after so long without a wrong one. */
const FORGOTTEN = 24 * HOUR;

/**
 * How long nothing is looked at yet, in ms: after those that are free a second, then twice as long each time. With six digits and
 * the longest waits a million PINs take decades. Source: arithmetic.
 */
export function waitOf(tries: Tries | undefined, { free, longest }: Patience, now: number): number {
  if (!tries || tries.wrong < free || now - tries.last > FORGOTTEN) return 0;
  const wait = Math.min(longest, 1000 * 2 ** (tries.wrong - free));
  return Math.max(0, tries.last + wait - now);
}

/** One more that was wrong. */
export const oneMore = (tries: Tries | undefined, now: number): Tries => ({
  wrong: (tries && now - tries.last <= FORGOTTEN ? tries.wrong : 0) + 1,
  last: now,
});
