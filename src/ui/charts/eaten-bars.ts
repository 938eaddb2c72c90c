import { curveStepAfter, extent, line, scaleLinear } from 'd3';

interface EatenDayShown {
  readonly need: number;
  readonly kcal: number | undefined;
  readonly known: number;
  readonly reported: boolean;
}

/**
 * Geometry of a dog's days, in px: a bar of what it got on each, and what it needed as a line of steps. A day of which not all is known
 * is an outline of what is. Takes the days and the size.
 */
export function eatenBars(
  days: readonly EatenDayShown[],
  { width, left, high }: { readonly width: number; readonly left: number; readonly high: number },
) {
  const cell = (width - left) / Math.max(1, days.length);
  const x = (index: number) => left + index * cell;
  const most = Math.max(1, ...days.flatMap(({ need, kcal, known }) => [need, kcal ?? known]));
  const y = scaleLinear()
    .domain([0, most * 1.05])
    .range([high, 0]);
  const needs = [...days.map(({ need }) => need), days.at(-1)?.need ?? 0];
  return {
    cell,
    x,
    bars: days.map(({ kcal, known, reported }) => ({
      y: y(kcal ?? known),
      high: high - y(kcal ?? known),
      whole: kcal !== undefined,
      reported,
    })),
    need:
      line<number>()
        .x((_, index) => x(index))
        .y((value) => y(value))
        .curve(curveStepAfter)(needs) ?? '',
  };
}

/**
 * A dog's weights over its days, in px: a point for each weigh-in in the middle of its day, and the line through them. Takes the place of
 * each weigh-in among the days with its g, and the strip that it is drawn in.
 */
export function weightsOver(
  weights: readonly { readonly index: number; readonly grams: number }[],
  { x, cell, high }: { readonly x: (index: number) => number; readonly cell: number; readonly high: number },
) {
  const [least = 0, most = 0] = extent(weights, ({ grams }) => grams);
  // Two per cent are drawn as little: a scale is no finer.
  const slack = Math.max(0, most * 0.02 - (most - least)) / 2;
  const y = scaleLinear()
    .domain([least - slack, most + slack])
    .range([high - 4, 4]);
  const points = weights.map(({ index, grams }) => ({ x: x(index) + cell / 2, y: y(grams) }));
  return {
    points,
    path:
      line<{ x: number; y: number }>()
        .x((point) => point.x)
        .y((point) => point.y)(points) ?? '',
  };
}
