import { z } from 'zod';
import { isAmong } from '../sure';
import { SHORTEST_MONTH, type LocalDate } from '../calendar/local-date';
import { DRY_METHODS } from './methods';

export const FOOD_KINDS = ['cooked', 'raw', 'broth', ...DRY_METHODS, 'whole meat', 'pantry'] as const;
/** *raw* is raw mixed food, ground meat, offal and fish; *pantry* is whatever has no days but those of its label. */
export type FoodKind = (typeof FOOD_KINDS)[number];

export const PLACE_KINDS = ['fridge', 'freezer', 'cupboard'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const PACKAGINGS = ['tub', 'bag', 'vacuum bag', 'jar', 'barrier bag', 'barrier bag with absorber'] as const;
/** In what food is packed, where that changes how long it keeps. */
export type Packaging = (typeof PACKAGINGS)[number];

/** "cooked food", "whole meat", "food of the pantry". */
export const sayKind = (kind: FoodKind): string =>
  kind === 'whole meat' ? kind : kind === 'pantry' ? 'food of the pantry' : `${kind} food`;

export const isDried = (kind: FoodKind): boolean => isAmong(DRY_METHODS, kind);

/** A row of the table of lives; a household may have its own in its place. */
export const shelfLifeSchema = z.object({
  kind: z.enum(FOOD_KINDS),
  place: z.enum(PLACE_KINDS),
  /** Days after the pack day on the last of which it may be fed; absent: safe for as long as it stays there. */
  safeDays: z.number().int().positive().optional(),
  /** The household's own fridge days take the place of `safeDays`. */
  household: z.boolean().optional(),
  bestMonths: z.number().int().positive().optional(),
  fattyBestMonths: z.number().int().positive().optional(),
  /** In these alone; absent: however it is packed, where no other row says better. */
  packaging: z.array(z.enum(PACKAGINGS)).readonly().optional(),
  source: z.string(),
});
export type ShelfLife = Readonly<z.infer<typeof shelfLifeSchema>>;

export interface ShelfLives {
  readonly rows: readonly ShelfLife[];
  readonly openedDriedDays: { readonly days: number; readonly source: string };
}

declare const keeps: unique symbol;
/** Whole days that food keeps after the day on which it was made, as the rules say it of its kind: no number that somebody typed. */
export type KeepsDays = number & { readonly [keeps]: true };

/** What the rules say of one kind of food in one kind of place. */
export type KeepsRow = Omit<ShelfLife, 'household' | 'safeDays'> & { readonly safeDays?: KeepsDays };

/** The rules by which food is dated: a household's own table. Nobody else knows how many days anything keeps. */
export interface DatingRules {
  readonly keeps: readonly KeepsRow[];
  readonly openedDriedDays: ShelfLives['openedDriedDays'];
}

/**
 * The rules of a household: the table with its own rows, and its fridge days as what they are, those of cooked food. What else
 * follows them (broth) keeps no longer than the table says. Takes the days that cooked food keeps in the fridge.
 * Source: the table's own (USDA, NCHFP, common practice).
 */
export function datingRules(lives: ShelfLives, own: readonly ShelfLife[], cookedFridgeDays: number): DatingRules {
  return {
    openedDriedDays: lives.openedDriedDays,
    keeps: withOwn(lives, own).rows.map(({ household, safeDays, ...row }) => {
      const days = !household
        ? safeDays
        : row.kind === 'cooked'
          ? cookedFridgeDays
          : Math.min(safeDays ?? cookedFridgeDays, cookedFridgeDays);
      return { ...row, ...(days === undefined ? {} : { safeDays: days as KeepsDays }) };
    }),
  };
}

/** Whether two rows are about the same food. */
const isOf = (row: ShelfLife, other: Pick<ShelfLife, 'kind' | 'place' | 'packaging'>): boolean =>
  row.kind === other.kind && row.place === other.place && String(row.packaging ?? '') === String(other.packaging ?? '');

/** The table with a household's own rows in the place of those that are about the same food. */
export const withOwn = (lives: ShelfLives, own: readonly ShelfLife[]): ShelfLives => ({
  ...lives,
  rows: lives.rows.map((row) => own.find((each) => isOf(each, row)) ?? row),
});

/** Whether food of a kind belongs in a kind of place at all (cooked food does not in a cupboard). */
export const belongsIn = (lives: ShelfLives, kind: FoodKind, place: PlaceKind): boolean =>
  lives.rows.some((row) => row.kind === kind && row.place === place);

/**
 * The row for food of a kind in a kind of place, as it is packed where a row says so; undefined where such food does not belong
 * there.
 */
export const keepsRowOf = (
  { keeps: all }: DatingRules,
  kind: FoodKind,
  place: PlaceKind,
  packaging?: Packaging,
): KeepsRow | undefined => {
  const rows = all.filter((row) => row.kind === kind && row.place === place);
  return (
    rows.find((row) => packaging !== undefined && row.packaging?.includes(packaging)) ??
    rows.find((row) => row.packaging === undefined)
  );
};

/** Days that fresh food of a kind keeps in the fridge, by the rules; 0: it does not belong there. Source: the table's own. */
export const fridgeDaysOf = (rules: DatingRules, kind: FoodKind): KeepsDays =>
  keepsRowOf(rules, kind, 'fridge')?.safeDays ?? (0 as KeepsDays);

/** Days that food of a kind is at its best in the freezer, from any day on: of a month its shortest. Source: the table's own. */
export const frozenDaysOf = (rules: DatingRules, kind: FoodKind): number =>
  (keepsRowOf(rules, kind, 'freezer')?.bestMonths ?? 0) * SHORTEST_MONTH;

export const LABEL_DATES = ['best', 'safe'] as const;
/** A date as it is printed: *use by* is for safety, *best by* for quality. */
export interface LabelDate {
  readonly until: LocalDate;
  readonly is: (typeof LABEL_DATES)[number];
}
