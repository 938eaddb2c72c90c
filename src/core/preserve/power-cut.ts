import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import { idSchema } from '../schema';
import { isDried, type FoodKind, type PlaceKind } from './shelf-life';

/** A temperature that was read in a place during a cut: hours after it began, and °C. */
export interface CutReading {
  readonly hours: number;
  readonly celsius: number;
}

/** A cold place while there is no power. */
export interface CutPlace {
  readonly kind: Exclude<PlaceKind, 'cupboard'>;
  /** How full it is, 0 to 1; of a fridge it is not asked. */
  readonly full: number;
  /** How often it was opened. */
  readonly opened: number;
  readonly readings: readonly CutReading[];
}

/** °C of the kitchen, where nobody says otherwise (ours, no source). */
export const ROOM = 20;
/** °C that a freezer and a fridge start from, and at which food begins to thaw (handbook 12, from memory). */
export const STARTS = { freezer: -18, fridge: 3 } as const;
export const THAWS = -1.5;
/** °C above which cooked food may stand no longer than two hours (USDA, power outage charts, from memory). */
export const WARM = 4;
export const HOURS_WARM = 2;

/** Hours for which a fridge keeps its food with its door shut (USDA). */
export const FRIDGE_HOURS = 4;
/** Hours for which a full freezer does, and a half full one (USDA). */
export const FREEZER_HOURS = { full: 48, half: 24 } as const;
/** Part of its hours that a place loses by each time it is opened (ours, no source: it is said to be kept shut). */
const A_DOOR = 0.05;

/**
 * Hours for which a cold place keeps its food without power: USDA's for a full freezer, a half full one and a shut fridge; between
 * and below in proportion to how full it is. Each time it was opened takes a twentieth off. Source: USDA, from memory.
 */
export function hoursOf({ kind, full, opened }: Pick<CutPlace, 'kind' | 'full' | 'opened'>): number {
  const shut = kind === 'fridge' ? FRIDGE_HOURS : FREEZER_HOURS.full * Math.min(1, Math.max(0.1, full));
  return shut * (1 - A_DOOR) ** opened;
}

/** kJ/kgK of food below and above freezing, kJ/kg of its ice that melts (handbook 12, from memory). */
const [FROZEN_HEAT, HEAT, MELTING] = [1.9, 3.6, 0.72 * 334];

/** Hours in which the gap to the kitchen falls to a part of e, where something warms from one temperature to another in so many. */
const timeConstant = (from: number, to: number, hours: number): number => hours / Math.log((ROOM - from) / (ROOM - to));

/** The time constant of a place by itself, from USDA's hours for how full it is. */
const ownConstant = (place: CutPlace): number =>
  timeConstant(STARTS[place.kind], place.kind === 'fridge' ? WARM : THAWS, hoursOf(place));

const warmed = (from: number, constant: number, hours: number): number =>
  ROOM - (ROOM - from) * Math.exp(-Math.max(0, hours) / constant);

/**
 * °C so many hours after a place was at a temperature, by its own time constant; what is frozen stays at its melting point for as long
 * as its ice takes up heat. Source: handbook 12 (lumped, USDA's hours; latent heat), Newton.
 */
function fromThen(place: CutPlace, from: number, hours: number): number {
  const constant = ownConstant(place);
  if (place.kind === 'fridge') return warmed(from, constant, hours);
  const toThaw = from < THAWS ? constant * Math.log((ROOM - from) / (ROOM - THAWS)) : 0;
  if (hours < toThaw) return warmed(from, constant, hours);
  const melting = from <= THAWS ? (constant * MELTING) / FROZEN_HEAT / (ROOM - THAWS) : 0;
  if (hours < toThaw + melting) return THAWS;
  return warmed(Math.max(from, THAWS), (constant * HEAT) / FROZEN_HEAT, hours - toThaw - melting);
}

