import { minutesBetween } from '../calendar/minutes';
import { COOLING_LIMITS, fitCooling, forecastCooling, type CoolingFit, type LimitForecast } from './cooling';
import type { HeatPoint } from './lethality';
import type { PanState } from './pans';
import { isAtMost } from './rule-degrees';

/** One stretch of a pan's curve, in minutes since it was poured. */
export interface CoolingPiece {
  readonly from: number;
  readonly to: number;
  readonly ambient: number;
  readonly fit: CoolingFit | undefined;
}

/** What its readings say of a pan, in minutes since it was poured. */
export interface PanCooling {
  readonly points: readonly HeatPoint[];
  /** When its clock began, once and for all: as it was seen to pass 57 °C, else by its first stretch's fit, else when it was poured. */
  readonly begins: number;
  /** Stretch by stretch: moved, it goes on from the temperature that it has at the time that it is. */
  readonly pieces: readonly CoolingPiece[];
  /** The fit of the stretch that it is in now. */
  readonly fit: CoolingFit | undefined;
  /** On how many readings that fit stands: those since it stands where it stands. */
  readonly fitted: number;
  readonly limits: readonly [LimitForecast, LimitForecast] | undefined;
  /** Why there is no forecast yet. */
  readonly problem: string | undefined;
}

/**
 * When a pan came down to a temperature between two of its readings, in minutes; undefined: not yet. By Newton's law towards what
 * stands around it; where it was moved between them, from the move on. Before its first reading nobody saw it.
 */
export function cameTo(
  points: readonly HeatPoint[],
  pieces: readonly CoolingPiece[],
  celsius: number,
): number | undefined {
  const place = points.findIndex((point) => isAtMost(point.celsius, celsius));
  const [before, at] = [points[place - 1], points[place]];
  // Read just there, by the rules' other column a hair above it.
  if (!at || !before || at.celsius > celsius) return at?.minutes;
  const piece = pieces.findLast(({ from }) => from < at.minutes) ?? pieces[0];
  const moved = piece && piece.from > before.minutes ? piece.from : undefined;
  const then = moved === undefined ? undefined : pieces.findLast(({ to }) => to === moved)?.fit?.at(moved);
  // Already so cold when it was moved: it came there before.
  const from =
    moved !== undefined && then !== undefined && then > celsius && then < before.celsius
      ? { minutes: moved, celsius: then }
      : before;
  const ambient = piece?.ambient ?? -Infinity;
  const over = (warmth: number) => Math.log(warmth - ambient);
  const part =
    at.celsius > ambient
      ? (over(from.celsius) - over(celsius)) / (over(from.celsius) - over(at.celsius))
      : (from.celsius - celsius) / (from.celsius - at.celsius);
  return from.minutes + part * (at.minutes - from.minutes);
}

function piecesOf(pan: PanState, points: readonly HeatPoint[]) {
  const pieces: CoolingPiece[] = [];
  let own: HeatPoint[] = [];
  let problem: string | undefined;
  for (const [index, { since, ambient }] of pan.stretches.entries()) {
    const from = minutesBetween(pan.pouredAt, since);
    const next = pan.stretches[index + 1];
    const to = next ? minutesBetween(pan.pouredAt, next.since) : Infinity;
    own = points.filter(({ minutes }) => minutes >= from && minutes <= to);
    // Moved and read once since: it began with the temperature that it had.
    const had = pieces.at(-1)?.fit?.at(from);
    const begins = own.length === 1 && had !== undefined && had > ambient && own[0]?.minutes !== from;
    const fit = fitCooling(begins ? [{ minutes: from, celsius: had }, ...own] : own, ambient);
    problem = fit.ok ? undefined : fit.problem.message;
    pieces.push({ from, to, ambient, fit: fit.ok ? fit.value : undefined });
  }
  return { pieces, fitted: own.length, problem };
}

/**
 * The cooling of a pan, stretch by stretch. Its clock begins when it first falls below 57 °C and never again, wherever it is moved.
 * Source: handbook 8 (Newton; FDA Food Code).
 */
export function coolingOf(pan: PanState): PanCooling {
  const points = pan.readings.map(({ celsius, at }) => ({ celsius, minutes: minutesBetween(pan.pouredAt, at) }));
  const { pieces, fitted, problem } = piecesOf(pan, points);
  const fit = pieces.at(-1)?.fit;
  const [first] = points;
  const seen = first && first.celsius >= COOLING_LIMITS.from ? cameTo(points, pieces, COOLING_LIMITS.from) : undefined;
  const isHot = points.every(({ celsius }) => !isAtMost(celsius, COOLING_LIMITS.from));
  // Still hotter, it comes there by the curve that it is on; colder from the first reading on, by its first stretch, drawn back.
  const reckoned = (isHot ? fit : pieces[0]?.fit)?.crossing(COOLING_LIMITS.from)?.minutes;
  const begins = seen ?? Math.max(0, isHot ? (reckoned ?? 0) : Math.min(reckoned ?? 0, first?.minutes ?? 0));
  return {
    points,
    begins,
    pieces,
    fit,
    fitted,
    limits: fit ? forecastCooling(fit, begins) : undefined,
    problem,
  };
}
