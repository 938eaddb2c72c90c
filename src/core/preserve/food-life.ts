import { addDays, addMonths, daysBetween, type LocalDate } from '../calendar/local-date';
import {
  isDried,
  keepsRowOf,
  sayKind,
  type DatingRules,
  type FoodKind,
  type KeepsDays,
  type LabelDate,
  type Packaging,
  type PlaceKind,
} from './shelf-life';

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

/** What happened to food, as far as its dates hang on it. Only the acts below make one of another. */
export interface FoodHistory {
  readonly packedOn: LocalDate;
  /** The day it came to this kind of place. */
  readonly since: LocalDate;
  /** Days outside the freezer that it had used up in earlier places. */
  readonly fridgeDaysUsed: number;
  /** Days of safety that were left of it, by its kind and its label, when it left the warm last; absent: it is where it began. */
  readonly left?: number | undefined;
  /** The last day of its safety, where that was over before it was moved: nothing makes it good again. */
  readonly pastOn?: LocalDate | undefined;
  /** The day on which it was frozen first. */
  readonly frozenOn?: LocalDate | undefined;
  /** The day that it came out of the freezer. */
  readonly thawedOn?: LocalDate | undefined;
  readonly openedOn?: LocalDate | undefined;
  /** The day that something left in a bowl was put back into it. */
  readonly returnedOn?: LocalDate | undefined;
}

/** Food with its history, as its dates are asked of it. */
export interface FoodLife extends FoodHistory {
  readonly kind: FoodKind;
  readonly place: PlaceKind;
  /** Fat above 20 % of dry matter: freeze-dried food keeps half as long. */
  readonly fatty?: boolean | undefined;
  /** In what it is packed; absent: nobody has said. */
  readonly packaging?: Packaging | undefined;
  /** The date that its maker printed on it. */
  readonly label?: LabelDate | undefined;
}

/** Days that food keeps that a dog left and somebody put back (common practice, no source). */
const RETURNED_DAYS = 1;

/** Days that a label leaves of food on a day: once they are over, nothing makes it good again. */
const leftBy = (until: LocalDate, day: LocalDate): Pick<FoodHistory, 'left' | 'pastOn'> =>
  until < day ? { left: 0, pastOn: until } : { left: daysBetween(day, until) };

/** Whether food is as its maker sent it: neither frozen nor moved since. */
export const isAsBought = (life: FoodLife): boolean =>
  life.place !== 'freezer' && life.left === undefined && life.thawedOn === undefined && life.fridgeDaysUsed === 0;

/** Food that begins on a day where it is: made, received, sealed. Frozen at once, it keeps what its label leaves of it by then. */
export const freshLife = (
  of: Pick<FoodLife, 'kind' | 'place' | 'fatty' | 'packaging' | 'label'>,
  on: LocalDate,
): FoodLife => ({
  ...of,
  packedOn: on,
  since: on,
  fridgeDaysUsed: 0,
  ...(of.place === 'freezer' ? { frozenOn: on, ...(of.label?.is === 'safe' ? leftBy(of.label.until, on) : {}) } : {}),
});

/**
 * Food moved to a kind of place on a day. Days outside the freezer are used up, whether in the fridge or the cupboard, and what its
 * label leaves of it goes along: no move gives them again. Its months in the freezer run from the first time that it was frozen.
 * Source: USDA (a thawed pack keeps the days that it has left); the label's rule is ours.
 */
export function movedTo(rules: DatingRules, life: FoodLife, place: PlaceKind, day: LocalDate): FoodLife {
  if (place === life.place) return life;
  const moved = { ...life, place, since: day };
  if (life.place === 'freezer') return { ...moved, thawedOn: place === 'fridge' ? day : life.thawedOn };
  const { safeUntil } = keepingDates(rules, life);
  return {
    ...moved,
    fridgeDaysUsed: life.fridgeDaysUsed + Math.max(0, daysBetween(life.since, day)),
    ...(safeUntil === undefined ? {} : leftBy(safeUntil, day)),
    ...(place === 'freezer' ? { frozenOn: life.frozenOn ?? day } : {}),
  };
}

/** Frozen food that thawed where it lies and froze again: that was a day in the warm (ours, no source). */
export const thawedInPlace = (life: FoodLife, day: LocalDate): FoodLife => ({
  ...life,
  thawedOn: day,
  fridgeDaysUsed: life.fridgeDaysUsed + 1,
  ...(life.left === undefined ? {} : { left: Math.max(0, life.left - 1) }),
  ...(life.left === 0 && life.pastOn === undefined ? { pastOn: addDays(day, -1) } : {}),
});

/** Food whose pack was opened on a day; opened once, it stays so from its first day on. */
export const openedOn = (life: FoodLife, day: LocalDate): FoodLife =>
  life.openedOn === undefined ? { ...life, openedOn: day } : life;

/** Food into which something was put back that a dog had left; what was put back first is still in it. */
export const returnedOn = (life: FoodLife, day: LocalDate): FoodLife =>
  life.returnedOn === undefined ? { ...life, returnedOn: day } : life;

/** A clock had run ahead: nothing was done later than on the day that is said. */
export function noLaterThan(life: FoodLife, day: LocalDate): FoodLife {
  const sooner = <T extends LocalDate | undefined>(own: T) => (own !== undefined && own > day ? day : own);
  return {
    ...life,
    packedOn: sooner(life.packedOn),
    since: sooner(life.since),
    frozenOn: sooner(life.frozenOn),
    thawedOn: sooner(life.thawedOn),
    openedOn: sooner(life.openedOn),
    returnedOn: sooner(life.returnedOn),
  };
}

