import { scaleLinear, scaleSqrt } from 'd3';
import { daysBetween, type LocalDate } from '@/core/calendar/local-date';

interface Kept {
  readonly until: LocalDate | undefined;
  readonly millilitres: number;
}

const YEAR = 365;

/** Geometry of what is kept: a box as large as its volume (its area), and a line as long as it keeps, up to a year. */
export function keepingBars(
  kept: readonly Kept[],
  today: LocalDate,
  { width, height }: { readonly width: number; readonly height: number },
) {
  const most = Math.max(1, ...kept.map(({ millilitres }) => millilitres));
  const side = scaleSqrt()
    .domain([0, most])
    .range([0, height - 26]);
  const line = scaleLinear().domain([0, YEAR]).range([0, width]).clamp(true);
  return kept.map(({ until, millilitres }) => ({
    tall: side(millilitres),
    wide: side(millilitres) * 1.4,
    keeps: until === undefined ? width : line(daysBetween(today, until)),
  }));
}
