import { fine, refused, type Outcome } from '../problem';
import type { UnitSet } from '../quantity/units';

/** A point of a log: when, as it is written in the file, and °C. */
export interface LogPoint {
  /** "11:57", "11:57:30", or an ISO 8601 instant. */
  readonly time: string;
  readonly celsius: number;
}

/** As many points of a log are kept: what lies between runs straight. */
export const MOST_POINTS = 150;
/** What a probe can show, in °C; anything else in a log is a fault of the line. */
const SHOWS = { low: -60, high: 350 };
/** More rows than a probe writes in a week. */
const MOST_ROWS = 200_000;

const TIME = /^(\d{1,2}:\d{2}(:\d{2})?|\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}.*)$/;
const FAHRENHEIT = /°\s*f\b|\bf(ahrenheit)?\b/i;

/**
 * Reads the log of a probe: rows of time and temperature, whose first row may name them; a name with °F, or figures in a
 * kitchen of °F without one, are turned into °C. What a probe cannot show is left out; a long log is thinned to its turns.
 *
 * Takes the cells of a CSV file. Refuses a file without two readings, and times that run backwards. Source: arithmetic.
 */
export function readProbeLog(rows: readonly (readonly string[])[], set: UnitSet): Outcome<readonly LogPoint[]> {
  if (rows.length > MOST_ROWS) return refused(`That log has ${rows.length} rows: the last day of it is enough.`, 'log');
  const head = rows.find((row) => row.some((cell) => cell.trim() !== '')) ?? [];
  const timeColumn = rows[1]?.findIndex((cell) => TIME.test(cell.trim())) ?? -1;
  if (timeColumn === -1) return refused('A column of times, such as 11:57, and one of degrees.', 'log');
  const column = rows[1]?.findIndex((cell, place) => place !== timeColumn && Number.isFinite(read(cell))) ?? -1;
  if (column === -1) return refused('A column of degrees beside the times.', 'log');
  const named = head[column] ?? '';
  const isFahrenheit = Number.isFinite(read(named)) || !/[a-z°]/i.test(named) ? set === 'us' : FAHRENHEIT.test(named);
  const points = rows.flatMap((row): LogPoint[] => {
    const time = (row[timeColumn] ?? '').trim();
    const value = read(row[column] ?? '');
    if (!TIME.test(time) || !Number.isFinite(value)) return [];
    const celsius = isFahrenheit ? ((value - 32) * 5) / 9 : value;
    return celsius >= SHOWS.low && celsius <= SHOWS.high ? [{ time, celsius }] : [];
  });
  if (points.length < 2) return refused('Two readings at least, each with its time.', 'log');
  const back = points.findIndex((point, index) => index > 0 && point.time < (points[index - 1]?.time ?? ''));
  if (back !== -1) return refused(`Its times run backwards at ${points[back]?.time}. Sort it, or cut it there.`, 'log');
  return fine(thinned(points));
}

const read = (cell: string) => (cell.trim() === '' ? NaN : Number(cell.trim().replace(',', '.')));

/** Of so many points only those from which the straight line between their neighbours strays most, the ends among them. */
function thinned(points: readonly LogPoint[]): LogPoint[] {
  if (points.length <= MOST_POINTS) return [...points];
  // A long log is first taken at even steps: a probe writes oftener than food changes.
  const step = Math.ceil(points.length / (MOST_POINTS * 8));
  const coarse = points.filter((_, index) => index % step === 0 || index === points.length - 1);
  const kept = new Set([0, coarse.length - 1]);
  while (kept.size < Math.min(MOST_POINTS, coarse.length)) {
    const order = [...kept].sort((a, b) => a - b);
    const worst = order
      .slice(1)
      .map((to, index) => furthest(coarse, order[index] ?? 0, to))
      .reduce((a, b) => (b.off > a.off ? b : a), { at: -1, off: 0 });
    if (worst.at === -1) break;
    kept.add(worst.at);
  }
  return coarse.filter((_, index) => kept.has(index));
}

function furthest(points: readonly LogPoint[], from: number, to: number): { at: number; off: number } {
  const [a, b] = [points[from]?.celsius ?? 0, points[to]?.celsius ?? 0];
  let found = { at: -1, off: 0 };
  for (let at = from + 1; at < to; at++) {
    const off = Math.abs((points[at]?.celsius ?? 0) - (a + ((b - a) * (at - from)) / (to - from)));
    if (off > found.off) found = { at, off };
  }
  return found;
}
