import { minutesBetween } from '../calendar/minutes';
import { fine, refused, type Outcome } from '../problem';
import { toCelsius, writeTemperature } from '../quantity/temperature';
import type { UnitSet } from '../quantity/units';
import { ASKED_AT_60, lethalityOf, type Lethality } from './lethality';
import { isAtLeast } from './rule-degrees';
import type { SafeCore } from './safe-core';

/** A core temperature as it was read. */
export interface CoreReading {
  /** Its place among the readings of its batch. */
  readonly id?: number;
  readonly celsius: number;
  readonly at: Date;
}

/** Whether a load is proven: by which reading, or what is missing. */
export type HeatVerdict =
  | { readonly is: 'not asked' }
  | { readonly is: 'proven'; readonly by: CoreReading }
  | { readonly is: 'too cold'; readonly by: CoreReading }
  /** It was measured, and something raw went in since: that reading does not count. */
  | { readonly is: 'before the last addition'; readonly by: CoreReading }
  | { readonly is: 'not measured' };

/**
 * The verdict on a load by single readings of its core: the last one after the last raw addition decides; one before it
 * is kept and does not count.
 *
 * Takes what its strictest part asks for, the readings in order of time, and when the last raw food went in (undefined:
 * with the first); and, where the cook goes by the logged curve, what it came to. Source: USDA FSIS chart; measured after the last raw addition (handbook 6).
 */
export function heatVerdict(
  asked: SafeCore | undefined,
  readings: readonly CoreReading[],
  lastRaw: Date | undefined,
  chosen?: ByTime,
): HeatVerdict {
  if (!asked) return { is: 'not asked' };
  const last = readings.at(-1);
  if (!last) return { is: 'not measured' };
  if (lastRaw && last.at < lastRaw) return { is: 'before the last addition', by: last };
  if (chosen && chosen.minutes >= chosen.asked) return { is: 'proven', by: last };
  return isAtLeast(last.celsius, asked.celsius) ? { is: 'proven', by: last } : { is: 'too cold', by: last };
}

/** What a logged core came to by time at temperature, where the table of times holds for that food. */
export interface ByTime extends Lethality {
  /** Minutes at 60 °C that are asked for. */
  readonly asked: number;
}

/** The foods that the table of times is for. Source: FSIS Appendix A; four times as much for poultry is ours (handbook 6). */
const BY_TIME: Readonly<Record<string, number>> = {
  'ground meat': ASKED_AT_60.meat,
  'whole cuts': ASKED_AT_60.meat,
  poultry: ASKED_AT_60.poultry,
};

/**
 * The lethality of a load's core from the readings after its last raw addition; undefined where there are fewer than two,
 * or its strictest part is no meat that the table of times is for. Source: handbook 6 (FSIS Appendix A, from memory).
 */
export function byTime(
  asked: SafeCore | undefined,
  readings: readonly CoreReading[],
  lastRaw: Date | undefined,
): ByTime | undefined {
  const needed = asked && BY_TIME[asked.as];
  const own = readings.filter(({ at }) => !lastRaw || at >= lastRaw);
  const [first] = own;
  if (needed === undefined || !first || own.length < 2) return undefined;
  const curve = own.map(({ celsius, at }) => ({ celsius, minutes: minutesBetween(first.at, at) }));
  return { ...lethalityOf(curve), asked: needed };
}

/** What a kitchen's food can be, in °C: from the freezer to boiling under pressure (common practice, no source). */
const FOOD = { low: -30, high: 130 };

/** A typed temperature of food: its figure, and the unit where one was written. */
const TYPED = /^\s*([-−]?\d{1,3}(?:[.,]\d{1,2})?)\s*(?:°|degrees?)?\s*([cf])?\s*$/i;

/** Two figures of one reading, as a needle swings: "70 to 80 °F", "70-80". */
const RANGE =
  /^\s*(\d{1,3}(?:[.,]\d)?)\s*(?:°\s*[cf]?)?\s*(?:-|–|to)\s*\d{1,3}(?:[.,]\d)?\s*(?:°|degrees?)?\s*([cf]?)\s*$/i;

/**
 * Reads a temperature of food: "76", "76.4 C", "169 °F"; a bare number is in the household's unit. Returns °C.
 *
 * `about` is what is likely just now, in °C: a figure that lies there only in the other unit is asked about, never
 * stored: 75 with °F behind it is lukewarm, and a done core in °C. With the unit that is meant written out (`sure`) it is taken.
 * Source: handbook 6 (a slip of the unit is asked).
 */
export function readFoodTemperature(
  text: string,
  set: UnitSet,
  about: { readonly low: number; readonly high: number },
  sure = false,
): Outcome<number> {
  // Of "70 to 80" the lower is what is sure.
  const match = TYPED.exec(text.replace(RANGE, '$1 $2'));
  if (!match) return refused(`Degrees, such as ${set === 'us' ? '165 °F' : '74 °C'}.`);
  const value = Number((match[1] ?? '').replace(',', '.').replace('−', '-'));
  const unit = match[2]?.toLowerCase() ?? (set === 'us' ? 'f' : 'c');
  const celsius = unit === 'f' ? toCelsius(value) : value;
  const other = unit === 'f' ? value : toCelsius(value);
  const isLikely = (each: number) => each >= about.low && each <= about.high;
  if (!sure && !isLikely(celsius) && isLikely(other))
    return refused(
      `${value} °${unit.toUpperCase()} is ${unit === 'f' ? writeTemperature(celsius, 'metric') : writeTemperature(celsius, 'us')}: was ${value} °${unit === 'f' ? 'C' : 'F'} meant?`,
      'unit',
    );
  if (celsius < FOOD.low || celsius > FOOD.high)
    return refused(`Food is between ${writeTemperature(FOOD.low, set)} and ${writeTemperature(FOOD.high, set)}.`);
  return fine(celsius);
}

/** What a core is likely to be when it is measured at the stove, in °C: warm, and no hotter than boiling. */
export const LIKELY_CORE = { low: 40, high: 102 } as const;
