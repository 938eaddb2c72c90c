import { addUp } from '../add-up';
import { nth, sure } from '../sure';

/** Containers of one size: what each takes in g, and how many there are. */
export interface Container {
  readonly name: string;
  readonly grams: number;
  readonly count: number;
}

/** A container that is taken, with what it takes when it is full. */
export interface Filled {
  readonly name: string;
  readonly grams: number;
}

/** A liquid swells by about a tenth as it freezes (handbook 10, common practice). */
export const HEADSPACE = 0.1;

const one = ({ name, grams }: Container): Filled => ({ name, grams });
const all = (containers: readonly Container[]): Filled[] =>
  containers.flatMap((each) => Array.from({ length: each.count }, () => one(each)));

/**
 * The fewest containers that hold so many g: the largest first, and for the last one the smallest that still takes the
 * rest. Undefined where all together do not hold it. Source: arithmetic (no fewer can hold more than the largest do).
 */
export function fewestContainers(grams: number, containers: readonly Container[]): Filled[] | undefined {
  const sorted = all(containers).sort((a, b) => b.grams - a.grams);
  const taken: Filled[] = [];
  let left = grams;
  while (left > 0) {
    const next = sorted[taken.length];
    if (!next) return undefined;
    if (next.grams >= left) {
      const last = sorted.slice(taken.length).findLast((each) => each.grams >= left);
      return [...taken, sure(last)];
    }
    taken.push(next);
    left -= next.grams;
  }
  return taken;
}

/**
 * The containers whose full weights come closest above so many g, so that the short pack lacks least; among those the
 * fewest. Undefined where all together do not hold it.
 *
 * Takes whole g and containers of a few sizes. By the sums that can be reached, to the gram, with the fewest containers to
 * each. Source: the knapsack's recurrence.
 */
export function leastShort(grams: number, containers: readonly Container[]): Filled[] | undefined {
  const sizes = containers.map((each) => ({ ...each, whole: Math.floor(each.grams) })).filter(({ whole }) => whole > 0);
  if (addUp(sizes, ({ whole, count }) => whole * count) < grams || grams <= 0) return grams <= 0 ? [] : undefined;
  const most = grams + Math.max(...sizes.map(({ whole }) => whole));
  /** By a sum: how many containers reach it, and how many of each size so far were taken for that. */
  let best = new Map<number, readonly number[]>([[0, []]]);
  for (const { whole, count } of sizes) {
    const next = new Map<number, readonly number[]>();
    for (const [sum, taken] of best)
      for (let more = 0; more <= count && sum + more * whole <= most; more++) {
        const own = [...taken, more];
        const before = next.get(sum + more * whole);
        if (!before || total(own) < total(before)) next.set(sum + more * whole, own);
        if (sum + more * whole >= grams) break;
      }
    best = next;
  }
  const [reached] = [...best.keys()].filter((sum) => sum >= grams).sort((a, b) => a - b);
  if (reached === undefined) return undefined;
  return sure(best.get(reached))
    .flatMap((count, place) => Array.from({ length: count }, () => one(nth(sizes, place))))
    .sort((a, b) => b.grams - a.grams);
}

const total = (counts: readonly number[]) => addUp(counts, (count) => count);
