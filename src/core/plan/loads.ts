import { countOf } from '../quantity/count-words';
import type { Explanation } from '../explanation';
import { refused, fine, type Outcome } from '../problem';
import { writeNumber } from '../quantity/write';
import type { WrittenLine } from '../recipe/written';
import type { Equipment } from './equipment';
import { swells } from './volume';

/** How far a vessel is filled with one load, in mL (of oven trays in g), and why. */
export interface FillLimit {
  readonly limit: number;
  readonly unit: 'mL' | 'g';
  readonly part: string;
  readonly source: string;
}

/**
 * How far a vessel may be filled: a pot to four fifths, a slow cooker to three quarters, a pressure cooker to two
 * thirds or, with grain and other food that swells, to half; oven trays by the weight on each.
 *
 * Source: pressure cookers handbook 6; the rest common practice, no source.
 */
export function fillLimit(vessel: Equipment, lines: readonly Pick<WrittenLine, 'part' | 'source'>[]): FillLimit {
  if (vessel.kind === 'oven trays')
    return {
      limit: (vessel.grams ?? 0) * vessel.count,
      unit: 'g',
      part: `${countOf(vessel.count, 'tray')} of ${vessel.grams ?? 0} g`,
      source: 'your own figure',
    };
  const volume = vessel.millilitres ?? 0;
  if (vessel.kind === 'pressure cooker') {
    const swelling = lines.some(swells);
    return {
      limit: swelling ? volume / 2 : (volume * 2) / 3,
      unit: 'mL',
      part: swelling ? 'half full: there is food in it that swells' : 'two thirds full',
      source: 'pressure cookers: two thirds, half for food that swells',
    };
  }
  const part = vessel.kind === 'slow cooker' ? 0.75 : 0.8;
  return {
    limit: volume * part,
    unit: 'mL',
    part: vessel.kind === 'slow cooker' ? 'three quarters full' : 'four fifths full',
    source: 'common practice, no source',
  };
}

/** Vesselfuls of one component, all even. */
export interface Loads {
  readonly loads: number;
  /** What each takes, in mL or g. */
  readonly each: number;
  /** The part of the limit that each fills, from 0 to 1. */
  readonly full: number;
  readonly explanation: Explanation;
}

/** More vesselfuls than this nobody cooks in a day (common practice, no source). */
export const MOST_LOADS = 60;

/** What floating point may add is no load more. */
const HAIR = 1e-9;

/** The fewest loads that a room is cut into, beside what each load takes by itself; infinite where none fits. */
export const fewestLoads = (room: number, addedByLoad: number, limit: number): number =>
  limit > addedByLoad ? Math.max(1, Math.ceil((room / (limit - addedByLoad)) * (1 - HAIR))) : Infinity;

/**
 * Cuts a component into the fewest even vesselfuls. Lines that are bound to a load (pot water) stand in every one of
 * them and take their room there.
 *
 * Takes the room of all that is not bound to a load, the room of what each load adds, and the limit, in the same unit;
 * `atLeast` is how many there are anyway.
 * Refuses what cannot fit however often it is filled. Source: arithmetic.
 */
export function evenLoads(
  room: number,
  addedByLoad: number,
  limit: FillLimit,
  vessel: string,
  atLeast = 1,
): Outcome<Loads> {
  const left = limit.limit - addedByLoad;
  const unit = limit.unit;
  if (!(left > 0))
    return refused(
      `What every load of ${vessel} takes by itself (${writeNumber(addedByLoad, 0)} ${unit}) already fills it. Choose a larger one.`,
      'vessel',
    );
  const loads = Math.max(atLeast, fewestLoads(room, addedByLoad, limit.limit));
  if (loads > MOST_LOADS)
    return refused(`That is ${writeNumber(loads, 0)} loads of ${vessel}. Choose a larger one, or cook less.`, 'vessel');
  const each = room / loads + addedByLoad;
  return fine({
    loads,
    each,
    full: each / limit.limit,
    explanation: {
      title: `${countOf(loads, 'load')} of ${vessel}`,
      steps: [
        { what: 'room that the food takes raw', sum: `${writeNumber(room, 0)} ${unit}` },
        ...(addedByLoad > 0 ? [{ what: 'and in every load', sum: `${writeNumber(addedByLoad, 0)} ${unit}` }] : []),
        { what: `may be filled: ${limit.part}`, sum: `${writeNumber(limit.limit, 0)} ${unit}` },
        {
          what: 'even loads, as few as fit',
          sum: `${writeNumber(room, 0)} ÷ ${writeNumber(left, 0)} → ${loads}, each ${writeNumber(each, 0)} ${unit}`,
        },
      ],
      source: `Room by each food’s own measure; ground meat 2 cups a pound, greens a third (common practice). Limit: ${limit.source}.`,
    },
  });
}

const SWEET = /\b(sweet ?potato|yams?|pumpkin|squash|parsnips?|beets?|carrots?)\b/i;

/** Where a line lies in a pressure cooker, from the base. */
function layerOf({ part, source }: Pick<WrittenLine, 'part' | 'source'>): number {
  if (part === 'liquid') return 0;
  if ((part === 'vegetable' || part === 'carbohydrate') && SWEET.test(source.food.name)) return 3;
  if (part === 'carbohydrate') return 2;
  if (part === 'vegetable' || part === 'fruit' || part === 'herb') return 1;
  return 4;
}

/**
 * The lines of a component in the order in which a pressure cooker is filled: liquid and wet vegetables at the base,
 * grain on them, sweet starches off the base, meat on top. Source: handbook 6 (common practice, no source).
 */
export const orderOfFilling = <T extends Pick<WrittenLine, 'part' | 'source'>>(lines: readonly T[]): T[] =>
  [...lines].sort((a, b) => layerOf(a) - layerOf(b));
