import { area, curveStepAfter, line, scaleLinear } from 'd3';

/** Geometry of a strip of days with the freezer below it, in px. Takes the days, mL of each, and what the freezer holds. */
export function weeksStrip(
  days: number,
  millilitres: readonly number[],
  capacity: number | undefined,
  { width, left, high }: { readonly width: number; readonly left: number; readonly high: number },
) {
  const cell = (width - left) / Math.max(1, days);
  const x = (index: number) => left + index * cell;
  const most = Math.max(1, capacity ?? 0, ...millilitres);
  const y = scaleLinear().domain([0, most]).range([high, 0]);
  // A day is as wide as its square: its last one is drawn to its end.
  const steps = [...millilitres, millilitres.at(-1) ?? 0];
  const fill = area<number>()
    .x((_, index) => x(index))
    .y0(high)
    .y1((value) => y(value))
    .curve(curveStepAfter);
  const edge = line<number>()
    .x((_, index) => x(index))
    .y((value) => y(value))
    .curve(curveStepAfter);
  return {
    cell,
    x,
    fill: fill(steps) ?? '',
    edge: edge(steps) ?? '',
    limit: capacity === undefined ? undefined : y(capacity),
  };
}
