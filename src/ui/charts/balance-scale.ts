import { scaleLog } from 'd3';

/** Where the least stands on the scale, and where the most. */
export const BALANCE_SCALE = { least: 0.4, most: 0.86 } as const;
/** How far below its least a nutrient is drawn, as a part of it; and above, where nothing limits it. */
const LOWEST = 1 / 16;
const OPEN_MOST = 8;

/**
 * Where a nutrient stands on a scale from 0 to 1 that is common to all: its least always at the same place, its most
 * too, both in proportion of the logarithm. Takes the amount, the least and the most in one unit. Pure geometry.
 */
export function balancePlace(amount: number, least: number, most: number | undefined): number {
  const top = most ?? least * OPEN_MOST;
  const scale = scaleLog()
    .domain([least * LOWEST, least, top, top * 4])
    .range([0, BALANCE_SCALE.least, BALANCE_SCALE.most, 1])
    .clamp(true);
  return amount <= 0 ? 0 : scale(amount);
}
