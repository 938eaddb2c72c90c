import { median } from 'd3-array';
import { nth, sure } from '../sure';
import { addUp } from '../add-up';

export interface TrendLine {
  readonly intercept: number;
  readonly slope: number;
  /** Standard error of the slope. */
  readonly slopeError: number;
  /** Degrees of freedom that are left. */
  readonly freedom: number;
}

/** Tukey's constant: 95 % as efficient as least squares where nothing strays. */
const BIWEIGHT = 4.685;
const ROUNDS = 20;

/**
 * A straight line y = a + b·x by Tukey's biweight, started from least squares and iterated. At least three points with
 * two different x. Source: standard robust regression; MAD / 0.6745 as its scale.
 */
export function trendLine(x: readonly number[], y: readonly number[]): TrendLine {
  let weights = x.map(() => 1);
  let line = fit(x, y, weights);
  for (let round = 0; round < ROUNDS; round++) {
    const residuals = x.map((each, index) => nth(y, index) - line.intercept - line.slope * each);
    // A three-point line leaves too little to tell a stray from noise.
    const scale = sure(median(residuals.map(Math.abs))) / 0.6745;
    if (x.length < 5 || !(scale > 1e-12)) break;
    weights = residuals.map((residual) => {
      const u = residual / (BIWEIGHT * scale);
      return Math.abs(u) >= 1 ? 0 : (1 - u * u) ** 2;
    });
    if (weights.filter((weight) => weight > 0.05).length < 3) break;
    line = fit(x, y, weights);
  }
  return line;
}

function fit(x: readonly number[], y: readonly number[], weights: readonly number[]): TrendLine {
  const total = addUp(weights, (weight) => weight);
  const mean = (values: readonly number[]) => addUp(values, (value, index) => value * nth(weights, index)) / total;
  const meanX = mean(x);
  const meanY = mean(y);
  const sxx = addUp(x, (each, index) => nth(weights, index) * (each - meanX) ** 2);
  const sxy = addUp(x, (each, index) => nth(weights, index) * (each - meanX) * (nth(y, index) - meanY));
  const slope = sxy / sxx;
  const intercept = meanY - slope * meanX;
  const freedom = Math.max(1, total - 2);
  const rest = addUp(x, (each, index) => nth(weights, index) * (nth(y, index) - intercept - slope * each) ** 2);
  return { intercept, slope, slopeError: Math.sqrt(rest / freedom / sxx), freedom };
}

/** Student's t, two-sided 95 %, for 1 to 30 degrees of freedom. Source: the usual printed table. */
const STUDENT_95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
] as const;

/** How many standard errors hold 95 % for these degrees of freedom. */
export const studentT = (freedom: number): number =>
  nth(STUDENT_95, Math.max(0, Math.min(STUDENT_95.length - 1, Math.floor(freedom) - 1)));
