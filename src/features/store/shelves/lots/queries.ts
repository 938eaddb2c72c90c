import 'server-only';
import { kcalIn } from '@/core/nutrition/density';
import { daysBetween, writeDay, type LocalDate } from '@/core/calendar/local-date';
import type { StoredLot } from '@/data/repositories/lots';
import type { Lying } from '../queries';

/** How a date of safety is said that is over. */
export const WAS_SAFE = 'was safe until';

/** An ingredient as it lies on its shelf. */
export interface ShelfLot {
  readonly holdingId: number;
  readonly name: string;
  readonly grams: number;
  readonly until: string;
  readonly tone: 'danger' | 'caution' | 'plain';
  readonly notes: readonly string[];
  readonly useBy: LocalDate | undefined;
  readonly placeId: number;
  readonly blocked: boolean;
  /** What it can be found by, in small letters. */
  readonly words: string;
}

/** An ingredient with what presses: past its safe day it is thrown away, by tomorrow it is cooked or frozen. */
export function shownLot(lot: StoredLot, today: LocalDate): ShelfLot {
  const date = lot.safeUntil ?? lot.bestBy;
  const left = date === undefined ? Infinity : daysBetween(today, date);
  const isSafety = lot.safeUntil !== undefined;
  const tone =
    lot.blocked || (isSafety && left < 0) ? 'danger' : left < 0 || (isSafety && left <= 1) ? 'caution' : 'plain';
  const said = isSafety ? (left < 0 ? WAS_SAFE : 'cook or freeze by') : 'best by';
  const notes = [
    ...(lot.ahead ? ['a day of it lies ahead'] : lot.blocked ? ['blocked'] : []),
    ...(lot.foodKind === 'raw' || lot.foodKind === 'whole meat' ? ['raw'] : []),
    ...(lot.thawedOn ? [`thawed ${writeDay(lot.thawedOn, today)}`] : []),
  ];
  const until = date === undefined ? 'no date' : `${said} ${writeDay(date, today)}`;
  return {
    holdingId: lot.holdingId,
    name: lot.name,
    grams: lot.grams,
    until,
    tone,
    notes,
    useBy: date,
    placeId: lot.placeId,
    blocked: lot.blocked,
    words: [lot.name, 'ingredient', lot.placeName, lot.code ?? '', ...notes, until, date ?? ''].join(' ').toLowerCase(),
  };
}

/** An ingredient beside packs, where all that lies in a place is gone through: counted, or judged after a power cut. */
export const lotAsPack = (lot: StoredLot, today: LocalDate): Lying => ({
  ...shownLot(lot, today),
  code: lot.name,
  whose: 'ingredient',
  tags: [],
  recipeName: lot.name,
  kcal: lot.density === undefined ? undefined : kcalIn(lot.grams, lot.density),
  room: lot.grams,
  full: 1,
  protein: { word: 'ingredient', hatch: 'level' },
  packedOn: lot.receivedOn,
  placeName: lot.placeName,
});
