import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { nth } from '../sure';
import type { HeatPoint } from './lethality';

/** From 57 °C to 21 °C within two hours, and to 5 °C within six in all. Source: FDA Food Code 3-501.14 (handbook 8). */
export const COOLING_LIMITS = {
  from: 57,
  first: { celsius: 21, minutes: 120 },
  second: { celsius: 5, minutes: 360 },
} as const;

/** What a kitchen probe errs by until there are readings enough to tell, in °C (common practice, no source). */
const ASSUMED_ERROR = 0.5;
const ENOUGH = 4;

/** The 95th percentile of Student's t by degrees of freedom, and beyond by its first term. Source: tables, from memory. */
const STUDENT = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812];
const NORMAL = 1.645;
const spreadOf = (freedom: number) => STUDENT[freedom - 1] ?? NORMAL + 1.52 / freedom;

/** A time in minutes with the band that holds it in nine cases of ten. */
export interface Crossing {
  readonly minutes: number;
  readonly low: number;
  readonly high: number;
}

/** Newton's cooling through readings: T(t) = Ta + (T0 − Ta) · e^(−kt). */
export interface CoolingFit {
  readonly ambient: number;
  /** °C at minute 0, by the fit and not by the first reading. */
  readonly start: number;
  /** Per minute. */
  readonly k: number;
  /** °C that a reading errs by: assumed until there are four, then as it is seen. */
  readonly error: number;
  /** °C at a minute. */
  readonly at: (minutes: number) => number;
  /** When it comes down to a temperature; undefined: never, for what stands around is no colder. */
  readonly crossing: (celsius: number) => Crossing | undefined;
}

/**
 * Fits Newton's law of cooling to readings, with what stands around known, by least squares of the temperatures
 * themselves (Gauss and Newton, from the line through their logarithms).
 *
 * Takes readings in minutes and °C, in order of time, and the surroundings in °C. Refuses fewer than two, times that do
 * not rise, food that is no warmer than what is around it, and food that does not cool.
 * Source: handbook 8; the band by the fit's covariance.
 */
export function fitCooling(readings: readonly HeatPoint[], ambient: number): Outcome<CoolingFit> {
  if (readings.length < 2) return refused('Two readings say how fast it cools. Measure once more in ten minutes.');
  for (const [index, reading] of readings.entries()) {
    if (index > 0 && reading.minutes <= nth(readings, index - 1).minutes)
      return refused('A later reading has an earlier time. Check the times.', `readings.${index}.time`);
    if (reading.celsius <= ambient)
      return refused(
        `It cannot be colder than what is around it (${ambient} °C). Check the reading, or what is around it.`,
        `readings.${index}.celsius`,
      );
  }
  const first = nth(readings, 0).minutes;
  const points = readings.map(({ minutes, celsius }) => ({ time: minutes - first, over: celsius - ambient }));
  let { over, k } = byLogarithms(points);
  if (!(k > 0)) return refused('It does not cool: is what is around it as cold as said?', 'ambient');
  for (let turn = 0; turn < 50; turn++) {
    const change = newtonStep(points, over, k);
    if (!change) break;
    // Never past nothing: half the way as often as it takes.
    let part = 1;
    while (k + part * change.k <= 0 || over + part * change.over <= 0) part /= 2;
    over += part * change.over;
    k += part * change.k;
    if (Math.abs(change.k) < 1e-12 && Math.abs(change.over) < 1e-9) break;
  }
  const error = errorOf(points, over, k);
  const wide = error.freedom === undefined ? NORMAL : spreadOf(error.freedom);
  const covariance = covarianceOf(points, over, k, error.celsius);
  const crossing = (celsius: number): Crossing | undefined => {
    if (celsius <= ambient) return undefined;
    const time = Math.log(over / (celsius - ambient)) / k;
    // How the time moves with either figure of the fit.
    const [byOver, byK] = [1 / (k * over), -time / k];
    const variance = byOver ** 2 * covariance.over + 2 * byOver * byK * covariance.both + byK ** 2 * covariance.k;
    const half = wide * Math.sqrt(Math.max(0, variance));
    return { minutes: first + time, low: first + time - half, high: first + time + half };
  };
  const at = (minutes: number) => ambient + over * Math.exp(-k * (minutes - first));
  return fine({ ambient, start: at(0), k, error: error.celsius, at, crossing });
}

