import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { freshLife, keepingDates } from '../preserve/food-life';
import type { DatingRules, FoodKind } from '../preserve/shelf-life';

/**
 * How food keeps that is made on a cook day: how many feeding days from the first one the fridge keeps it, and until when it is at
 * its best in the freezer. Takes the rules and its kind. Source: the rules' own (USDA, 1–2 and 3–4 days).
 */
export function keptFrom(
  rules: DatingRules,
  kind: FoodKind,
  cookDay: LocalDate,
  firstDay: LocalDate,
): { readonly fridgeFeedingDays: number; readonly frozenBestBy: LocalDate | undefined } {
  const { safeUntil = cookDay } = keepingDates(rules, freshLife({ kind, place: 'fridge' }, cookDay));
  return {
    fridgeFeedingDays: Math.max(0, daysBetween(firstDay, safeUntil) + 1),
    frozenBestBy: keepingDates(rules, freshLife({ kind, place: 'freezer' }, cookDay)).bestBy,
  };
}

/** What the days of a plan ask of fridge and freezer. */
export interface PlanKeeping {
  /** How many feeding days from the first one the fridge keeps all of it. */
  readonly fridgeFeedingDays: number;
  /** The first feeding day, counted from 1, whose food must be frozen; undefined where the fridge keeps all. */
  readonly frozenFrom: number | undefined;
  /** mL that the frozen food takes, and what the freezer has free; undefined where its size is not known. */
  readonly room: number;
  readonly free: number | undefined;
  /** Days over which a home freezer freezes it; undefined where its size is not known. */
  readonly freezeDays: number | undefined;
  /** The last day on which it is at its best, where the plan goes on beyond it. */
  readonly bestUntil: LocalDate | undefined;
}

/** A home freezer freezes 0.9 to 1.4 kg for each 28 L in a day; the smaller is taken (NCHFP, handbook 10). */
const FROZEN_G_PER_ML_DAY = 900 / 28_000;

/**
 * What is to be frozen, whether it fits, over how many days, and whether it is eaten within its best time.
 * Takes days, dates, mL and g. Source: handbook 10 (NCHFP; USDA).
 */
export function keepingOf(plan: {
  readonly days: number;
  readonly firstDay: LocalDate;
  readonly fridgeFeedingDays: number;
  readonly frozenGrams: number;
  readonly room: number;
  readonly freezer: { readonly capacity: number | undefined; readonly used: number };
  readonly frozenBestBy: LocalDate | undefined;
}): PlanKeeping {
  const { capacity, used } = plan.freezer;
  const best = plan.frozenBestBy;
  const last = addDays(plan.firstDay, Math.ceil(plan.days) - 1);
  return {
    fridgeFeedingDays: plan.fridgeFeedingDays,
    frozenFrom: plan.days > plan.fridgeFeedingDays ? plan.fridgeFeedingDays + 1 : undefined,
    room: plan.room,
    free: capacity === undefined ? undefined : Math.max(0, capacity - used),
    freezeDays:
      capacity === undefined ? undefined : Math.ceil(plan.frozenGrams / (capacity * FROZEN_G_PER_ML_DAY) - 1e-9),
    bestUntil: best !== undefined && last > best ? best : undefined,
  };
}
