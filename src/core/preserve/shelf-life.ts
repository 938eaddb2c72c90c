import { isAmong } from '../sure';
import { addDays, addMonths, type LocalDate } from '../calendar/local-date';
import { DRY_METHODS } from './methods';

export const FOOD_KINDS = ['cooked', 'raw', 'broth', ...DRY_METHODS] as const;
export type FoodKind = (typeof FOOD_KINDS)[number];

export const PLACE_KINDS = ['fridge', 'freezer', 'cupboard'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const isDried = (kind: FoodKind): boolean => isAmong(DRY_METHODS, kind);

export interface ShelfLife {
  readonly kind: FoodKind;
  readonly place: PlaceKind;
  /** Days after the pack day on the last of which it may be fed; absent: safe for as long as it stays there. */
  readonly safeDays?: number;
  /** The household's own fridge days take the place of `safeDays`. */
  readonly household?: boolean;
  readonly bestMonths?: number;
  readonly fattyBestMonths?: number;
  readonly source: string;
}

export interface ShelfLives {
  readonly rows: readonly ShelfLife[];
  readonly openedDriedDays: { readonly days: number; readonly source: string };
}

/** Two dates that are two things: past `safeUntil` it must not be fed, past `bestBy` it has only lost quality. */
export interface KeepingDates {
  readonly safeUntil: LocalDate | undefined;
  readonly bestBy: LocalDate | undefined;
  readonly rule: string;
}

export interface Keeping {
  readonly kind: FoodKind;
  readonly place: PlaceKind;
  readonly packedOn: LocalDate;
  /** The day it came to this place. */
  readonly since: LocalDate;
  /** Days outside the freezer that it had used up in earlier places. */
  readonly fridgeDaysUsed: number;
  readonly openedOn?: LocalDate;
  /** Fat above 20 % of dry matter: freeze-dried food keeps half as long. */
  readonly fatty?: boolean;
}

/** The row for food of a kind in a kind of place; undefined where such food does not belong there (cooked food in a cupboard). */
export const shelfLifeOf = (lives: ShelfLives, kind: FoodKind, place: PlaceKind): ShelfLife | undefined =>
  lives.rows.find((row) => row.kind === kind && row.place === place);

/**
 * How long food keeps where it is.
 *
 * Takes the table, how it is kept and the household's fridge days; returns local dates, undefined for "open".
 * Throws for food that does not belong there. Days used up outside the freezer are not given again, neither by thawing nor by another shelf.
 * Source: the table's own (USDA, NCHFP, common practice), named in `rule`.
 */
export function keepingDates(lives: ShelfLives, keeping: Keeping, fridgeDays: number): KeepingDates {
  const life = shelfLifeOf(lives, keeping.kind, keeping.place);
  if (!life) throw new Error(`${keeping.kind} food does not belong in a ${keeping.place}`);
  const safeDays = life.household ? fridgeDays : life.safeDays;
  const used = keeping.place === 'freezer' ? 0 : keeping.fridgeDaysUsed;
  // Dried food ages in every place alike: its months run from the day it was packed.
  const ages = isDried(keeping.kind) ? keeping.packedOn : keeping.since;
  let safeUntil = safeDays === undefined ? undefined : addDays(keeping.since, Math.max(0, safeDays - used));
  const months = keeping.fatty ? (life.fattyBestMonths ?? life.bestMonths) : life.bestMonths;
  let bestBy = months === undefined ? safeUntil : addMonths(ages, months);
  let rule = `${life.kind} food, ${life.place}: ${life.source}`;
  if (isDried(keeping.kind) && keeping.openedOn !== undefined) {
    const opened = addDays(keeping.openedOn, lives.openedDriedDays.days);
    if (safeUntil === undefined || opened < safeUntil) {
      safeUntil = opened;
      bestBy = opened;
      rule = `opened, ${lives.openedDriedDays.days} days: ${lives.openedDriedDays.source}`;
    }
  }
  return { safeUntil, bestBy, rule };
}
