import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import type { WentIn } from '../portion/yield';
import { grams, kilocalories } from '../quantity/units';
import { writeGrams } from '../quantity/write';
import type { Take } from './evidence';

type Weighed = Take & { readonly weighed: number };

const staysIn = (take: Take) => addUp(take.parts, (part) => part.share);

/** What of a vessel is strained out again: g of it as it went in, and g of that which the recipe says stays in the food. */
export function strainedIn(takes: readonly Weighed[]): { readonly went: number; readonly stays: number } {
  const strained = takes.filter((take) => take.strained);
  return {
    went: addUp(strained, (take) => take.weighed),
    stays: addUp(strained, (take) => take.weighed * staysIn(take)),
  };
}

/** How many times as much stays of the strained lines as the recipe says, where so many g were weighed out of it. */
function factorOf({ went, stays }: ReturnType<typeof strainedIn>, out: number, write: (mass: number) => string) {
  if (out < 0) return refused('What was strained out cannot be less than nothing.', 'strained');
  if (went <= 0) return refused('Nothing of this recipe is strained out.', 'strained');
  if (out >= went)
    return refused(
      `Only ${write(went)} of it went in: ${write(out)} cannot be bones and spent vegetables alone. Is liquid with it?`,
      'strained',
    );
  return fine(stays > 0 ? (went - out) / stays : 1);
}

/**
 * Lines of a vessel after what was strained out of it was weighed: what stays of them is what went in less that, not what
 * the recipe supposed. Takes lines with their g, the g weighed out (undefined: nobody weighed it) and how a weight is said.
 * Of lines of which nothing was to stay nothing does. Source: conservation of mass; what the bones took up or gave off while
 * they cooked is counted as meat (common practice, no source).
 */
export function afterStraining<T extends Weighed>(
  takes: readonly T[],
  out: number | undefined,
  write: (mass: number) => string = writeGrams,
): Outcome<readonly T[]> {
  if (out === undefined) return fine(takes);
  const factor = factorOf(strainedIn(takes), out, write);
  if (!factor.ok) return factor;
  return fine(
    takes.map((take) =>
      take.strained
        ? { ...take, parts: take.parts.map((part) => ({ ...part, share: part.share * factor.value })) }
        : take,
    ),
  );
}

/** What a form needs to say what straining changes: how much went in, how much was to stay, and what that holds. */
export interface Strained {
  readonly went: number;
  readonly stays: number;
  readonly holds: WentIn;
}

/** What went in, after so many g were strained out of it: the same as the lines say, for a form while it is typed. */
export function wentInAfter(
  wentIn: WentIn,
  strained: Strained | undefined,
  out: number,
  write: (mass: number) => string = writeGrams,
): Outcome<WentIn> {
  if (!strained || out <= 0) return fine(wentIn);
  const factor = factorOf(strained, out, write);
  if (!factor.ok) return factor;
  const more = factor.value - 1;
  const { holds } = strained;
  return fine({
    ...wentIn,
    inPot: grams(wentIn.inPot + more * holds.inPot),
    solids: grams(wentIn.solids + more * holds.solids),
    kcal: kilocalories(wentIn.kcal + more * holds.kcal),
    ...(wentIn.fatInPot === undefined || holds.fatInPot === undefined
      ? {}
      : { fatInPot: wentIn.fatInPot + more * holds.fatInPot }),
  });
}
