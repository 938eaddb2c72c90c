import { addUp } from '../add-up';
import type { Explanation } from '../explanation';
import { writeFixed } from '../quantity/write';
import { nth } from '../sure';

/** What lies on a tray, or on all of them, so many hours after it went into the dryer; net g. */
export interface TrayAt {
  readonly hours: number;
  readonly grams: number;
}

/** MR = exp(−k·tⁿ), t in hours: of all water, what is left. Lewis has n = 1. */
export interface ThinLayer {
  readonly model: 'Lewis' | 'Page';
  readonly k: number;
  readonly n: number;
  /** Root of the mean squared residual of MR. */
  readonly residual: number;
}

/** When food comes to its target weight, by the curve through its weighings. */
export interface DryingForecast {
  readonly fit: ThinLayer;
  /** g that it weighs then. */
  readonly target: number;
  /** Hours from its beginning, and the band of them. */
  readonly hours: number;
  readonly low: number;
  readonly high: number;
  /** It lost weight fast, and then hardly, though there is water in it: the outside may have closed. */
  readonly isHard: boolean;
  /** g of it at an hour, by the curve. */
  readonly at: (hours: number) => number;
  readonly explanation: Explanation;
}

/** A tray with all its weighings after it went into the dryer: g with the tray, and the hours of each. */
interface Weighed {
  readonly tare: number;
  readonly wetGross: number;
  readonly dryings: readonly number[];
  readonly hours: readonly number[];
}

/**
 * All trays of a load as one curve: what lay on them when they went in, and at every later weighing that all of them were
 * on the scale for; net g, and the mean of their hours.
 */
export function curveOf(trays: readonly Weighed[]): readonly TrayAt[] {
  if (trays.length === 0) return [];
  const rounds = Math.min(...trays.map(({ dryings }) => dryings.length));
  const net = (of: (tray: Weighed) => number) => addUp(trays, (tray) => of(tray) - tray.tare);
  return [
    { hours: 0, grams: net(({ wetGross }) => wetGross) },
    ...Array.from({ length: rounds }, (_, round) => ({
      hours: addUp(trays, ({ hours }) => nth(hours, round)) / trays.length,
      grams: net(({ dryings }) => nth(dryings, round)),
    })),
  ];
}

/** g that food of so many g of solids weighs at a part of water in it (0 to 1). Source: handbook 10. */
export const weightAt = (solids: number, moisture: number): number => solids / (1 - moisture);

/** Dried so far it keeps: at most a tenth of it is water (handbook 10). */
export const TARGET_MOISTURE = 0.1;
/** As many weighings, the first one with them, are asked for before a curve is drawn. */
const LEAST = 4;
/** A scale and a hand are no better than this, in MR (ours, no source). */
const NOISE = 0.003;
/** n of thin layers (handbook 12, from memory; the edges are ours). */
const [FLAT, STEEP] = [0.5, 1.8];
/** Two standard errors on either side. */
const BAND = 2;
/** Less than this part of the expected loss between two weighings is flat; with more water left than that it is too early. */
const STALLED = 0.3;
const EARLY = 0.3;

const ratioAt = ({ k, n }: Pick<ThinLayer, 'k' | 'n'>, hours: number) => Math.exp(-k * hours ** n);

/**
 * Fits thin-layer drying to weighings and says when the food comes to its target moisture.
 *
 * Takes weighings in order (the first one when it went in), g of solids in the food and the target's part of water. Of Lewis
 * and Page the one that its residuals speak for (Akaike, corrected for few points). Undefined before there are four weighings,
 * before a tenth of the water is gone, and where there are not less solids than food.
 * Source: Page and Lewis, handbook 12, from memory; least squares; the band is two standard errors.
 */
export function dryingForecast(
  weighings: readonly TrayAt[],
  solids: number,
  moisture: number = TARGET_MOISTURE,
): DryingForecast | undefined {
  const [first] = weighings;
  if (!first || weighings.length < LEAST || !(solids > 0) || first.grams <= solids) return undefined;
  const water = first.grams - solids;
  const points = weighings
    .slice(1)
    .map(({ hours, grams }) => ({ t: hours - first.hours, ratio: (grams - solids) / water }))
    .filter(({ t }) => t > 0);
  const last = points.at(-1);
  if (points.length < LEAST - 1 || !last || last.ratio > 0.9) return undefined;
  const target = weightAt(solids, moisture);
  const wanted = (target - solids) / water;
  const lewis = fitted(points, 1);
  const page = bestPage(points);
  const fit: ThinLayer =
    information(page.residual, points.length, 2) < information(lewis.residual, points.length, 1)
      ? { model: 'Page', ...page }
      : { model: 'Lewis', ...lewis };
  const hoursOf = ({ k, n }: Pick<ThinLayer, 'k' | 'n'>) => (-Math.log(wanted) / k) ** (1 / n);
  const hours = hoursOf(fit);
  const error = errorOf(points, fit, hoursOf);
  return {
    fit,
    target,
    hours,
    low: Math.max(last.t, hours - BAND * error),
    high: hours + BAND * error,
    isHard: isStalled(points),
    at: (when) => solids + water * ratioAt(fit, when),
    explanation: {
      title: `${writeFixed(hours, 1)} h to ${writeFixed(target, 0)} g`,
      steps: [
        { what: 'solids', sum: `${writeFixed(solids, 0)} g` },
        {
          what: 'target',
          sum: `${writeFixed(solids, 0)} ÷ (1 − ${writeFixed(moisture, 2)}) = ${writeFixed(target, 0)} g`,
        },
        {
          what: 'what of the water is left',
          sum: `exp(−${writeFixed(fit.k, 3)} × h^${writeFixed(fit.n, 2)}), ${fit.model}`,
        },
        { what: 'off the weighings by', sum: `${writeFixed(fit.residual * 100, 1)} % of the water` },
        { what: 'band', sum: `± ${writeFixed(BAND * error, 1)} h, two standard errors` },
      ],
      source: 'Thin-layer drying (Page, Lewis), from memory, through your own weighings.',
    },
  };
}