interface Point {
  readonly time: number;
  /** °C over what is around it. */
  readonly over: number;
}

/** The line through the logarithms, each weighed by its temperature squared, as its error is. */
function byLogarithms(points: readonly Point[]): { over: number; k: number } {
  const weight = (point: Point) => point.over ** 2;
  const all = addUp(points, weight);
  const time = addUp(points, (point) => weight(point) * point.time) / all;
  const log = addUp(points, (point) => weight(point) * Math.log(point.over)) / all;
  const slope =
    addUp(points, (point) => weight(point) * (point.time - time) * (Math.log(point.over) - log)) /
    addUp(points, (point) => weight(point) * (point.time - time) ** 2);
  return { over: Math.exp(log - slope * time), k: -slope };
}

/** Sums over the readings of the products of what each moves by (`over`, `k`), and of that with what it is off by. */
function normals(points: readonly Point[], over: number, k: number) {
  const of = (point: Point) => {
    const decay = Math.exp(-k * point.time);
    return { byOver: decay, byK: -over * point.time * decay, off: point.over - over * decay };
  };
  const each = points.map(of);
  const sum = (product: (one: ReturnType<typeof of>) => number) => addUp(each, product);
  return {
    overOver: sum((one) => one.byOver ** 2),
    overK: sum((one) => one.byOver * one.byK),
    kK: sum((one) => one.byK ** 2),
    overOff: sum((one) => one.byOver * one.off),
    kOff: sum((one) => one.byK * one.off),
    off: sum((one) => one.off ** 2),
  };
}

function newtonStep(points: readonly Point[], over: number, k: number): { over: number; k: number } | undefined {
  const { overOver, overK, kK, overOff, kOff } = normals(points, over, k);
  const determinant = overOver * kK - overK ** 2;
  if (!(Math.abs(determinant) > 1e-30)) return undefined;
  return {
    over: (kK * overOff - overK * kOff) / determinant,
    k: (overOver * kOff - overK * overOff) / determinant,
  };
}

function errorOf(points: readonly Point[], over: number, k: number) {
  if (points.length < ENOUGH) return { celsius: ASSUMED_ERROR, freedom: undefined };
  const freedom = points.length - 2;
  return { celsius: Math.sqrt(normals(points, over, k).off / freedom), freedom };
}

function covarianceOf(points: readonly Point[], over: number, k: number, error: number) {
  const { overOver, overK, kK } = normals(points, over, k);
  const determinant = overOver * kK - overK ** 2;
  const scale = error ** 2 / determinant;
  return { over: kK * scale, both: -overK * scale, k: overOver * scale };
}

/** Whether a limit is kept, will be, or not, and by how many minutes; undefined time: it never comes there. */
export interface LimitForecast {
  readonly celsius: number;
  /** Minutes that are allowed from 57 °C on. */
  readonly allowed: number;
  readonly crossing: Crossing | undefined;
  readonly verdict: 'kept' | 'perhaps' | 'missed';
  /** Minutes over what is allowed, by the likely time; negative: to spare; undefined: never there. */
  readonly over: number | undefined;
}

/**
 * Both limits of cooling by a fit, counted from the minute in which the food first passed 57 °C: that is seen once and not reckoned
 * anew by a later curve. *Perhaps* where the band of the time reaches over the limit. Source: handbook 8 (FDA Food Code).
 */
export function forecastCooling(fit: CoolingFit, begins: number): readonly [LimitForecast, LimitForecast] {
  const { first, second } = COOLING_LIMITS;
  const forecast = ({ celsius, minutes: allowed }: typeof first | typeof second): LimitForecast => {
    const crossing = fit.crossing(celsius);
    if (!crossing) return { celsius, allowed, crossing, verdict: 'missed', over: undefined };
    const limit = begins + allowed;
    const verdict = crossing.high <= limit ? 'kept' : crossing.low > limit ? 'missed' : 'perhaps';
    return { celsius, allowed, crossing, verdict, over: crossing.minutes - limit };
  };
  return [forecast(first), forecast(second)];
}
