import { z } from 'zod';
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
const STARTS = { freezer: -18, fridge: 3 } as const;
const THAWS = -1.5;
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

/** Warming by Newton's law: hours in which the gap to the kitchen falls to a part of e. */
interface Warming {
  readonly from: number;
  readonly hours: number;
}

/** The warming that takes a place to a temperature in so many hours; one that never moves where it has not warmed. */
function through(from: number, celsius: number, hours: number): number {
  const [gap, left] = [ROOM - from, ROOM - celsius];
  return left >= gap || left <= 0 ? Infinity : hours / Math.log(gap / left);
}

/**
 * How a place warms: through its last reading, where there is one; else so that it comes to the edge (−1.5 °C, or 4 °C in a fridge) in
 * the hours that USDA gives it. No latent heat is counted, so that it is never colder than this. Source: handbook 12; Newton.
 */
function warmingOf(place: CutPlace): Warming {
  const from = STARTS[place.kind];
  const last = [...place.readings].filter(({ hours }) => hours > 0).sort((a, b) => b.hours - a.hours)[0];
  if (last) return { from, hours: through(from, Math.min(last.celsius, ROOM - 0.1), last.hours) };
  return { from, hours: through(from, place.kind === 'fridge' ? WARM : THAWS, hoursOf(place)) };
}

/** °C in a place so many hours into a cut, by what is known of it. Estimated, unless it was read then. */
export function celsiusAt(place: CutPlace, hours: number): number {
  const { from, hours: tau } = warmingOf(place);
  return ROOM - (ROOM - from) * Math.exp(-Math.max(0, hours) / tau);
}

/** Hours into a cut at which a place is as warm as that; undefined: never. */
export function hoursTo(place: CutPlace, celsius: number): number | undefined {
  const { from, hours: tau } = warmingOf(place);
  if (celsius <= from) return 0;
  if (celsius >= ROOM || tau === Infinity) return undefined;
  return tau * Math.log((ROOM - from) / (ROOM - celsius));
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

/**
 * What a cut of so many hours did to the food in a place.
 *
 * Takes the place and hours. A fridge without a reading goes by its hours; with one by the time above 4 °C. Frozen food is kept
 * while it is below −1.5 °C, looked at until it has been above 4 °C for two hours, and thrown away then. A reading decides over an
 * estimate. Source: USDA, "Keep your food safe during emergencies", from memory.
 */
export function cutVerdict(place: CutPlace, hours: number): CutVerdict {
  const celsius = celsiusAt(place, hours);
  const warmAt = hoursTo(place, WARM);
  const warmFor = warmAt === undefined ? 0 : Math.max(0, hours - warmAt);
  const isRead = place.readings.some((reading) => reading.hours > 0);
  if (place.kind === 'fridge') {
    if (!isRead && hours <= hoursOf(place))
      return { fate: 'keep', said: 'still cold: feed it first', rule: FRIDGE_RULE, celsius };
    if (!isRead) return { fate: 'throw', said: 'longer than a fridge keeps cold', rule: FRIDGE_RULE, celsius };
    if (warmFor >= HOURS_WARM) return { fate: 'throw', said: 'above 4 °C for 2 h or more', rule: WARM_RULE, celsius };
    return {
      fate: 'keep',
      said: warmFor > 0 ? 'a little warm, not for long: feed it first' : 'still cold',
      rule: WARM_RULE,
      celsius,
    };
  }
  if (celsius < THAWS) return { fate: 'keep', said: 'still hard: leave it frozen', rule: FROZEN_RULE, celsius };
  if (warmFor >= HOURS_WARM) return { fate: 'throw', said: 'above 4 °C for 2 h or more', rule: WARM_RULE, celsius };
  return { fate: 'look', said: 'perhaps thawed: open one and look for ice', rule: FROZEN_RULE, celsius };
}

/** When a place comes to its edge: hours into the cut until which nothing in it is lost. */
export const lastsUntil = (place: CutPlace): number | undefined =>
  place.kind === 'fridge' && place.readings.every(({ hours }) => hours <= 0)
    ? hoursOf(place)
    : place.kind === 'fridge'
      ? addHours(hoursTo(place, WARM))
      : hoursTo(place, THAWS);

const addHours = (warm: number | undefined) => (warm === undefined ? undefined : warm + HOURS_WARM);

/** How full a freezer is, 0 to 1, by mL; where nobody knows its size it is taken as half full (the shorter of USDA's hours). */
export const fullOf = (used: number, capacity: number | undefined): number =>
  capacity === undefined ? 0.5 : Math.min(1, Math.max(0.1, used / capacity));

/** The places in the order in which they lose their food: what to save first. */
export const saveFirst = <T extends CutPlace>(places: readonly T[]): readonly T[] =>
  [...places].sort((a, b) => (lastsUntil(a) ?? Infinity) - (lastsUntil(b) ?? Infinity));

/** A pack in a cold place, as a cut looks at it. */
export interface CutPack {
  readonly holdingId: number;
  readonly foodKind: FoodKind;
  readonly placeId: number;
}

/**
 * What a cut comes to for what lies in a place; dry food does not mind, and an ingredient is looked at. Source: as `cutVerdict`, and
 * USDA's list for a fridge (from memory).
 */
export function packVerdict(verdict: CutVerdict, pack: Pick<CutPack, 'foodKind'>): CutVerdict {
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