/**
 * Until when food keeps where it is: the one place that says so.
 *
 * Takes the rules of the household and the food with its whole history; returns local dates, undefined for "open", and every cause
 * of them, the earliest first. Throws for food that does not belong there. A maker's *use by* holds for food as it was bought; once
 * it was frozen, moved or opened, it keeps the shorter of what its kind and its label leave.
 * Source: the table's own (USDA, NCHFP, common practice), named in `rule`.
 */
export function keepingDates(rules: DatingRules, life: FoodLife): KeepingDates {
  const row = keepsRowOf(rules, life.kind, life.place, life.packaging);
  if (!row) throw new Error(`${sayKind(life.kind)} does not belong in a ${life.place}`);
  const { safeDays } = row;
  const used = life.fridgeDaysUsed;
  const isFrozen = life.place === 'freezer';
  const packed = row.packaging ? ` in a ${life.packaging}` : '';
  const named = `${sayKind(row.kind)}${packed}, ${row.place}: ${row.source}`;
  const causes: KeepingCause[] = [];
  const { label } = life;
  const useBy = label?.is === 'safe' && isAsBought(life) ? label : undefined;
  if (useBy) causes.push({ ...useBy, why: 'use by, as its label says' });
  if (label?.is === 'best' && !isFrozen) causes.push({ ...label, why: 'best by, as its label says' });
  if (safeDays !== undefined && useBy && life.openedOn !== undefined)
    causes.push({ until: addDays(life.openedOn, safeDays), is: 'safe', why: `${named}, since it was opened` });
  if (safeDays !== undefined && !useBy)
    causes.push({
      until: addDays(life.since, safeDays - used),
      is: 'safe',
      why: used > 0 ? `${named}; ${Math.min(used, safeDays)} of ${safeDays} days were used before` : named,
    });
  if (life.pastOn !== undefined)
    causes.push({ until: life.pastOn, is: 'safe', why: 'its days were over before it came here' });
  // What was left of it goes along into the next warm place; frozen it stands still.
  if (life.left !== undefined && !isFrozen)
    causes.push({
      until: addDays(life.since, life.left),
      is: 'safe',
      why:
        label?.is === 'safe'
          ? `what its label left of it: ${life.left === 1 ? 'one day' : `${life.left} days`}`
          : `what was left of its days: ${life.left}`,
    });
  const months = life.fatty ? (row.fattyBestMonths ?? row.bestMonths) : row.bestMonths;
  // Dried food ages in every place alike, frozen food from the day on which it was frozen first.
  const ages = isDried(life.kind) ? life.packedOn : isFrozen ? (life.frozenOn ?? life.since) : life.since;
  if (months !== undefined)
    causes.push({
      until: addMonths(ages, months),
      is: 'best',
      why: `${named}${life.fatty && row.fattyBestMonths !== undefined ? '; more than 20 % fat in its dry matter' : ''}`,
    });
  if (isDried(life.kind) && life.openedOn !== undefined)
    causes.push({
      until: addDays(life.openedOn, rules.openedDriedDays.days),
      is: 'safe',
      why: `opened, ${rules.openedDriedDays.days} days: ${rules.openedDriedDays.source}`,
    });
  if (life.returnedOn !== undefined)
    causes.push({
      until: addDays(life.returnedOn, RETURNED_DAYS),
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

/** Days that food would keep after what is done with it next; absent: that cannot be done, or sets no date. */
export interface OnceUsed {
  /** Once it is taken out of the freezer. */
  readonly thawed?: KeepsDays;
  /** Once it is opened. */
  readonly opened?: KeepsDays;
}

/** What is left of food if it is taken out of the freezer, or opened: the same acts, asked ahead. Takes the rules and the food. */
export function keepsOnceUsed(rules: DatingRules, life: FoodLife): OnceUsed {
  if (life.pastOn !== undefined) return {};
  const day = life.since;
  const left = (after: FoodLife) => {
    const { safeUntil } = keepingDates(rules, { ...after, returnedOn: undefined });
    return safeUntil === undefined ? undefined : (daysBetween(day, safeUntil) as KeepsDays);
  };
  const warm = keepsRowOf(rules, life.kind, 'fridge') ? 'fridge' : 'cupboard';
  const thawed =
    life.place === 'freezer' ? left(movedTo(rules, { ...life, openedOn: undefined }, warm, day)) : undefined;
  const opened =
    isDried(life.kind) && life.openedOn === undefined ? (rules.openedDriedDays.days as KeepsDays) : undefined;
  return { ...(thawed === undefined ? {} : { thawed }), ...(opened === undefined ? {} : { opened }) };
}

/** The last day of food that keeps so many days after a day. */
export const keptUntil = (day: LocalDate, keeps: KeepsDays): LocalDate => addDays(day, keeps);

/**
 * The day since when food lies in a place that nobody can date: it is taken as at the end of its best, so that it is fed first.
 * Undefined where that would be a matter of safety: food that nobody can date is not fed. Source: ours.
 */
export function sinceUndated(
  rules: DatingRules,
  kind: FoodKind,
  place: PlaceKind,
  today: LocalDate,
): LocalDate | undefined {
  const row = keepsRowOf(rules, kind, place);
  if (!row || row.safeDays !== undefined) return undefined;
  const months = row.bestMonths ?? 0;
  const since = addMonths(today, -months);
  // A month that is shorter must not make it fresher.
  return addMonths(since, months) > today ? addDays(since, -3) : since;
}
