import { extent, scaleLinear } from 'd3';

/** px that stay free on either side, so that the outermost dot is whole. */
const EDGE = 10;

interface Plotted {
  readonly values: readonly number[];
  readonly mean: number | undefined;
  readonly spread: number | undefined;
  /** What the table says. */
  readonly table: number | undefined;
}

/** One axis for several that are looked at together, from the least to the most of them. Takes what stands on each. */
export function axisOf(all: readonly Plotted[]): readonly [number, number] {
  const [low = 0, high = 0] = extent(
    all.flatMap(({ values, mean, spread = 0, table }) => [
      ...values,
      ...(mean === undefined ? [] : [mean - spread, mean + spread]),
      ...(table === undefined ? [] : [table]),
    ]),
  );
  return low === high
    ? [low - Math.max(1, Math.abs(low) * 0.1), high + Math.max(1, Math.abs(high) * 0.1)]
    : [low, high];
}

/**
 * Geometry of what was observed on an axis, in px: a dot for each, the mean with its band, and what the table says. Takes what stands
 * on it, the axis, and the width.
 */
export function dotPlot({ values, mean, spread, table }: Plotted, axis: readonly [number, number], width: number) {
  const x = scaleLinear()
    .domain(axis)
    .range([EDGE, width - EDGE]);
  return {
    dots: values.map((value) => x(value)),
    mean: mean === undefined ? undefined : x(mean),
    band:
      mean === undefined || spread === undefined
        ? undefined
        : { x: x(mean - spread), width: x(mean + spread) - x(mean - spread) },
    table: table === undefined ? undefined : x(table),
  };
}
