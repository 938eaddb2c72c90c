import { splitToGram } from './split';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** One dog's food of one day, in g of what the share holds. */
export interface DogDay {
  readonly dogId: number;
  /** Days from the batch's first feeding day. */
  readonly day: number;
  readonly grams: number;
  /** The same meal by meal. */
  readonly meals: readonly number[];
}

/** What one pack is to hold, in g: of a dog, of several dogs with the part of each, or of anybody. */
export interface FillUnit {
  readonly grams: number;
  readonly dogId?: number;
  readonly split?: readonly { readonly dogId: number; readonly grams: number }[];
  /** Whole pieces or cubes in it. */
  readonly pieces?: number;
  /** g that were asked for before they were rounded to whole pieces. */
  readonly asked?: number;
  /** The household's container that it goes into. */
  readonly container?: string;
  /** The tray that it is filled from. */
  readonly trayId?: number;
}

export interface ProposedPack {
  /** Absent for what is left over: anybody may eat it. */
  readonly dogId?: number;
  /** Whole g of each dog in it, where it is for several. */
  readonly split?: readonly { readonly dogId: number; readonly grams: number }[];
  readonly pieces?: number;
  readonly asked?: number;
  readonly container?: string;
  readonly trayId?: number;
  readonly grams: number;
  readonly short: boolean;
}

export interface Proposal {
  readonly packs: readonly ProposedPack[];
  /** How many were filled whole: the next share goes on from there. */
  readonly filled: number;
}

/**
 * Cuts a share into packs that sum to it to the gram.
 *
 * Takes the share in whole g and what each pack is to hold, in order of use; returns the packs and how many of them
 * are full. What is left is a short pack for anybody; with nobody to fill it is a pack like any other. A gap of at most 1 g a pack is rounding and is spread.
 * Throws for a share that is not whole grams. Source: largest remainder; the short pack is common practice, no source.
 */
export function packsFor(share: number, units: readonly FillUnit[]): Proposal {
  if (share === 0) return { packs: [], filled: 0 };
  let filled = 0;
  let wanted = 0;
  for (const { grams } of units) {
    if (wanted + grams > share + filled + 1) break;
    wanted += grams;
    filled++;
  }
  const left = share - wanted;
  // A container takes no gram more than it holds.
  const spread = filled > 0 && left <= (units[0]?.container === undefined ? filled : 0);
  const whole =
    filled > 0
      ? splitToGram(
          spread ? share : Math.round(wanted),
          units.slice(0, filled).map((each) => each.grams),
        )
      : [];
  const packs: ProposedPack[] = whole.map((grams, index) => {
    const { dogId, split, pieces, asked, container, trayId } = nth(units, index);
    return {
      ...(dogId === undefined ? {} : { dogId }),
      ...(split ? { split: splitOf(grams, split) } : {}),
      ...(pieces === undefined ? {} : { pieces }),
      ...(asked === undefined ? {} : { asked }),
      ...(container === undefined ? {} : { container }),
      ...(trayId === undefined ? {} : { trayId }),
      grams,
      short: false,
    };
  });
  const rest = share - addUp(whole, (grams) => grams);
  const next = units[filled];
  if (rest > 0)
    packs.push({
      grams: rest,
      short: units.length > 0,
      ...(next?.container === undefined ? {} : { container: next.container }),
    });
  return { packs: packs.filter((pack) => pack.grams > 0), filled };
}

/** Whole g of each dog in a pack of several, which sum to it. */
function splitOf(grams: number, split: NonNullable<FillUnit['split']>): NonNullable<ProposedPack['split']> {
  const parts = splitToGram(
    grams,
    split.map((each) => each.grams),
  );
  return split.map(({ dogId }, index) => ({ dogId, grams: nth(parts, index) }));
}

/** kcal of packs: the least, the mean and the most. */
export interface PackSpread {
  readonly least: number;
  readonly mean: number;
  readonly most: number;
}

/** How far packs differ in kcal, the short one left out; undefined where there are fewer than two. */
export function spreadOf(packs: readonly ProposedPack[], density: number): PackSpread | undefined {
  const kcal = packs.filter((pack) => !pack.short).map((pack) => pack.grams * density);
  if (kcal.length < 2) return undefined;
  return { least: Math.min(...kcal), mean: addUp(kcal, (each) => each) / kcal.length, most: Math.max(...kcal) };
}

/** kcal of the packs that each dog gets, its part of those for several: least, mean and most, by the dog. */
export function spreadByDog(packs: readonly ProposedPack[], density: number): ReadonlyMap<number, PackSpread> {
  const of = new Map<number, number[]>();
  const put = (dogId: number, grams: number) => of.set(dogId, [...(of.get(dogId) ?? []), grams * density]);
  for (const { dogId, split, grams, short } of packs) {
    if (short) continue;
    if (split) split.forEach((each) => put(each.dogId, each.grams));
    else if (dogId !== undefined) put(dogId, grams);
  }
  return new Map(
    [...of].map(([dogId, kcal]) => [
      dogId,
      { least: Math.min(...kcal), mean: addUp(kcal, (each) => each) / kcal.length, most: Math.max(...kcal) },
    ]),
  );
}

/** kcal a day that whole pieces are over or under what each dog was to get, by the dog; dogs without pieces are left out. */
export function driftOf(packs: readonly ProposedPack[], density: number): ReadonlyMap<number, number> {
  const of = new Map<number, number[]>();
  for (const { dogId, asked, grams } of packs)
    if (dogId !== undefined && asked !== undefined)
      of.set(dogId, [...(of.get(dogId) ?? []), (grams - asked) * density]);
  return new Map([...of].map(([dogId, all]) => [dogId, addUp(all, (kcal) => kcal) / all.length]));
}
