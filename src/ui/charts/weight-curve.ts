import { curveMonotoneX, line, scaleLinear } from 'd3';

export interface WeightPoint {
  /** Days from today; negative in the past. */
  readonly day: number;
  readonly grams: number;
}

interface Curves {
  readonly past: readonly WeightPoint[];
  /** The way that is expected, from today on. */
  readonly ahead?: readonly WeightPoint[];
  /** A straight trend through what was weighed. */
  readonly trend?: readonly WeightPoint[];
  /** Where the weight should lie, in g. */
  readonly band?: readonly [number, number];
}

/** Geometry of a weight curve: weighed points, trend, target band, the way ahead, and the axes in a unit of so many g, in px. */
export function weightCurve(
  { past, ahead = [], trend = [], band }: Curves,
  size: { readonly width: number; readonly height: number },
  unitGrams = 1000,
) {
  const all = [...past, ...ahead, ...trend];
  const weights = [...all.map((point) => point.grams), ...(band ?? [])];
  const spread = Math.max(400, Math.max(...weights) - Math.min(...weights));
  const x = scaleLinear()
    .domain([Math.min(...all.map((point) => point.day), -7), Math.max(...all.map((point) => point.day), 0)])
    .range([0, size.width]);
  const y = scaleLinear()
    .domain([(Math.min(...weights) - spread * 0.15) / unitGrams, (Math.max(...weights) + spread * 0.15) / unitGrams])
    .range([size.height, 0]);
  const draw = line<WeightPoint>()
    .x((point) => x(point.day))
    .y((point) => y(point.grams / unitGrams))
    .curve(curveMonotoneX);
  return {
    points: past.map((point) => ({ ...point, x: x(point.day), y: y(point.grams / unitGrams) })),
    pastPath: draw([...past]) ?? '',
    aheadPath: draw([...ahead]) ?? '',
    trendPath: draw([...trend]) ?? '',
    band: band && { y: y(band[1] / unitGrams), height: y(band[0] / unitGrams) - y(band[1] / unitGrams) },
    todayX: x(0),
    ticks: y.ticks(4).map((value) => ({ value, y: y(value) })),
    days: x.ticks(4).map((day) => ({ day: Math.round(day), x: x(day) })),
  };
}
