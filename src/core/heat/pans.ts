import { minutesAfter, minutesBetween } from '../calendar/minutes';
import type { CookDay } from '../cook/cook-day';
import type { Observed } from '../batch/reading';
import { isAmong } from '../sure';
import { COOLING_LIMITS, fitCooling, forecastCooling, type CoolingFit, type LimitForecast } from './cooling';
import { isAtMost } from './rule-degrees';
import type { HeatPoint } from './lethality';
import { coolSlab, COOKED_FOOD, SURFACE_TRANSFER, timeDownTo, type Slab, type Surroundings } from './slab';

export const WHERES = ['counter', 'fridge', 'cold water', 'ice water'] as const;
/** Where a pan stands while it cools. */
export type Where = (typeof WHERES)[number];

/**
 * What stands around a pan: °C, transfer at its surface, from how many sides. A pan on a shelf cools from above alone.
 * Source: handbook 12 (from memory); room and tap water as usual (common practice, no source).
 */
export const AROUND: Readonly<Record<Where, Surroundings & { readonly sides: 1 | 2; readonly words: string }>> = {
  counter: { celsius: 20, transfer: SURFACE_TRANSFER['still room air'], sides: 1, words: 'on the counter' },
  fridge: { celsius: 4, transfer: SURFACE_TRANSFER.fridge, sides: 1, words: 'in the fridge' },
  'cold water': { celsius: 12, transfer: SURFACE_TRANSFER['still cold water'], sides: 2, words: 'in cold water' },
  'ice water': { celsius: 0, transfer: SURFACE_TRANSFER['ice water'], sides: 2, words: 'in ice water' },
};

/** Where a pan stands from when on: each surroundings cools it by its own law. */
export interface Stretch {
  readonly since: Date;
  readonly where: Where;
  /** °C of what stands around it there. */
  readonly ambient: number;
}

/** What a load was poured into, and how cold it is by now. */
export interface PanState {
  readonly key: string;
  readonly name: string;
  readonly pouredAt: Date;
  /** Where it has stood so far, the first since it was poured. */
  readonly stretches: readonly [Stretch, ...Stretch[]];
  /** Where it stands now, and °C of what stands around it there. */
  readonly where: Where;
  readonly ambient: number;
  /** It missed 21 °C, was heated again, and cools a second time since: the last that the rules allow. */
  readonly again: boolean;
  /** Since when it stands there. */
  readonly since: Date;
  /** cm; undefined where nobody has said it. */
  readonly depth: number | undefined;
  readonly readings: readonly { readonly id: number; readonly celsius: number; readonly at: Date }[];
  /** Why food that missed a limit is kept, in the cook's words. */
  readonly kept: string | undefined;
  /** What was begun to help it: its timer, since then and for so many minutes. */
  readonly timer: { readonly startedAt: Date; readonly minutes: number } | undefined;
}

/** The pans of a cook day, as they were observed: one for each load that was poured, or measured while it cooled. */
export function pansOf(day: CookDay, observed: Observed): PanState[] {
  return day.loads.flatMap((load): PanState[] => {
    const node = `pan:${load.key}` as const;
    const poured = day.tasks.find((task) => task.kind === 'pour' && task.in?.load === load.key);
    const heated = observed.of(node, 'task done');
    const readings = observed
      .all(node, 'temperature')
      .filter(({ at }) => !heated || at >= heated.at)
      .map(({ id, value = 0, at }) => ({ id, celsius: value, at }));
    const pouredAt = heated?.at ?? (poured?.state === 'done' ? poured.at : readings[0]?.at);
    if (!pouredAt) return [];
    const stretches = stretchesOf(observed.all(node, 'note'), pouredAt);
    const now = stretches.at(-1) ?? stretches[0];
    const set = observed.of(node, 'timer');
    return [
      {
        key: load.key,
        name: load.name,
        pouredAt,
        stretches,
        where: now.where,
        ambient: now.ambient,
        again: heated !== undefined,
        since: now.since,
        depth: observed.of(node, 'depth')?.value,
        readings,
        kept: observed.of(node, 'skipped')?.text,
        timer: timerOf(set, now.since, readings.at(-1)?.at),
      },
    ];
  });
}

/** So many minutes before its time a reading is what a timer was set for (ours, no source). */
const NEARLY = 5;

/** The timer of a help that was begun: until it was moved again, or read when its time was up. */
function timerOf(
  set: { readonly at: Date; readonly value?: number } | undefined,
  since: Date,
  read: Date | undefined,
): PanState['timer'] {
  if (set?.value === undefined || set.at < since) return undefined;
  const isRead = read !== undefined && minutesBetween(set.at, read) >= set.value - NEARLY;
  return isRead ? undefined : { startedAt: set.at, minutes: set.value };
}

