import { addUp } from '../add-up';
import { inCups } from '../portion/lasts';
import { writeFraction } from '../quantity/write';
import type { Drawn } from './draw';

/** What a cup of a source holds, and one of its pieces, in g, where they were weighed. */
export interface Measured {
  readonly key: string;
  readonly cupGrams?: number | undefined;
  readonly pieceGrams?: number | undefined;
}

/** What is known of a pack beside its weight: g of a cup of its recipe's food, and of each of its pieces. */
export const measuresOf = (
  pack: { readonly recipeId: number; readonly pieces: number | undefined; readonly labelGrams: number },
  cups: ReadonlyMap<number, number>,
): Omit<Measured, 'key'> => ({
  cupGrams: cups.get(pack.recipeId),
  pieceGrams: pack.pieces === undefined || pack.pieces === 0 ? undefined : pack.labelGrams / pack.pieces,
});

/**
 * A bowl in pieces, or in cups, as well as in g: "1 1/8 cups", "about 4 pieces". Only where all of it is counted alike; with
 * water in it, or where nobody weighed a cup, there is nothing to say. Source: arithmetic by the cup that was weighed.
 */
export function byMeasure(drawn: readonly Drawn[], sources: readonly Measured[]): string | undefined {
  const of = drawn.map(({ key }) => sources.find((source) => source.key === key));
  const [first] = of;
  if (!first) return undefined;
  const pieces = addUp(drawn, ({ grams }, place) => grams / (of[place]?.pieceGrams ?? NaN));
  if (pieces >= 0.5) {
    const halves = Math.round(pieces * 2) / 2;
    return `about ${writeFraction(halves, 2)} ${halves > 1 ? 'pieces' : 'piece'}`;
  }
  if (drawn.some(({ water }) => water > 0) || of.some((source) => source?.cupGrams !== first.cupGrams))
    return undefined;
  return inCups(
    addUp(drawn, ({ grams }) => grams),
    first.cupGrams,
  );
}
