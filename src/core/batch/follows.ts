import { storedAs, type BatchState, type WeighedState } from './fold';
import { heldOver } from './held-over';
import { wholeOf } from './whole';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** A figure before and after a correction. */
export interface Changed {
  readonly from: number | undefined;
  readonly to: number | undefined;
}

/** What follows from putting a batch right. */
export interface Follows {
  readonly net: Changed;
  /** kcal in each g of the yield. */
  readonly density: Changed;
  readonly shares: readonly { readonly id: number; readonly grams: Changed }[];
  /** Packs whose energy is another than what their label says: it is to be written again. */
  readonly packs: readonly { readonly code: string; readonly grams: number; readonly kcal: Changed }[];
  /** Days that what is left of it feeds its dogs; absent where nothing is left or no dog is here. */
  readonly days?: { readonly from: number; readonly to: number };
  /** g that its packs, trays and bowls hold over what was weighed; 0: rounding. */
  readonly over: number;
  /** What was put in and some dogs do not get: their names, or none where no dog may have it. */
  readonly notFor?: readonly Withheld[];
  /** g that no share takes yet. */
  readonly undivided: number;
}

/** Something that keeps food from dogs. */
export interface Withheld {
  readonly said: string;
  readonly stops: boolean;
  readonly dogs: readonly string[];
}

/** What keeps a food from dogs, each thing once with the dogs' names. */
export function withheldFrom(
  dogs: readonly {
    readonly name: string;
    readonly found: readonly { readonly said: string; readonly stops: boolean }[];
  }[],
): Withheld[] {
  const all = new Map<string, { stops: boolean; dogs: string[] }>();
  for (const { name, found } of dogs)
    for (const { said, stops } of found) {
      const own = all.get(said) ?? { stops, dogs: [] };
      all.set(said, { stops: own.stops || stops, dogs: [...own.dogs, name] });
    }
  return [...all].map(([said, own]) => ({ said, ...own }));
}

const weighed = (batch: BatchState): WeighedState | undefined => (batch.state === 'weighed' ? batch : undefined);
const sum = (values: readonly number[]) => addUp(values, (value) => value);

/** kcal of a pack that differ by less than this are the same figure on a label (ours, no source). */
const SAME_KCAL = 0.5;

/** What a correction changes: takes a batch before and after it. Source: arithmetic. */
export function followsOf(before: BatchState, after: BatchState): Follows {
  const [was, is] = [weighed(before), weighed(after)];
  const [whole, now] = [was && wholeOf(was.yields), is && wholeOf(is.yields)];
  const kcalOf = (batch: WeighedState | undefined, shareId: number, grams: number) => {
    const share = batch?.shares.find((each) => each.id === shareId);
    const stored = share && batch && storedAs(share, batch.yields);
    return stored && grams * stored.density;
  };
  const left = is ? sum(is.yields.map((each) => each.undivided)) : 0;
  return {
    net: { from: whole?.net, to: now?.net },
    density: { from: whole?.density, to: now?.density },
    shares: [...new Set([...(was?.shares ?? []), ...(is?.shares ?? [])].map((share) => share.id))]
      .map((id) => ({
        id,
        grams: {
          from: was?.shares.find((share) => share.id === id)?.grams,
          to: is?.shares.find((share) => share.id === id)?.grams,
        },
      }))
      .filter(({ grams }) => grams.from !== grams.to),
    packs: (is?.shares ?? [])
      .flatMap((share) => share.packs)
      .map((pack) => ({
        code: pack.code,
        grams: pack.grams,
        kcal: { from: kcalOf(was, pack.shareId, pack.grams), to: kcalOf(is, pack.shareId, pack.grams) },
      }))
      .filter(({ kcal }) => Math.abs((kcal.from ?? 0) - (kcal.to ?? 0)) >= SAME_KCAL),
    over: is ? sum(is.yields.map((each) => heldOver(each, is.shares))) : 0,
    undivided: Math.max(0, left),
  };
}

/**
 * Shares that follow a pot which was weighed otherwise: what is not packed, fed or on a tray yet gives way, the last
 * share first; what is more stays to be divided.
 *
 * Takes each share's g and the g that are used of it, and the new yield in whole g. Returns the g of each, and what
 * the shares still come to over the yield: then packs hold more than was weighed.
 */
export function sharesAfter(
  shares: readonly { readonly grams: number; readonly used: number }[],
  yieldGrams: number,
): { readonly grams: readonly number[]; readonly over: number } {
  let over = sum(shares.map((share) => share.grams)) - yieldGrams;
  const grams = shares.map((share) => share.grams);
  for (let index = shares.length - 1; index >= 0 && over > 0; index--) {
    const { used } = nth(shares, index);
    const given = Math.min(over, Math.max(0, Math.floor(nth(grams, index) - used)));
    grams[index] = nth(grams, index) - given;
    over -= given;
  }
  return { grams, over: Math.max(0, over) };
}