/** Where a pan stood, one stretch after the other; what was said before it was poured is where it stood first. */
function stretchesOf(
  said: readonly { readonly at: Date; readonly text?: string; readonly value?: number }[],
  pouredAt: Date,
): PanState['stretches'] {
  const stretchOf = ({ at, text = '', value }: (typeof said)[number]): Stretch => {
    const where = isAmong(WHERES, text) ? text : 'counter';
    return { since: at > pouredAt ? at : pouredAt, where, ambient: value ?? AROUND[where].celsius };
  };
  const before = said.findLast(({ at }) => at <= pouredAt);
  return [stretchOf(before ?? { at: pouredAt }), ...said.filter(({ at }) => at > pouredAt).map(stretchOf)];
}

/** Minutes after which a reading of a warm pan is no last reading any more (ours, no source). */
const STILL_NEW = 30;

/** The pans of which nobody can say by now how warm they are: not known to be cold, and not read lately. Takes the clock. */
export const pansAsked = (pans: readonly PanState[], now: Date): readonly PanState[] =>
  pans.filter((pan) => {
    const last = pan.readings.at(-1);
    return !isCold(pan) && (last === undefined || minutesBetween(last.at, now) > STILL_NEW);
  });

/** When the last limit of a pan is over, and how warm it was when it was read last: what is watched after it was sealed. */
export interface WarmPan {
  readonly name: string;
  readonly celsius?: number;
  /** ISO 8601 instants: of the last reading, and of the second limit. */
  readonly at?: string;
  readonly limit: string;
}

/** The pans that are not known to be cold. Source: FDA Food Code 3-501.14 (six hours in all). */
export const warmPans = (pans: readonly PanState[]): WarmPan[] =>
  pans
    .filter((pan) => !isCold(pan))
    .map((pan) => {
      const last = pan.readings.at(-1);
      const limit = minutesAfter(pan.pouredAt, coolingOf(pan).begins + COOLING_LIMITS.second.minutes);
      return {
        name: pan.name,
        limit: limit.toISOString(),
        ...(last ? { celsius: last.celsius, at: last.at.toISOString() } : {}),
      };
    });

/** Hours after its last limit on which a pan is no longer watched: by then it is cold, eaten or thrown away (ours, no source). */
const WATCHED_AFTER = 18;

/** Whether a pan is still to be watched at a time, and whether its last limit is over. */
export const isWatched = ({ limit }: WarmPan, now: Date): { readonly is: boolean; readonly over: boolean } => {
  const over = minutesBetween(new Date(limit), now);
  return { is: over < WATCHED_AFTER * 60, over: over > 0 };
};

/** Warmer than this premix, oils and vitamins are not stirred in, in °C. Source: handbook 4 (common practice). */
export const STIR_IN_BELOW = 40;

/** Cold enough for the fridge's own days: both limits are behind it. */
export const isCold = (pan: PanState): boolean => {
  const last = pan.readings.at(-1);
  return (last !== undefined && isAtMost(last.celsius, COOLING_LIMITS.second.celsius)) || pan.kept !== undefined;
};

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

export interface Remedy {
  readonly words: string;
  /** Minutes from now until the next limit's temperature; undefined: not within a day. */
  readonly minutes: number | undefined;
  readonly where: Where;
  readonly pans?: 2;
  readonly stirred?: true;
}

/** How deep a pan is taken to be where nobody has said it, in cm (ours, no source). */
export const USUAL_DEPTH = 4;
const DAY = 24 * 60;

/** How much more or less than the table a pan's surface may give off: open and wet three times, under a lid a third. */
const SURFACE = { least: 0.2, most: 6 };

type Standing = Pick<PanState, 'where' | 'depth' | 'ambient'>;

/** What stands around a pan where it is or would be, with its own surface where that is air: a bath gives off by its water. */
const aroundOf = (pan: Standing, where: Where, surface: number) => {
  const around = where === pan.where ? { ...AROUND[where], celsius: pan.ambient } : AROUND[where];
  return where === 'counter' || where === 'fridge' ? { ...around, transfer: around.transfer * surface } : around;
};

/**
 * How much more heat than the table says this pan gives off to air, so that a slab of it cools as its own readings do: 1
 * where there is no forecast or the pan stands in a bath. By halving between bounds.
 *
 * Takes the pan, °C now and wanted, and the minutes that its own curve says. Source: the heat equation; ours.
 */
