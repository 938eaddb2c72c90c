import { addUp } from '../add-up';
import type { Drawn, Source } from './draw';

/** What goes into one meal of a day. */
export interface MealParts {
  readonly slotId: number;
  readonly parts: readonly Drawn[];
}

/**
 * Divides what a dog is fed on a day among its meals: in their order, one pack after the other; of foods that are kept apart each meal
 * gets of each of them. Takes the day's packs in order of use and the meals with their kcal; the last meal gets what is left, so that
 * the g of each pack sum to what the day takes of it. Source: arithmetic, whole grams.
 */
export function dayMeals(
  drawn: readonly Drawn[],
  meals: readonly { readonly slotId: number; readonly kcal: number }[],
  sources: ReadonlyMap<string, Pick<Source, 'plate'>>,
): MealParts[] {
  const left = drawn.map(({ grams }) => grams);
  const isPlated = drawn.some(({ key }) => sources.get(key)?.plate !== undefined);
  const whole = addUp(meals, ({ kcal }) => kcal);
  return meals.map(({ slotId, kcal }, place) => {
    const isLast = place === meals.length - 1;
    let open = kcal;
    const parts = drawn.flatMap((part, index): Drawn[] => {
      const has = left[index] ?? 0;
      if (has <= 0 || (open <= 0 && !isPlated && !isLast)) return [];
      const density = part.kcal / part.grams;
      const wanted = isPlated ? (part.grams * kcal) / whole : open / density;
      const grams = isLast ? has : Math.min(has, Math.round(wanted));
      if (grams <= 0) return [];
      left[index] = has - grams;
      open -= grams * density;
      return [{ ...part, grams, kcal: grams * density, water: Math.round((part.water * grams) / part.grams) }];
    });
    return { slotId, parts };
  });
}
