import { splitToGram } from './split';
import type { ProposedPack } from './packs';
import { addUp } from '../add-up';
import { nth } from '../sure';

/** How far a pack may be off its target: of what is fed as it is, and of what lies on a tray (handbook 9, common practice). */
export const TOLERANCES = [0.02, 0.05, 0.1] as const;
export const USUAL_TOLERANCE = 0.05;

/** Within this of nothing a scale is empty, in g (common practice, no source). */
const NOTHING = 3;
/** What lands first is a container only where it is lighter than this part of the pack (ours, no source). */
const CONTAINER = 0.5;

/** From which to which g a pack counts as filled. */
export const bandOf = (target: number, tolerance: number): { readonly low: number; readonly high: number } => ({
  low: target * (1 - tolerance),
  high: target * (1 + tolerance),
});

/**
 * Where a scale is on the way through one pack: *empty* waits for a container, *filling* has its weight, *lift* waits for
 * the full one to be taken off.
 */
export type Filling =
  { readonly at: 'empty' } | { readonly at: 'filling'; readonly tare: number } | { readonly at: 'lift' };

/** How a container's own weight is known: it is weighed as it lands, or it is that many g (0: the scale is tared). */
export type Tare = 'as it lands' | number;

/** How the next pack begins. */
export const beginFilling = (tare: Tare): Filling =>
  tare === 'as it lands' ? { at: 'empty' } : { at: 'filling', tare };

/**
 * Net g of the pack at hand by what the scale shows; undefined where nothing of it can be counted: no container stands
 * there yet, or the full one is still to be lifted. A tare that is typed counts as it stands now, also in mid-pack.
 */
export const netOf = (filling: Filling, shows: number, tare: Tare): number | undefined =>
  filling.at === 'filling' ? shows - (tare === 'as it lands' ? filling.tare : tare) : undefined;

/**
 * What a figure on which the scale came to rest means for the pack at hand: `take` are net g that count, once they lie in
 * the band. A container that is taken off half full begins again; nothing counts twice, for a full one must be lifted first.
 *
 * Takes where it is, the g that it shows, the pack's target, the tolerance as a part and how containers are weighed.
 */
export function heardFilling(
  filling: Filling,
  shows: number,
  target: number,
  tolerance: number,
  tare: Tare,
): { readonly filling: Filling; readonly take?: number } {
  const isEmpty = Math.abs(shows) <= NOTHING;
  const { low, high } = bandOf(target, tolerance);
  switch (filling.at) {
    case 'lift':
      // Lifted: a tared scale shows nothing, or less than nothing by the container.
      return shows <= NOTHING ? { filling: beginFilling(tare) } : { filling };
    case 'empty':
      return isEmpty || shows < 0 || shows > target * CONTAINER
        ? { filling }
        : { filling: { at: 'filling', tare: shows } };
    case 'filling': {
      if (tare === 'as it lands' && isEmpty) return { filling: { at: 'empty' } };
      const net = netOf(filling, shows, tare) ?? 0;
      return net >= low && net <= high ? { filling: { at: 'lift' }, take: net } : { filling };
    }
  }
}

/**
 * The packs still to fill with what is left over spread over all of them, so that no short one remains; by their weights, to
 * the gram. Where there is no short pack, or nothing else, or whole pieces are packed, they stay. Source: largest remainder.
 */
export function spreadRest<T extends ProposedPack>(packs: readonly T[]): readonly T[] {
  const whole = packs.filter((pack) => !pack.short);
  const rest = packs.find((pack) => pack.short);
  if (!rest || whole.length === 0 || whole.some(({ pieces }) => pieces !== undefined)) return packs;
  const parts = splitToGram(
    rest.grams + addUp(whole, (pack) => pack.grams),
    whole.map((pack) => pack.grams),
  );
  return whole.map((pack, index) => withGrams(pack, nth(parts, index)));
}

/** A pack that holds other g than it was to: those of several dogs keep their parts, in whole g. */
export function withGrams<T extends ProposedPack>(pack: T, grams: number): T {
  if (!pack.split) return { ...pack, grams };
  const parts = splitToGram(
    Math.round(grams),
    pack.split.map((each) => each.grams),
  );
  return { ...pack, grams, split: pack.split.map(({ dogId }, index) => ({ dogId, grams: nth(parts, index) })) };
}
