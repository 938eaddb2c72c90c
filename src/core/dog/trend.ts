import { median } from 'd3-array';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import { grams, GRAMS_PER_POUND, type Grams } from '../quantity/units';
import type { WeighIn } from './dog';
import { trendLine, type TrendLine } from './trend-line';
import { sure } from '../sure';

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
const NEIGHBOURS = 4;

/** The weigh-ins that count: of two on one day the later; sorted by date. */
export function countingWeighIns<W extends WeighIn>(weighIns: readonly W[]): W[] {
  const byDay = new Map(weighIns.map((entry) => [entry.date, entry]));
  return [...byDay.values()].sort((a, b) => a.date.localeCompare(b.date));
}

/** The same weigh-ins with kg/lb slips set right for the reckoning; `slipped` marks them. */
export function withoutSlips<W extends WeighIn>(weighIns: readonly W[]): (W & { readonly slipped: boolean })[] {
  const counting = countingWeighIns(weighIns);
  return counting.map((entry, index) => {
    const start = Math.max(0, index - NEIGHBOURS);
    const neighbours = counting
      .slice(start, index + NEIGHBOURS + 1)
      .map((other, at) => ({ grams: other.grams, far: Math.abs(start + at - index) }))
      .filter((other) => other.far > 0)
      .sort((a, b) => a.far - b.far)
      .slice(0, NEIGHBOURS)
      .map((other) => other.grams);
    if (neighbours.length < 2) return { ...entry, slipped: false };
    const meant = kgLbSlip(entry.grams, grams(sure(median(neighbours))));
    return meant === undefined ? { ...entry, slipped: false } : { ...entry, grams: meant, slipped: true };
  });
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
