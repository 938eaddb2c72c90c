import { curveMonotoneX, line, scaleLinear } from 'd3';

export interface WeightPoint {
  /** Days from today; negative in the past. */
  readonly day: number;
  readonly kg: number;
}

interface Curves {
  readonly past: readonly WeightPoint[];
  /** The way that is expected, from today on. */
  readonly ahead?: readonly WeightPoint[];
  /** A straight trend through what was weighed. */
  readonly trend?: readonly WeightPoint[];
  /** Where the weight should lie, in kg. */
  readonly band?: readonly [number, number];
}

/** Geometry of a weight curve: weighed points, trend, target band, the way ahead, and the axes, in px. */
export function weightCurve(
  { past, ahead = [], trend = [], band }: Curves,
  size: { readonly width: number; readonly height: number },
) {
  const all = [...past, ...ahead, ...trend];
  const kgs = [...all.map((point) => point.kg), ...(band ?? [])];
  const spread = Math.max(0.4, Math.max(...kgs) - Math.min(...kgs));
  const x = scaleLinear()
    .domain([Math.min(...all.map((point) => point.day), -7), Math.max(...all.map((point) => point.day), 0)])
    .range([0, size.width]);
  const y = scaleLinear()
    .domain([Math.min(...kgs) - spread * 0.15, Math.max(...kgs) + spread * 0.15])
    .range([size.height, 0]);
  const draw = line<WeightPoint>()
    .x((point) => x(point.day))
    .y((point) => y(point.kg))
    .curve(curveMonotoneX);
  return {
    points: past.map((point) => ({ ...point, x: x(point.day), y: y(point.kg) })),
    pastPath: draw([...past]) ?? '',
    aheadPath: draw([...ahead]) ?? '',
    trendPath: draw([...trend]) ?? '',
    band: band && { y: y(band[1]), height: y(band[0]) - y(band[1]) },
    todayX: x(0),
    ticks: y.ticks(4).map((kg) => ({ kg, y: y(kg) })),
    days: x.ticks(4).map((day) => ({ day: Math.round(day), x: x(day) })),
  };
}
