import { line, range, scaleLinear } from 'd3';

interface Warming {
  /** °C of each place, hours after the power went. */
  readonly places: readonly { readonly key: string; readonly at: (hours: number) => number }[];
  readonly readings: readonly { readonly key: string; readonly hours: number; readonly celsius: number }[];
  /** Hours that the power has been away, and whether that is the end of it. */
  readonly away: number;
  readonly until: number;
}

/** Geometry of places that warm while there is no power, in px: a curve each, what was read, the limits and the hours. */
export function warmingCurve(
  { places, readings, away, until }: Warming,
  { width, height, left }: { readonly width: number; readonly height: number; readonly left: number },
) {
  const x = scaleLinear().domain([0, until]).range([left, width]);
  const warmest = Math.max(
    8,
    ...places.map((place) => Math.min(14, place.at(until))),
    ...readings.map((reading) => reading.celsius),
  );
  const y = scaleLinear().domain([-20, warmest]).range([height, 0]).clamp(true);
  const draw = line<number>().x((hours) => x(hours));
  const step = until <= 12 ? 2 : until <= 30 ? 4 : until <= 60 ? 8 : 24;
  return {
    away: { x: left, width: Math.max(0, x(Math.min(away, until)) - left) },
    curves: places.map(({ key, at }) => ({
      key,
      path: draw.y((hours) => y(at(hours)))(range(0, until + until / 160, until / 80)) ?? '',
      end: { x: x(until), y: y(at(until)) },
    })),
    readings: readings.map(({ key, hours, celsius }) => ({ key, hours, x: x(hours), y: y(celsius), celsius })),
    hours: range(0, until + 0.01, step).map((hours) => ({ hours, x: x(hours) })),
    y: (celsius: number) => y(celsius),
    x: (hours: number) => x(hours),
  };
}