/** What is known of a place, in the order of time: how it began, and what was read since. */
const knownOf = (place: CutPlace): readonly CutReading[] => [
  { hours: 0, celsius: STARTS[place.kind] },
  ...place.readings.filter(({ hours }) => hours > 0).sort((a, b) => a.hours - b.hours),
];

/**
 * °C in a place so many hours into a cut. A reading says what it was then; between two the place warmed from the one to the other, and
 * from the last on it goes by its own time constant. Estimated, unless it was read then.
 */
export function celsiusAt(place: CutPlace, hours: number): number {
  const known = knownOf(place);
  const index = known.findLastIndex((each) => each.hours <= Math.max(0, hours));
  const [before = { hours: 0, celsius: STARTS[place.kind] }, next] = [known[index], known[index + 1]];
  const since = Math.max(0, hours) - before.hours;
  if (!next) return fromThen(place, Math.min(before.celsius, ROOM - 0.1), since);
  const [from, to] = [Math.min(before.celsius, ROOM - 0.1), Math.min(next.celsius, ROOM - 0.1)];
  const part = since / (next.hours - before.hours);
  return to > from ? warmed(from, timeConstant(from, to, next.hours - before.hours), since) : from + (to - from) * part;
}

/** Longer than this no cut is looked ahead, in hours. */
const LOOKED_AHEAD = 24 * 60;

/** Hours into a cut at which a place is as warm as that first; undefined: never. */
export function hoursTo(place: CutPlace, celsius: number): number | undefined {
  if (celsiusAt(place, 0) >= celsius) return 0;
  const ends = [...knownOf(place).map(({ hours }) => hours), LOOKED_AHEAD];
  for (let index = 1; index < ends.length; index++) {
    let [low, high] = [ends[index - 1] ?? 0, ends[index] ?? LOOKED_AHEAD];
    // Just before its end: at it the next reading holds.
    if (celsiusAt(place, high - 1e-9) < celsius - 1e-9) continue;
    while (high - low > 1e-8) {
      const middle = (low + high) / 2;
      if (celsiusAt(place, middle) < celsius - 1e-9) low = middle;
      else high = middle;
    }
    return high;
  }
  return undefined;
}

/** What is to be done with what lies in a place, and the rule that says so. */
export interface CutVerdict {
  readonly fate: 'keep' | 'look' | 'throw';
  readonly said: string;
  readonly rule: string;
  /** °C at the end, estimated or read. */
  readonly celsius: number;
}

const FRIDGE_RULE = 'USDA: a fridge keeps its food for 4 h, shut';
const WARM_RULE = 'USDA: above 4 °C for 2 h or more, throw it away';
const FROZEN_RULE = 'USDA: ice crystals in it, or no warmer than 4 °C: freeze it again or use it';

const lastRead = (readings: readonly CutReading[]): CutReading | undefined =>
  [...readings].sort((a, b) => b.hours - a.hours)[0];

/** A reading in the last quarter of a cut says what it came to; an earlier one only what it was then (ours, no source). */
const LATE = 0.75;

/**
 * What a cut of so many hours did to the food in a place.
 *
 * Takes the place and hours. Without a reading in the last quarter of the cut a fridge goes by USDA's four hours and a freezer by how
 * full it is; an early reading may shorten that, never lengthen it. With one: the time above 4 °C, and for what is frozen −1.5 °C.
 * Frozen food is thrown away on a reading alone: where an estimate would say so, it is looked at first. What was read after the power
 * was back is no reading of the cut, unless it was warm even then.
 * Source: USDA, "Keep your food safe during emergencies", from memory; handbook 10 and 12.
 */
