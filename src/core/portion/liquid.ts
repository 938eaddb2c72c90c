import { splitToGram } from './split';
import type { ProposedPack } from './packs';
import { addUp } from '../add-up';

/** Less solids than this, and liquid stands on the food (ours, no source: a stew holds about a quarter). */
const SOLIDS = 0.28;

/** Whether liquid stands on food with so much solids in each g, so that the first packs would be thin and the last thick. */
export const isWet = (solidsPerGram: number): boolean => solidsPerGram < SOLIDS;

/**
 * How much of a liquid that was strained off goes into each pack, by the packs' weights, in whole g that sum to it. Takes no
 * more than the packs hold. Source: largest remainder; sharing the liquid by weight is common practice, no source.
 */
export function liquidIn(packs: readonly Pick<ProposedPack, 'grams'>[], liquid: number): readonly number[] {
  const whole = Math.floor(addUp(packs, (pack) => pack.grams));
  return splitToGram(
    Math.min(Math.round(liquid), whole),
    packs.map((pack) => pack.grams),
  );
}
