import type { LocalDate } from '../calendar/local-date';
import type { Source } from './draw';

/** So many days in a row a dog had one protein. */
export interface ProteinRun {
  readonly protein: string;
  readonly days: number;
}

/** The protein that a dog has had for as many days in a row as the household allows; undefined: none. */
export const tiredOf = (run: ProteinRun | undefined, most: number | undefined): string | undefined =>
  run !== undefined && most !== undefined && run.days >= most ? run.protein : undefined;

/** A dog's run after another day; a day on which nobody knows what it ate, or nothing, ends it. */
export const nextRun = (run: ProteinRun | undefined, eaten: string | undefined): ProteinRun | undefined =>
  eaten === undefined ? undefined : { protein: eaten, days: run?.protein === eaten ? run.days + 1 : 1 };

/** What lies thawed, warm or open is eaten, whatever it is of: only what is taken out next can be another protein. */
const isOut = ({ place, opened, safeUntil }: Source): boolean =>
  place === 'fridge' || place === 'warm' || opened || safeUntil !== undefined;

/**
 * Packs in the order in which a dog gets them that has had enough of a protein: what is out already, then other
 * proteins, then the same again. Nothing is left out: where there is nothing else, it eats the same for another day.
 *
 * Source: rotation is common practice (no source); that dates and what is thawed come first is ours.
 */
export function rotated<T extends Source>(fit: readonly T[], tired: string | undefined): T[] {
  if (tired === undefined) return [...fit];
  const later = (source: T) => source.protein?.word === tired && !isOut(source);
  return [...fit.filter((source) => !later(source)), ...fit.filter(later)];
}

/**
 * Packs in the order in which a dog gets them at a meal that is to be of another protein than the one before on that day, where
 * the household mixes: what must be fed by today, then the other proteins, then the same. Nothing is left out.
 *
 * Source: common practice (no source); that what must be fed today comes first is ours.
 */
export function mixedWith<T extends Source>(fit: readonly T[], had: string | undefined, day: LocalDate): T[] {
  if (had === undefined) return [...fit];
  const later = (source: T) =>
    source.protein?.word === had &&
    source.place !== 'warm' &&
    (source.safeUntil === undefined || source.safeUntil > day);
  return [...fit.filter((source) => !later(source)), ...fit.filter(later)];
}

/** The protein of most of a day's kcal; undefined where there was nothing, or nobody knows. Takes the kcal of each part. */
export function mainProtein(
  parts: readonly { readonly kcal: number; readonly protein: string | undefined }[],
): string | undefined {
  const sums = new Map<string, number>();
  for (const { kcal, protein } of parts) if (protein !== undefined) sums.set(protein, (sums.get(protein) ?? 0) + kcal);
  return [...sums].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]?.[0];
}
