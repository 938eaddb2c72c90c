import { addUp } from '../add-up';
import type { Food } from '../food/food';
import { nutrientIn } from '../nutrition/totals';
import type { RecipeSheet } from '../recipe/sheet';

/** Fat above a fifth of the dry matter halves the shelf life of freeze-dried food (common practice, no source). */
const FATTY = 0.2;

/** What part of the dry matter is fat; undefined where the fat of something in it is not known, or nothing is dry. */
export const fatOfDry = ({ solids, fat }: Pick<RecipeSheet, 'solids' | 'fat'>): number | undefined =>
  solids > 0 && fat ? fat.amount / solids : undefined;

/** Whether food is so fat that it keeps half as long once it is dried. */
export const isFatty = (sheet: Pick<RecipeSheet, 'solids' | 'fat'>): boolean => (fatOfDry(sheet) ?? 0) > FATTY;

/** How many lines are named. */
const NAMED = 3;

/** The lines that bring most of the fat, with g of it, those that bring a tenth of it or more. Takes what was weighed of each. */
export function fattest(
  takes: readonly {
    readonly words: string;
    readonly weighed: number;
    readonly parts: readonly { readonly food: Pick<Food, 'per100'>; readonly share: number }[];
  }[],
): readonly { readonly name: string; readonly grams: number }[] {
  const all = takes.map(({ words, weighed, parts }) => ({
    name: words,
    grams: addUp(parts, ({ food, share }) => nutrientIn(food.per100, 'fat_g', weighed * share) ?? 0),
  }));
  const total = addUp(all, ({ grams }) => grams);
  return all
    .filter(({ grams }) => grams > 0 && grams >= total / 10)
    .sort((a, b) => b.grams - a.grams)
    .slice(0, NAMED);
}
