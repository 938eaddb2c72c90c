import { median } from 'd3-array';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import { grams, GRAMS_PER_POUND, type Grams } from '../quantity/units';
import type { WeighIn } from './dog';
import { trendLine, type TrendLine } from './trend-line';
import { nth, sure } from '../sure';

/** A weight read in the wrong unit is off by this factor, either way. */
const SLIP = Math.log(1000 / GRAMS_PER_POUND);
/** How near to that factor a weight must lie to be taken for a slip: no dog changes so much within weeks. */
const SLIP_NEAR = 0.2;

/**
 * Whether a weight (g) beside another one looks like kg written for lb or the other way round; returns the weight
 * that would then be meant. Source: arithmetic, 1 kg = 2.2046 lb.
 */
export function kgLbSlip(weight: Grams, expected: Grams): Grams | undefined {
  const off = Math.log(weight / expected);
  if (Math.abs(off - SLIP) < SLIP_NEAR) return grams(weight * (GRAMS_PER_POUND / 1000));
  if (Math.abs(off + SLIP) < SLIP_NEAR) return grams(weight * (1000 / GRAMS_PER_POUND));
  return undefined;
}

/** A weight is held against so many of those nearest in time. */
const NEIGHBOURS = 6;

/** The weigh-ins that count: of two on one day the later; sorted by date. */
export function countingWeighIns<W extends WeighIn>(weighIns: readonly W[]): W[] {
  const byDay = new Map(weighIns.map((entry) => [entry.date, entry]));
  return [...byDay.values()].sort((a, b) => a.date.localeCompare(b.date));
}

/** The same weigh-ins with kg/lb slips set right for the reckoning; `slipped` marks them. */
export function withoutSlips<W extends WeighIn>(weighIns: readonly W[]): (W & { readonly slipped: boolean })[] {
  const counting = countingWeighIns(weighIns);
  const masses = counting.map((entry) => entry.grams);
  // The first and the last stand on one side of all others, which have to be right before.
  const ends = new Set([0, counting.length - 1]);
  const order = [...counting.keys()].sort((a, b) => Number(ends.has(a)) - Number(ends.has(b)));
  for (const index of order) {
    const own = nth(counting, index);
    const start = Math.max(0, index - NEIGHBOURS);
    const neighbours = counting
      .slice(start, index + NEIGHBOURS + 1)
      .map(({ date }, at) => ({
        grams: nth(masses, start + at),
        day: daysBetween(own.date, date),
        far: Math.abs(start + at - index),
      }))
      .filter((other) => other.far > 0)
      .sort((a, b) => a.far - b.far)
      .slice(0, NEIGHBOURS);
    if (neighbours.length < 2) continue;
    // A pup's first weight is far below those that follow, and is where they come from: however growth bends, it has to be a slip.
    const meant = kgLbSlip(
      own.grams,
      foretold(neighbours, (mass) => mass),
    );
    const isSlip = meant !== undefined && kgLbSlip(own.grams, foretold(neighbours, Math.log, Math.exp)) !== undefined;
    if (isSlip) masses[index] = meant;
  }
  return counting.map((entry, index) => ({
    ...entry,
    grams: nth(masses, index),
    slipped: nth(masses, index) !== entry.grams,
  }));
}

/**
 * The weight in g that others foretell for day 0: the median of the slopes between any two, through their median (Theil and Sen), of the
 * weights or of their logarithms; never less than a third of the lightest.
 */
function foretold(
  others: readonly { readonly grams: number; readonly day: number }[],
  measure: (mass: number) => number,
  back: (value: number) => number = measure,
): Grams {
  const points = others.map(({ grams: mass, day }) => ({ day, value: measure(mass) }));
  const slope = sure(
    median(points.flatMap((a, at) => points.slice(at + 1).map((b) => (b.value - a.value) / (b.day - a.day)))),
  );
  const least = Math.min(...others.map((other) => other.grams)) / 3;
  return grams(Math.max(least, back(sure(median(points, ({ day, value }) => value - slope * day)))));
}

export interface Trend {
  readonly first: LocalDate;
  readonly last: LocalDate;
  readonly count: number;
  /** The weight in g that the trend gives for the last weigh-in's day. */
  readonly weight: Grams;
  /** % of body weight a week, with its standard error. */
  readonly percentAWeek: number;
  readonly standardError: number;
  /** The trend's weight in g on a day. */
  readonly at: (day: LocalDate) => Grams;
}

/** How far back a trend looks. */
export const TREND_WEEKS = 12;

/** The weigh-ins of the last twelve weeks before the last one, slips set right. */
export function recentWeighIns<W extends WeighIn>(weighIns: readonly W[]): (W & { readonly slipped: boolean })[] {
  const clean = withoutSlips(weighIns);
  const last = clean.at(-1);
  return last ? clean.filter((entry) => daysBetween(entry.date, last.date) <= TREND_WEEKS * 7) : [];
}

/**
 * The robust trend of a dog's weight over the last twelve weeks: a straight line through the logarithms of the
 * weights, Tukey's biweight over ordinary least squares, after kg/lb slips were set right.
 *
 * Takes weigh-ins; refuses fewer than three days or less than two weeks. Source: Tukey's biweight, c = 4.685
 * (standard robust regression).
 */
export function trendOf(weighIns: readonly WeighIn[]): Outcome<Trend> {
  const recent = recentWeighIns(weighIns);
  const first = recent[0];
  const last = recent.at(-1);
  if (!first || !last || recent.length < 3) return refused('Three weigh-ins make a trend.');
  if (daysBetween(first.date, last.date) < 14) return refused('A trend needs two weeks of weigh-ins.');
  const x = (day: LocalDate) => daysBetween(first.date, day);
  const line: TrendLine = trendLine(
    recent.map((entry) => x(entry.date)),
    recent.map((entry) => Math.log(entry.grams)),
  );
  const at = (day: LocalDate) => grams(Math.exp(line.intercept + line.slope * x(day)));
  const weekly = (slope: number) => (Math.exp(slope * 7) - 1) * 100;
  return fine({
    first: first.date,
    last: last.date,
    count: recent.length,
    weight: at(last.date),
    percentAWeek: weekly(line.slope),
    standardError: line.slopeError * 7 * 100,
    at,
  });
}
