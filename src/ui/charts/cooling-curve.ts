import { line, range, scaleLinear } from 'd3';
import type { HeatPoint } from '@/core/heat/lethality';

interface Cooling {
  readonly points: readonly HeatPoint[];
  /** When the clock of the limits began, in minutes. */
  readonly begins: number;
  /** Each limit: so cold, so many minutes after that. */
  readonly limits: readonly { readonly celsius: number; readonly minutes: number }[];
  /** °C at a minute by each stretch of the curve, and from when to when it holds. */
  readonly pieces: readonly { readonly at: (minutes: number) => number; readonly from: number; readonly to: number }[];
  /** What a remedy would do, from now on. */
  readonly other?: readonly HeatPoint[];
  /** Minutes, now. */
  readonly now: number;
}

/** °C at the top of the drawing, and how far over the last limit its time runs. */
const HOUR = 60;
const TOP = 100;
const MORE = 1.08;

/**
 * Geometry of a cooling pan, in px: its readings, the curve through them, where it would be too warm for too long, and the
 * axes. Time runs from the pouring to a little over the last limit.
 */
export function coolingCurve(
  { points, begins, limits, pieces, other = [], now }: Cooling,
  { width, height, left }: { readonly width: number; readonly height: number; readonly left: number },
) {
  const last = begins + Math.max(...limits.map((limit) => limit.minutes));
  const until = Math.max(last * MORE, now, ...points.map((point) => point.minutes));
  const hottest = Math.min(TOP, Math.max(62, ...points.map((point) => point.celsius)) + 3);
  const x = scaleLinear().domain([0, until]).range([left, width]);
  const y = scaleLinear().domain([0, hottest]).range([height, 0]);
  const draw = line<HeatPoint>()
    .x((point) => x(point.minutes))
    .y((point) => y(point.celsius));
  const curves = pieces.map(({ at, from, to }) =>
    Array.from({ length: 80 }, (_, index): HeatPoint => {
      const minutes = from + ((Math.min(until, to) - from) * index) / 79;
      return { minutes, celsius: at(minutes) };
    }),
  );
  return {
    points: points.map((point) => ({ ...point, x: x(point.minutes), y: y(point.celsius) })),
    curves: curves.flatMap((curve) => draw(curve.filter((point) => point.celsius <= hottest)) ?? []),
    other: draw([...other].filter((point) => point.minutes <= until)) ?? '',
    // Over each limit's temperature after its time, up to the top: too warm for too long.
    zones: limits.map((limit, index) => {
      const next = limits[index + 1];
      const from = x(begins + limit.minutes);
      const to = next ? x(begins + next.minutes) : width;
      return { x: from, width: Math.max(0, (index === 0 ? width : to) - from), y: 0, height: y(limit.celsius) };
    }),
    lines: limits.map((limit) => ({ celsius: limit.celsius, y: y(limit.celsius) })),
    hours: range(0, until + 1, HOUR * Math.ceil(until / HOUR / 8)).map((minutes) => ({ minutes, x: x(minutes) })),
    x: (minutes: number) => x(minutes),
    y: (celsius: number) => y(celsius),
  };
}
