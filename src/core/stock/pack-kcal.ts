import { addUp } from '../add-up';
import { kcalIn } from '../nutrition/density';

/** What a pack holds: its g by what each of them holds (kcal/g), as both are known now. Whoever shows it asks this. Source: arithmetic. */
export const packKcal = ({ grams, density }: { readonly grams: number; readonly density: number }): number =>
  kcalIn(grams, density);

/** What several hold together, in kcal; `isAtLeast`: of some of it nobody knows. Source: arithmetic. */
export const kcalOfAll = (held: readonly { readonly kcal: number | undefined }[]) => ({
  kcal: addUp(held, ({ kcal }) => kcal ?? 0),
  isAtLeast: held.some(({ kcal }) => kcal === undefined),
});

/** Under half a percent nobody is told that a bowl was off (ours, no source); nor under 1 kcal. */
const OFF = 0.005;

/**
 * By how many kcal a bowl was off that was fed as `kcal`, now that its food is known to hold `density`: undefined where it is nothing to
 * speak of. Source: arithmetic.
 */
export function bowlOff(fed: { readonly kcal: number; readonly grams: number }, density: number): number | undefined {
  const off = kcalIn(fed.grams, density) - fed.kcal;
  return Math.abs(off) > Math.max(1, fed.kcal * OFF) ? off : undefined;
}
