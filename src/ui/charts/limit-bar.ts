import { scaleLinear } from 'd3';

/** How a bar stands against its limit, in px: what is filled, where the limit is, and what goes beyond it. */
export interface LimitBar {
  readonly filled: number;
  readonly limit: number;
  readonly over: number;
}

/** More than so many times the limit is drawn no longer. */
const LONGEST = 1.35;

/** The geometry of a bar that uses a part of what there is; above 1 it runs over its limit. Pure. */
export function limitBar(used: number, width: number): LimitBar {
  const x = scaleLinear().domain([0, LONGEST]).range([0, width]).clamp(true);
  return { filled: x(Math.min(1, used)), limit: x(1), over: used > 1 ? x(used) - x(1) : 0 };
}
