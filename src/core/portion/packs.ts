import { splitToGram } from './split';
import { nth } from '../sure';
import { addUp } from '../add-up';

/** One dog's food of one day, in g of what the share holds. */
export interface DogDay {
  readonly dogId: number;
  /** Days from the batch's first feeding day. */
  readonly day: number;
  readonly grams: number;
}

export interface ProposedPack {
  /** Absent for what is left over: anybody may eat it. */
  readonly dogId?: number;
  readonly grams: number;
  readonly short: boolean;
}

export interface Proposal {
  readonly packs: readonly ProposedPack[];
  /** How many dog-days were filled whole: the next share goes on from there. */
  readonly filled: number;
}

/**
 * Cuts a share into packs of one dog-day each that sum to it to the gram.
 *
 * Takes the share in whole g and the dog-days to fill, in order of use; returns the packs and how many dog-days
 * they fill. What is left is a short pack for anybody; with nobody to fill it is a pack like any other. A gap of at most 1 g a pack is rounding and is spread.
 * Throws for a share that is not whole grams. Source: largest remainder; the short pack is common practice, no source.
 */
export function packsFor(share: number, dogDays: readonly DogDay[]): Proposal {
  if (share === 0) return { packs: [], filled: 0 };
  let filled = 0;
  let wanted = 0;
  for (const { grams } of dogDays) {
    if (wanted + grams > share + filled + 1) break;
    wanted += grams;
    filled++;
  }
  const left = share - wanted;
  const spread = filled > 0 && left <= filled;
  const whole =
    filled > 0
      ? splitToGram(
          spread ? share : Math.round(wanted),
          dogDays.slice(0, filled).map((each) => each.grams),
        )
      : [];
  const packs: ProposedPack[] = whole.map((grams, index) => ({
    dogId: nth(dogDays, index).dogId,
    grams,
    short: false,
  }));
  const rest = share - addUp(whole, (grams) => grams);
  if (rest > 0) packs.push({ grams: rest, short: dogDays.length > 0 });
  return { packs: packs.filter((pack) => pack.grams > 0), filled };
}