export function cutVerdict(of: CutPlace, hours: number): CutVerdict {
  const readings = of.readings.flatMap((each) =>
    each.hours <= hours ? [each] : each.celsius > WARM ? [{ ...each, hours }] : [],
  );
  const place = { ...of, readings };
  const celsius = celsiusAt(place, hours);
  const warmAt = hoursTo(place, WARM);
  const warmFor = warmAt === undefined ? 0 : Math.max(0, hours - warmAt);
  const isRead = readings.some((reading) => reading.hours > 0 && reading.hours >= hours * LATE);
  const isInTime = hours <= hoursOf(place);
  const isWarm = warmFor >= HOURS_WARM - 1e-6;
  const warm = { fate: 'throw', said: 'above 4 °C for 2 h or more', rule: WARM_RULE, celsius } as const;
  if (place.kind === 'fridge') {
    if (isWarm && (isRead || isInTime)) return warm;
    if (!isRead && !isInTime)
      return { fate: 'throw', said: 'longer than a fridge keeps cold', rule: FRIDGE_RULE, celsius };
    if (!isRead) return { fate: 'keep', said: 'still cold: feed it first', rule: FRIDGE_RULE, celsius };
    return {
      fate: 'keep',
      said: warmFor > 0 ? 'a little warm, not for long: feed it first' : 'still cold',
      rule: WARM_RULE,
      celsius,
    };
  }
  const last = lastRead(readings);
  if (last !== undefined && last.celsius > WARM && isWarm) return warm;
  if ((celsius < THAWS - 1e-6 && (isRead || isInTime)) || (readings.length === 0 && isInTime))
    return { fate: 'keep', said: 'still hard: leave it frozen', rule: FROZEN_RULE, celsius };
  return {
    fate: 'look',
    said: isRead
      ? 'perhaps thawed: open one and look for ice'
      : 'longer than it surely stays hard: open one and look for ice',
    rule: FROZEN_RULE,
    celsius,
  };
}

/** Whether a place is known to be cold again: by a reading since the power came back, and by nothing else. */
export function isColdAgain(place: CutPlace, hours: number): boolean {
  const last = lastRead(place.readings);
  return last !== undefined && last.hours > hours && last.celsius <= (place.kind === 'fridge' ? WARM : FROZEN_AGAIN);
}

/** °C at which a freezer counts as cold again (USDA, 0 °F, within what a thermometer errs by). */
const FROZEN_AGAIN = -15;

/** °C that a cold place can be at in a cut: beyond it the reading is of another unit, or of another place (ours, no source). */
export const LIKELY_IN_CUT: Readonly<Record<CutPlace['kind'], { readonly low: number; readonly high: number }>> = {
  fridge: { low: -2, high: 30 },
  freezer: { low: -30, high: 30 },
};

/**
 * Hours into a cut until which what lies in a place is kept, as `cutVerdict` keeps it: for its own hours, or for as long as its last
 * reading is late enough to count, and never longer than it stays cold. Source: as there.
 */
export function lastsUntil(place: CutPlace): number {
  const counts = Math.max(hoursOf(place), (lastRead(place.readings)?.hours ?? 0) / LATE);
  const edge =
    place.kind === 'fridge' ? (hoursTo(place, WARM) ?? Infinity) + HOURS_WARM : (hoursTo(place, THAWS) ?? Infinity);
  return Math.min(counts, edge);
}

/** How full a freezer is, 0 to 1, by mL; where nobody knows its size it is taken as half full (the shorter of USDA's hours). */
export const fullOf = (used: number, capacity: number | undefined): number =>
  capacity === undefined ? 0.5 : Math.min(1, Math.max(0.1, used / capacity));

/** The places in the order in which they lose their food: what to save first. */
export const saveFirst = <T extends CutPlace>(places: readonly T[]): readonly T[] =>
  [...places].sort((a, b) => lastsUntil(a) - lastsUntil(b));

/** A pack in a cold place, as a cut looks at it. */
export interface CutPack {
  readonly holdingId: number;
  readonly foodKind: FoodKind;
  readonly placeId: number;
}

/** What is past its own date is thrown away, whatever the cut did: it is said apart. */
const PAST: Omit<CutVerdict, 'celsius'> = {
  fate: 'throw',
  said: 'past its date, whatever the cut did',
  rule: 'its own date',
};

