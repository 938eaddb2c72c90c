import { z } from 'zod';
import { isAmong } from '../sure';
import { addDays, addMonths, type LocalDate } from '../calendar/local-date';
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

/** The rules by which food is dated: the table with the household's own rows, and its fridge days. */
export interface DatingRules {
  readonly shelfLives: ShelfLives;
  readonly fridgeDays: number;
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
  /** All that limits it, the earliest first: when, and why. */
  readonly causes: readonly KeepingCause[];
}

/** One of the things that limit how long food keeps; no day: for as long as it stays there. */
export interface KeepingCause {
  readonly until: LocalDate | undefined;
  readonly is: 'safe' | 'best';
  readonly why: string;
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
  /** The day that it came out of the freezer. */
  readonly thawedOn?: LocalDate;
  /** The day that something left in a bowl was put back into it. */
  readonly returnedOn?: LocalDate;
  /** Fat above 20 % of dry matter: freeze-dried food keeps half as long. */
  readonly fatty?: boolean;
  /** In what it is packed; absent: nobody has said. */
  readonly packaging?: Packaging;
  /** The date that its maker printed on it. */
  readonly label?: LabelDate;
}

export const LABEL_DATES = ['best', 'safe'] as const;
/** A date as it is printed: *use by* is for safety, *best by* for quality. */
export interface LabelDate {
  readonly until: LocalDate;
  readonly is: (typeof LABEL_DATES)[number];
}

/** Days that food keeps that a dog left and somebody put back (common practice, no source). */
const RETURNED_DAYS = 1;

/** Whether two rows are about the same food. */
const isOf = (row: ShelfLife, other: Pick<ShelfLife, 'kind' | 'place' | 'packaging'>): boolean =>
  row.kind === other.kind && row.place === other.place && String(row.packaging ?? '') === String(other.packaging ?? '');

/** The table with a household's own rows in the place of those that are about the same food. */
export const withOwn = (lives: ShelfLives, own: readonly ShelfLife[]): ShelfLives => ({
  ...lives,
  rows: lives.rows.map((row) => own.find((each) => isOf(each, row)) ?? row),
});

/**
 * The row for food of a kind in a kind of place, as it is packed where a row says so; undefined where such food does not belong
 * there (cooked food in a cupboard).
 */
export const shelfLifeOf = (
  lives: ShelfLives,
  kind: FoodKind,
  place: PlaceKind,
  packaging?: Packaging,
): ShelfLife | undefined => {
  const rows = lives.rows.filter((row) => row.kind === kind && row.place === place);
  return (
    rows.find((row) => packaging !== undefined && row.packaging?.includes(packaging)) ??
    rows.find((row) => row.packaging === undefined)
  );
};

/**
 * How long food keeps where it is.
 *
 * Takes the table, how it is kept and the household's fridge days; returns local dates, undefined for "open", and every cause of
 * them, the earliest first. Throws for food that does not belong there. Days used up outside the freezer are not given again,
 * neither by thawing nor by another shelf.
 * Source: the table's own (USDA, NCHFP, common practice), named in `rule`.
 */
export function keepingDates(lives: ShelfLives, keeping: Keeping, fridgeDays: number): KeepingDates {
  const life = shelfLifeOf(lives, keeping.kind, keeping.place, keeping.packaging);
  if (!life) throw new Error(`${sayKind(keeping.kind)} does not belong in a ${keeping.place}`);
  const safeDays = life.household ? fridgeDays : life.safeDays;
  const used = keeping.place === 'freezer' ? 0 : keeping.fridgeDaysUsed;
  // Dried food ages in every place alike: its months run from the day it was packed.
  const ages = isDried(keeping.kind) ? keeping.packedOn : keeping.since;
  const packed = life.packaging ? ` in a ${keeping.packaging}` : '';
  const named = `${sayKind(life.kind)}${packed}, ${life.place}: ${life.source}`;
  const causes: KeepingCause[] = [];
  // A maker's date holds for food as it was bought: neither frozen, nor thawed, nor moved out of the freezer since.
  const asBought =
    keeping.place !== 'freezer' &&
    keeping.thawedOn === undefined &&
    keeping.fridgeDaysUsed === 0 &&
    keeping.since === keeping.packedOn;
  const useBy = keeping.label?.is === 'safe' && asBought ? keeping.label : undefined;
  if (useBy) causes.push({ ...useBy, why: 'use by, as its label says' });
  if (keeping.label?.is === 'best' && keeping.place !== 'freezer')
    causes.push({ ...keeping.label, why: 'best by, as its label says' });
  if (safeDays !== undefined && !useBy)
    causes.push({
      until: addDays(keeping.since, Math.max(0, safeDays - used)),
      is: 'safe',
      why: used > 0 ? `${named}; ${Math.min(used, safeDays)} of ${safeDays} days were used before` : named,
    });
  const months = keeping.fatty ? (life.fattyBestMonths ?? life.bestMonths) : life.bestMonths;
  if (months !== undefined)
    causes.push({
      until: addMonths(ages, months),
      is: 'best',
      why: `${named}${keeping.fatty && life.fattyBestMonths !== undefined ? '; more than 20 % fat in its dry matter' : ''}`,
    });
  if (isDried(keeping.kind) && keeping.openedOn !== undefined)
    causes.push({
      until: addDays(keeping.openedOn, lives.openedDriedDays.days),
      is: 'safe',
      why: `opened, ${lives.openedDriedDays.days} days: ${lives.openedDriedDays.source}`,
    });
  if (keeping.returnedOn !== undefined)
    causes.push({
      until: addDays(keeping.returnedOn, RETURNED_DAYS),
      is: 'safe',
      why: 'left in a bowl and put back: fed by the next day (common practice, no source)',
    });
  // The earliest of what limits it is the one that holds.
  const earliest = (of: readonly KeepingCause[]) =>
    of.reduce<KeepingCause | undefined>((a, b) => ((a?.until ?? '9') <= (b.until ?? '9') ? (a ?? b) : b), undefined);
  const safe = earliest(causes.filter(({ is }) => is === 'safe'));
  const best = earliest(causes);
  return {
    safeUntil: safe?.until,
    bestBy: best?.until,
    rule: (safe && safe.until === best?.until ? safe : (best ?? safe))?.why ?? named,
    causes: [...causes].sort((a, b) => (a.until ?? '9').localeCompare(b.until ?? '9')),
  };
}

/** Days that food of a kind keeps in the fridge, by the rules; 0: it does not belong there. Source: the table's own. */
export function fridgeDaysOf({ shelfLives, fridgeDays }: DatingRules, kind: FoodKind): number {
  const life = shelfLifeOf(shelfLives, kind, 'fridge');
  return life?.household ? fridgeDays : (life?.safeDays ?? 0);
}