export function surfaceOf(pan: Standing, from: number, to: number, likely: number | undefined): number {
  if (likely === undefined || (pan.where !== 'counter' && pan.where !== 'fridge')) return 1;
  const takes = (surface: number) => slabTime(pan, pan.depth ?? USUAL_DEPTH, pan.where, surface, from, to) ?? Infinity;
  let { least, most } = SURFACE;
  for (let turn = 0; turn < 10; turn++) {
    const middle = Math.sqrt(least * most);
    if (takes(middle) > likely) least = middle;
    else most = middle;
  }
  return Math.sqrt(least * most);
}

function slabTime(
  pan: Standing,
  cm: number,
  where: Where,
  surface: number,
  from: number,
  to: number,
): number | undefined {
  const slab: Slab = { depth: cm / 100, sides: AROUND[where].sides, food: COOKED_FOOD };
  return timeDownTo(coolSlab(slab, from, aroundOf(pan, where, surface), DAY, 4), to);
}

/**
 * What helps, each with its own time for this pan: the minutes from now until the core comes down to `to` °C, from `from` °C, by a
 * slab of this food. Stirred, the pan is one temperature and only its surface counts (lumped).
 *
 * Takes depth in cm, and the pan's surface by its own curve. Source: the heat equation; constants handbook 12.
 */
export function remediesFor(pan: Standing, from: number, to: number, surface = 1): Remedy[] {
  const depth = pan.depth ?? USUAL_DEPTH;
  const here = pan.where;
  const moves = (['ice water', 'cold water', 'fridge'] as const).filter((where) => where !== here);
  return [
    { words: 'leave it so', minutes: slabTime(pan, depth, here, surface, from, to), where: here },
    ...moves.map((where) => ({
      words: `set it ${AROUND[where].words}`,
      minutes: slabTime(pan, depth, where, surface, from, to),
      where,
    })),
    {
      words: `split it: two pans, ${trim(depth / 2)} cm`,
      minutes: slabTime(pan, depth / 2, here, surface, from, to),
      where: here,
      pans: 2 as const,
    },
    {
      words: 'stir every ten minutes',
      minutes: stirred(pan, depth / 100, surface, from, to),
      where: here,
      stirred: true as const,
    },
  ];
}

/** The core of a pan from now on if a remedy is taken, from `from` °C, for twelve hours. */
function remedyCurve(
  pan: Standing,
  { where, pans, stirred: isStirred }: Remedy,
  from: number,
  surface: number,
): HeatPoint[] {
  const depth = (pan.depth ?? USUAL_DEPTH) / 100 / (pans ?? 1);
  if (isStirred) {
    const celsius = pan.ambient;
    const rate = lumpedRate(pan, depth, surface) * 60;
    return Array.from({ length: DAY / 4 }, (_, step) => ({
      minutes: step * 2,
      celsius: celsius + (from - celsius) * Math.exp(-rate * step * 2),
    }));
  }
  const curve = coolSlab(
    { depth, sides: AROUND[where].sides, food: COOKED_FOOD },
    from,
    aroundOf(pan, where, surface),
    DAY / 2,
    2,
  );
  return curve.minutes.map((minutes, step) => ({ minutes, celsius: curve.core[step] ?? from }));
}

/** A remedy with its way, minute by minute from now. */
export interface Help extends Remedy {
  readonly curve: readonly HeatPoint[];
}

/** All that helps a pan, each with its curve: what a worker is asked. Arguments as of `remediesFor` and `surfaceOf`. */
export function helpFor(pan: Standing, from: number, to: number, likely: number | undefined): Help[] {
  const surface = surfaceOf(pan, from, to, likely);
  return remediesFor(pan, from, to, surface).map((remedy) => ({
    ...remedy,
    curve: remedyCurve(pan, remedy, from, surface),
  }));
}

const trim = (value: number) => String(Math.round(value * 10) / 10);

/** How fast a stirred pan cools, per second: its surface over what it stores. */
function lumpedRate(pan: Standing, depth: number, surface: number): number {
  const { transfer, sides } = aroundOf(pan, pan.where, surface);
  return (transfer * sides) / (COOKED_FOOD.density * COOKED_FOOD.capacity * depth);
}

function stirred(pan: Standing, depth: number, surface: number, from: number, to: number): number | undefined {
  const { ambient } = pan;
  if (to <= ambient) return undefined;
  const minutes = Math.log((from - ambient) / (to - ambient)) / lumpedRate(pan, depth, surface) / 60;
  return minutes <= DAY ? minutes : undefined;
}
