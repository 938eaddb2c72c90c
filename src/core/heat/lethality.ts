import { nth } from '../sure';

/** A temperature at a time, as a probe logged it: minutes from any beginning, °C. */
export interface HeatPoint {
  readonly minutes: number;
  readonly celsius: number;
}

/** °C by which the time needed falls to a tenth (handbook 6). */
const Z = 5.74;
const REFERENCE = 60;
/** Nothing colder counts. Source: FSIS Appendix A begins here (from memory). */
export const COUNTS_FROM = 54.4;
/** Food that spent longer than this between 10 °C and there gets no credit (handbook 6). */
const SLOW = { from: 10, minutes: 360 } as const;

/** Minutes at 60 °C that are asked for; poultry four times as much, which is conservative. Source: handbook 6. */
export const ASKED_AT_60 = { meat: 12, poultry: 48 } as const;

const rate = (celsius: number) => 10 ** ((celsius - REFERENCE) / Z);

/** The part of a straight piece of curve that lies from one temperature up to another; undefined where none does. */
function between(from: HeatPoint, to: HeatPoint, low: number, high: number): [HeatPoint, HeatPoint] | undefined {
  const at = (celsius: number): HeatPoint => ({
    celsius,
    minutes: from.minutes + ((celsius - from.celsius) / (to.celsius - from.celsius)) * (to.minutes - from.minutes),
  });
  const [bottom, top] = [Math.min(from.celsius, to.celsius), Math.max(from.celsius, to.celsius)];
  if (top < low || bottom > high || (bottom === top && (top < low || bottom > high))) return undefined;
  const cut = (point: HeatPoint) => (point.celsius < low ? at(low) : point.celsius > high ? at(high) : point);
  return [cut(from), cut(to)];
}

const pieces = (curve: readonly HeatPoint[]) => curve.slice(1).map((to, index) => ({ from: nth(curve, index), to }));

export interface Lethality {
  /** F, in minutes at 60 °C. */
  readonly minutes: number;
  /** How long it stood between 10 and 54.4 °C, in minutes; over six hours nothing counts. */
  readonly slow: number;
  readonly counts: boolean;
}

/**
 * The lethality of a logged core temperature, F = ∫ 10^((T − 60) / 5.74) dt in minutes at 60 °C; between two points the
 * temperature is taken to run straight, over which the integral is exact. Only what is at 54.4 °C or above counts, and
 * nothing of it where the food stood over six hours between 10 and 54.4 °C. Points must be in order of time.
 *
 * Source: handbook 6 (FSIS Appendix A, from memory).
 */
export function lethalityOf(curve: readonly HeatPoint[]): Lethality {
  let [minutes, slow] = [0, 0];
  for (const { from, to } of pieces(curve)) {
    const hot = between(from, to, COUNTS_FROM, Infinity);
    if (hot) {
      const [low, high] = [rate(hot[0].celsius), rate(hot[1].celsius)];
      const time = hot[1].minutes - hot[0].minutes;
      // The mean of an exponential over a straight run is the logarithmic mean of its ends.
      const mean = Math.abs(high / low - 1) < 1e-9 ? low : (high - low) / Math.log(high / low);
      minutes += mean * time;
    }
    const warm = between(from, to, SLOW.from, COUNTS_FROM);
    if (warm) slow += Math.max(0, warm[1].minutes - warm[0].minutes);
  }
  const counts = slow <= SLOW.minutes;
  return { minutes: counts ? minutes : 0, slow, counts };
}