/**
 * What a cut comes to for what lies in a place; what is past its date stands apart; dry food does not mind, and an ingredient is
 * looked at. Source: as `cutVerdict`, and USDA's list for a fridge (from memory).
 */
export function packVerdict(
  verdict: CutVerdict,
  pack: Pick<CutPack, 'foodKind'> & { readonly safeUntil?: LocalDate | undefined },
  today: LocalDate,
): CutVerdict & { readonly isPast?: true } {
  if (pack.safeUntil !== undefined && pack.safeUntil < today) return { ...verdict, ...PAST, isPast: true };
  if (isDried(pack.foodKind))
    return { ...verdict, fate: 'keep', said: 'dry: it does not mind', rule: 'dry food keeps without cold' };
  if (pack.foodKind !== 'pantry' || verdict.fate !== 'throw') return verdict;
  return {
    ...verdict,
    fate: 'look',
    said: 'an ingredient: what it is decides',
    rule: 'USDA: butter, hard cheese, whole fruit and vegetables keep; milk, eggs and soft cheese are thrown away (from memory)',
  };
}

/** Something that is said of a cut, as it is sent; a time is that of the household, "2026-11-24T22:05", absent: now. */
const atSchema = z.string().max(20).optional();
export const cutActSchema = z.object({
  cutId: idSchema,
  of: z.discriminatedUnion('what', [
    z.object({ what: z.literal('from'), at: atSchema }),
    z.object({ what: z.literal('back'), at: atSchema }),
    z.object({ what: z.literal('still away') }),
    z.object({ what: z.literal('never') }),
    z.object({ what: z.literal('opened'), placeId: idSchema }),
    z.object({ what: z.literal('read'), placeId: idSchema, celsius: z.number().min(-40).max(60), at: atSchema }),
    z.object({ what: z.literal('full'), placeId: idSchema, full: z.number().min(0.1).max(1) }),
    z.object({ what: z.literal('unsay'), eventId: idSchema }),
  ]),
});
export type CutAct = z.infer<typeof cutActSchema>;
export const beginCutSchema = z.object({ at: atSchema });
export const settleCutSchema = z.object({
  cutId: idSchema,
  throwAway: z.array(idSchema).max(500),
  refreeze: z.array(idSchema).max(500),
});
export type SettleCut = z.infer<typeof settleCutSchema>;

export const CUT_EVENTS = ['opened', 'read', 'full'] as const;
export interface CutEvent {
  readonly id: number;
  readonly placeId: number;
  readonly kind: (typeof CUT_EVENTS)[number];
  readonly value: number;
  readonly at: Date;
}

const HOUR = 3_600_000;

/** A place during a cut by what was said of it; how full it is by what lies in it, where nobody said. Takes mL. */
export function placeInCut(
  place: { readonly id: number; readonly kind: CutPlace['kind']; readonly used: number; readonly capacity?: number },
  from: Date,
  events: readonly CutEvent[],
): CutPlace {
  const own = events.filter((event) => event.placeId === place.id);
  const said = own.findLast(({ kind }) => kind === 'full')?.value;
  return {
    kind: place.kind,
    full: said ?? fullOf(place.used, place.capacity),
    opened: own.filter(({ kind }) => kind === 'opened').length,
    readings: own.flatMap(({ kind, value, at }) =>
      kind === 'read' ? [{ hours: (at.getTime() - from.getTime()) / HOUR, celsius: value }] : [],
    ),
  };
}

/** Hours between two instants. */
export const hoursFrom = (from: Date, to: Date): number => Math.max(0, (to.getTime() - from.getTime()) / HOUR);

/** "9 h 20", "40 min". Takes hours. */
export function sayCut(hours: number): string {
  const minutes = Math.round(hours * 60);
  if (minutes < 60) return `${minutes} min`;
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)} h${rest === 0 ? '' : ` ${String(rest).padStart(2, '0')}`}`;
}
