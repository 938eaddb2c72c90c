import { scaleUtc, utcDay, utcHour, utcMinute } from 'd3';

/** Something in a row of a timeline. */
export interface TimeSpan {
  readonly key: string;
  readonly row: string;
  readonly start: Date;
  readonly end: Date;
}

export interface TimelineSize {
  readonly width: number;
  /** px left of the time for the names of the rows. */
  readonly names: number;
  /** px of one row, and of its bars. */
  readonly row: number;
  readonly bar: number;
  /** px above the rows for the hours. */
  readonly head: number;
}

/** Minutes between two marks of time, so that there are at most so many. */
const STEPS = [5, 10, 15, 30, 60, 120, 240, 720];
const MOST_MARKS = 12;

/**
 * Geometry of a day of rows and spans, in px: bars, marks of time and a place for any instant. Takes the rows in their order and the
 * spans; the time runs from the first of them to the last, and over every instant of `also`.
 */
export function cookTimeline(
  rows: readonly string[],
  spans: readonly TimeSpan[],
  also: readonly Date[],
  { width, names, row, bar, head }: TimelineSize,
) {
  const all = [...spans.flatMap(({ start, end }) => [start, end]), ...also].map((each) => each.getTime());
  const from = Math.min(...all);
  // A day of nothing is still a quarter of an hour wide.
  const until = Math.max(...all, from + 15 * 60_000);
  const x = scaleUtc()
    .domain([from, until])
    .range([names, width - 1]);
  const minutes = (until - from) / 60_000;
  const step = STEPS.find((each) => minutes / each <= MOST_MARKS) ?? 1440;
  // Within an hour marks are counted by its minutes, beyond by the hours of a day.
  const every = step < 60 ? utcMinute.every(step) : step < 1440 ? utcHour.every(step / 60) : utcDay.every(1);
  return {
    height: head + rows.length * row,
    x: (instant: Date) => x(instant),
    rows: rows.map((name, place) => ({ name, y: head + place * row, middle: head + place * row + row / 2 })),
    bars: spans.map((span) => {
      const place = rows.indexOf(span.row);
      const left = x(span.start);
      return {
        key: span.key,
        x: left,
        y: head + place * row + (row - bar) / 2,
        width: Math.max(2, x(span.end) - left),
        height: bar,
      };
    }),
    marks: (every ? x.ticks(every) : []).map((at) => ({ at, x: x(at) })),
  };
}
