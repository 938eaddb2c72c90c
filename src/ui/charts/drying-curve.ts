import { line, scaleLinear } from 'd3';

interface At {
  readonly hours: number;
  readonly grams: number;
}

interface Drying {
  readonly points: readonly At[];
  readonly target: number;
  /** g at an hour by the fit, and from when to when its end lies. */
  readonly fit?: {
    readonly at: (hours: number) => number;
    readonly end: number;
    readonly low: number;
    readonly high: number;
  };
}

/** How far over its end a curve is drawn. */
const MORE = 1.15;
const STEPS = 60;

/** Geometry of a drying load, in px: its weighings, the curve through them, the target weight, and the band of its end. */
export function dryingCurve(
  { points, target, fit }: Drying,
  { width, height, left }: { readonly width: number; readonly height: number; readonly left: number },
) {
  const last = Math.max(...points.map(({ hours }) => hours));
  const until = Math.max(1, last, fit ? Math.min(fit.high, fit.end * 2) : 0) * MORE;
  const most = Math.max(...points.map(({ grams }) => grams), target);
  const x = scaleLinear().domain([0, until]).range([left, width]);
  const y = scaleLinear().domain([0, most]).nice().range([height, 0]);
  const draw = line<At>()
    .x(({ hours }) => x(hours))
    .y(({ grams }) => y(grams));
  const curve = fit
    ? Array.from({ length: STEPS }, (_, index) => {
        const hours = (until * index) / (STEPS - 1);
        return { hours, grams: fit.at(hours) };
      })
    : [];
  const end = fit && { from: x(fit.low), to: x(Math.min(fit.high, until)), at: x(fit.end) };
  return {
    points: points.map((point) => ({ ...point, x: x(point.hours), y: y(point.grams) })),
    curve: draw(curve) ?? '',
    target: y(target),
    end,
    hours: x.ticks(6).map((hours) => ({ hours, x: x(hours) })),
    weights: y.ticks(4).map((grams) => ({ grams, y: y(grams) })),
  };
}
