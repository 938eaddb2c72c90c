import { scaleLinear } from 'd3';

export interface Segment<T> {
  readonly of: T;
  readonly x: number;
  readonly width: number;
}

/** A bar of shares that sum to one, laid end to end over `width` px. Pure geometry. */
export function stackedBar<T>(parts: readonly T[], share: (part: T) => number, width: number): Segment<T>[] {
  const scale = scaleLinear().domain([0, 1]).range([0, width]);
  let start = 0;
  return parts.map((part) => {
    const segment = { of: part, x: scale(start), width: scale(share(part)) };
    start += share(part);
    return segment;
  });
}
