import { fine, refused, type Outcome } from '../problem';
import type { KeepsDays } from '../preserve/shelf-life';
import { readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';
import { writeGrams } from '../quantity/write';
import { addUp } from '../add-up';

export const FATES = ['today', 'fridge', 'freezer', 'dry'] as const;
/** What becomes of a part of the yield. */
export type Fate = (typeof FATES)[number];

export type Shares = Readonly<Record<Fate, number>>;

/** What each dog is fed of this batch on a day, in g; the index is the day after cooking (0: the cook day itself). */
export interface DayDemand {
  readonly daysAfterCooking: number;
  readonly grams: number;
}

/**
 * A first split of a yield: what is eaten today warm, what the fridge keeps long enough, the rest to the freezer.
 * Takes whole g and the demand of each day in order; returns whole g that sum to the yield. Nothing is dried unasked.
 * Source: the days that food of its kind keeps in the fridge, by the rules (USDA).
 */
export function suggestShares(yieldGrams: number, demands: readonly DayDemand[], fridgeDays: KeepsDays): Shares {
  const upTo = (from: number, to: number) =>
    addUp(
      demands.filter((demand) => demand.daysAfterCooking >= from && demand.daysAfterCooking <= to),
      (demand) => demand.grams,
    );
  const today = Math.min(yieldGrams, Math.round(upTo(0, 0)));
  const fridge = Math.min(yieldGrams - today, Math.round(upTo(1, fridgeDays)));
  return { today, fridge, freezer: yieldGrams - today - fridge, dry: 0 };
}

/** Reads a typed share in g: nothing is 0; pounds and ounces mean the nearest whole gram, for packs are whole grams. */
export function readShare(text: string, set: UnitSet): Outcome<number> {
  const read = readScale(text, 'zero', set);
  return read.ok && set === 'us' ? fine(Math.round(read.value)) : read;
}

/** A share as the cook says it: how much of the yield, and what becomes of it. */
export interface ShareSaid {
  readonly id?: number;
  /** The yield that it is a part of, by its place; the first where there is one alone. */
  readonly yield?: number;
  readonly fate: Fate;
  readonly grams: number;
}

/** Shares said fate by fate, as a first split comes; nothing is no share. */
export const sharesOf = (shares: Shares): (ShareSaid & { readonly grams: number })[] =>
  FATES.filter((fate) => shares[fate] > 0).map((fate) => ({ fate, grams: shares[fate] }));

/**
 * Refuses shares that are not whole, are negative, or do not sum to their yields (whole g, by their places); of several
 * yields one may wait undivided. `write` says a weight, `nameOf` a yield. The field is the place of the share.
 */
export function checkShares<T extends ShareSaid>(
  shares: readonly T[],
  yields: readonly (number | undefined)[],
  write: (mass: number) => string = writeGrams,
  nameOf: (place: number) => string = (place) => `yield ${place + 1}`,
): Outcome<readonly T[]> {
  for (const [index, share] of shares.entries()) {
    if (!Number.isInteger(share.grams) || share.grams < 0)
      return refused('A share is a whole number of grams, 0 or more.', `shares.${index}.grams`);
  }
  const stray = shares.findIndex((share) => yields[share.yield ?? 0] === undefined);
  if (stray >= 0) return refused('A share is a part of a yield that was weighed.', `shares.${stray}.grams`);
  const several = yields.filter((whole) => whole !== undefined).length > 1;
  for (const [place, whole] of yields.entries()) {
    const total = addUp(shares, (share) => ((share.yield ?? 0) === place ? share.grams : 0));
    if (whole === undefined || total === whole) continue;
    // Of what is kept apart one may be divided before the other.
    if (total === 0 && several) continue;
    const gap = total - whole;
    const pot = several ? nameOf(place) : 'the pot';
    return refused(
      `The shares come to ${write(total)}: ${write(Math.abs(gap))} ${gap > 0 ? 'more' : 'less'} than ${pot} holds.`,
      'shares',
    );
  }
  return fine(shares.filter((share) => share.grams > 0));
}
