import { fine, refused, type Outcome } from '../problem';
import type { UnitSet } from '../quantity/units';
import { nth } from '../sure';

/** What a machine's log says of a cycle: its hours, its temperatures, its electricity, and when it was silent. */
export interface MachineLog {
  readonly hours: number;
  readonly points: readonly { readonly hours: number; readonly celsius: number }[];
  /** kWh from its first row to its last; undefined: it does not say. */
  readonly energy: number | undefined;
  /** Where it is silent for long, or says 0 W: hours from its beginning. */
  readonly cuts: readonly { readonly from: number; readonly to: number }[];
}

const MOST_ROWS = 200_000;
/** What a dryer shows, °C; anything else is a fault of the line. */
const SHOWS = { low: -80, high: 150 };
/** A gap is longer than so many of its usual steps, and than so many hours (ours, no source). */
const [STEPS, LEAST_GAP] = [3, 0.2];

const figure = (cell: string | undefined): number =>
  (cell ?? '').trim() === '' ? NaN : Number((cell ?? '').trim().replace(/\s/g, '').replace(',', '.'));

/** Hours of a cell: "12.5", "12,5", "12:30", or an instant. */
function hoursOf(cell: string | undefined): number {
  const text = (cell ?? '').trim();
  const clock = /^(\d{1,3}):(\d{2})(?::(\d{2}))?$/.exec(text);
  if (clock) return Number(clock[1]) + Number(clock[2]) / 60 + Number(clock[3] ?? 0) / 3600;
  if (/^\d{4}-\d{2}-\d{2}[T ]/.test(text)) return Date.parse(text.replace(' ', 'T')) / 3_600_000;
  return figure(text);
}

/**
 * Reads the log of a dryer: a first row that names its columns (hours or time; °C or °F; kWh, W where it has them), and rows of
 * figures with points or commas. °F are turned into °C.
 *
 * Takes the cells of a CSV file. Refuses at `log` a file without such columns, fewer than two rows that can be read, and times
 * that run backwards. Source: arithmetic.
 */
export function readMachineLog(rows: readonly (readonly string[])[], set: UnitSet): Outcome<MachineLog> {
  if (rows.length > MOST_ROWS) return refused(`That log has ${rows.length} rows: the last cycle is enough.`, 'log');
  const [head = [], ...body] = rows;
  const named = (words: RegExp) => head.findIndex((cell) => words.test(cell));
  const time = named(/hour|time|\bh\b/i);
  const degrees = named(/°|temp|celsius|fahrenheit/i);
  if (time === -1 || degrees === -1)
    return refused('Its first row names a column of hours or times, and one of degrees.', 'log');
  const label = head[degrees] ?? '';
  const isFahrenheit = /°\s*f\b|\bf(ahrenheit)?\b/i.test(label) || (set === 'us' && !/°\s*c\b|celsius/i.test(label));
  const [meter, power] = [named(/kwh/i), named(/\bw(att)?s?\b/i)];
  const read = body
    .map((row) => ({
      at: hoursOf(row[time]),
      celsius: isFahrenheit ? ((figure(row[degrees]) - 32) * 5) / 9 : figure(row[degrees]),
      energy: meter === -1 ? NaN : figure(row[meter]),
      watts: power === -1 ? NaN : figure(row[power]),
    }))
    .filter(({ at }) => Number.isFinite(at));
  if (read.length < 2) return refused('Two rows at least, each with its time.', 'log');
  const back = read.findIndex(({ at }, index) => index > 0 && at < nth(read, index - 1).at);
  if (back !== -1) return refused(`Its times run backwards in row ${back + 2}. Sort it, or cut it there.`, 'log');
  const first = nth(read, 0).at;
  const meters = read.flatMap(({ energy }) => (Number.isFinite(energy) ? [energy] : []));
  const [from, to] = [meters[0], meters.at(-1)];
  if (from !== undefined && to !== undefined && to < from)
    return refused('Its meter runs backwards: is that one cycle?', 'log');
  return fine({
    hours: nth(read, read.length - 1).at - first,
    points: read.flatMap(({ at, celsius }) =>
      celsius >= SHOWS.low && celsius <= SHOWS.high ? [{ hours: at - first, celsius }] : [],
    ),
    energy: from === undefined || to === undefined ? undefined : to - from,
    cuts: silences(read.map(({ at, watts }) => ({ at: at - first, isOff: watts === 0 }))),
  });
}

/** Where rows are missing for long, or say that it takes nothing. */
function silences(
  rows: readonly { readonly at: number; readonly isOff: boolean }[],
): readonly { readonly from: number; readonly to: number }[] {
  const steps = rows.slice(1).map(({ at }, index) => at - nth(rows, index).at);
  const usual = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
  const found: { from: number; to: number }[] = [];
  for (const [index, { at, isOff }] of rows.slice(1).entries()) {
    const before = nth(rows, index);
    const isSilent = at - before.at > Math.max(LEAST_GAP, usual * STEPS);
    if (!isSilent && !(before.isOff && isOff)) continue;
    const last = found.at(-1);
    if (last && Math.abs(last.to - before.at) < 1e-9) last.to = at;
    else found.push({ from: before.at, to: at });
  }
  return found.filter(({ from, to }) => to - from > LEAST_GAP);
}
