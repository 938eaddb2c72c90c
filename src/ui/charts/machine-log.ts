import { extent, line, scaleLinear } from 'd3';

interface Row {
  readonly hours: number;
  readonly celsius: number;
}

/** Geometry of a machine's log, in px: its temperature over its hours. */
export function machineLog(
  rows: readonly Row[],
  { width, height }: { readonly width: number; readonly height: number },
) {
  const [first = 0, last = 1] = extent(rows, ({ hours }) => hours);
  const [least = 0, most = 0] = extent(rows, ({ celsius }) => celsius);
  const x = scaleLinear()
    .domain([first, Math.max(last, first + 0.1)])
    .range([0, width]);
  // A degree of noise is no mountain.
  const y = scaleLinear()
    .domain([Math.min(least, most - 5), Math.max(most, least + 5)])
    .range([height - 4, 4]);
  const draw = line<Row>()
    .x(({ hours }) => x(hours))
    .y(({ celsius }) => y(celsius));
  return { path: draw([...rows]) ?? '', least, most };
}
