import { area, curveStepAfter, scaleLinear } from 'd3';

/** Geometry of a row of steps below a strip of days, as `weeksStrip` draws the freezer: here of any figure, with its limit. */
export function stepsRow(
  values: readonly number[],
  limit: number | undefined,
  x: (index: number) => number,
  high: number,
): { readonly fill: string; readonly limit: number | undefined; readonly most: number } {
  const most = Math.max(1, limit ?? 0, ...values);
  const y = scaleLinear().domain([0, most]).range([high, 0]);
  const steps = [...values, values.at(-1) ?? 0];
  const fill = area<number>()
    .x((_, index) => x(index))
    .y0(high)
    .y1((value) => y(value))
    .curve(curveStepAfter);
  return { fill: fill(steps) ?? '', limit: limit === undefined ? undefined : y(limit), most };
}

/** px of the pots of one cook day, piled up: each with the height of its potfuls. Takes potfuls, the height of one, and the most px. */
export function potPile(
  potfuls: readonly number[],
  one: number,
  most: number,
): { readonly y: number; readonly high: number }[] {
  const all = potfuls.reduce((sum, count) => sum + count, 0);
  const unit = Math.min(one, all > 0 ? most / all : one);
  let top = most;
  return potfuls.map((count) => {
    const high = count * unit;
    top -= high;
    return { y: top, high };
  });
}