/**
 * How long what dehydrates still takes: by the curve through its weighings. Whoever says so asks this. Takes its trays, the part of its
 * food that is solids, the hours that it has been in by now (undefined: those of its last weighing), and the target. Undefined before
 * there are weighings enough.
 */
export function dryingLeft(
  trays: readonly Weighed[],
  solidsPerGram: number,
  running: number | undefined,
  moisture: number = TARGET_MOISTURE,
): { readonly forecast: DryingForecast; readonly left: number } | undefined {
  const points = curveOf(trays);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return undefined;
  const forecast = dryingForecast(points, first.grams * solidsPerGram, moisture);
  return forecast && { forecast, left: forecast.hours - Math.max(last.hours, running ?? 0) };
}

interface Point {
  readonly t: number;
  readonly ratio: number;
}

/** The k that fits best for an n: Newton's method on the squares. */
function fitted(points: readonly Point[], n: number): Pick<ThinLayer, 'k' | 'n' | 'residual'> {
  // From the logarithms, where they exist.
  const logs = points.filter(({ ratio }) => ratio > 0.01);
  let k =
    addUp(logs, ({ t, ratio }) => -Math.log(Math.min(0.999, ratio)) * t ** n) / addUp(logs, ({ t }) => t ** (2 * n));
  if (!(k > 0)) k = 0.1;
  for (let step = 0; step < 30; step++) {
    let [top, below] = [0, 0];
    for (const { t, ratio } of points) {
      const e = Math.exp(-k * t ** n);
      const slope = -(t ** n) * e;
      top += slope * (ratio - e);
      below += slope * slope;
    }
    const next = k + top / below;
    if (!(next > 0) || Math.abs(next - k) < 1e-10) break;
    k = next;
  }
  const squares = addUp(points, ({ t, ratio }) => (ratio - Math.exp(-k * t ** n)) ** 2);
  return { k, n, residual: Math.sqrt(squares / points.length) };
}

/** The best n: golden section, for the squares have one valley. */
function bestPage(points: readonly Point[]): Pick<ThinLayer, 'k' | 'n' | 'residual'> {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high]: [number, number] = [FLAT, STEEP];
  for (let step = 0; step < 40; step++) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
    if (fitted(points, a).residual < fitted(points, b).residual) high = b;
    else low = a;
  }
  return fitted(points, (low + high) / 2);
}

/** Akaike's criterion with the correction for few points; no residual is smaller than a scale's own noise. */
function information(residual: number, points: number, parameters: number): number {
  const spread = Math.max(residual, NOISE / 10);
  const few = points - parameters - 2 > 0 ? (2 * (parameters + 1) * (parameters + 2)) / (points - parameters - 2) : 0;
  return 2 * points * Math.log(spread) + 2 * (parameters + 1) + few;
}

/** The standard error of what is asked of a fit, by its slopes. */
function errorOf(points: readonly Point[], fit: ThinLayer, asked: (fit: Pick<ThinLayer, 'k' | 'n'>) => number): number {
  const free = fit.model === 'Page' ? 2 : 1;
  const spread = Math.max(NOISE, fit.residual * Math.sqrt(points.length / Math.max(1, points.length - free)));
  const by = ({ k, n }: ThinLayer, dk: number, dn: number) => ({ k: k + dk, n: n + dn });
  const slopes = points.map(({ t }) => {
    const e = ratioAt(fit, t);
    return [-(t ** fit.n) * e, -fit.k * t ** fit.n * Math.log(t) * e] as const;
  });
  const sum = (of: (slope: readonly [number, number]) => number) => addUp(slopes, of);
  const [dk, dn] = [fit.k * 1e-5, 1e-5];
  const gk = (asked(by(fit, dk, 0)) - asked(by(fit, -dk, 0))) / (2 * dk);
  const gn = (asked(by(fit, 0, dn)) - asked(by(fit, 0, -dn))) / (2 * dn);
  const [kk, kn, nn] = [sum(([a]) => a * a), sum(([a, b]) => a * b), sum(([, b]) => b * b)];
  if (free === 1) return (Math.abs(gk) * spread) / Math.sqrt(kk);
  const whole = kk * nn - kn * kn;
  if (!(whole > 0)) return Infinity;
  return spread * Math.sqrt(Math.max(0, (gk * gk * nn - 2 * gk * gn * kn + gn * gn * kk) / whole));
}

/** Whether the last loss is far under what the weighings before it promised, with much water still there. */
function isStalled(points: readonly Point[]): boolean {
  if (points.length < LEAST) return false;
  const before = points.slice(0, -1);
  const [a, b] = [nth(before, before.length - 1), nth(points, points.length - 1)];
  const fit = before.length >= LEAST ? bestPage(before) : fitted(before, 1);
  const promised = ratioAt(fit, a.t) - ratioAt(fit, b.t);
  return b.ratio > EARLY && promised > 0.05 && a.ratio - b.ratio < promised * STALLED;
}
