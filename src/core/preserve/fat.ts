import type { RecipeSheet } from '../recipe/sheet';

/** Fat above a fifth of the dry matter halves the shelf life of freeze-dried food (common practice, no source). */
const FATTY = 0.2;

/** What part of the dry matter is fat; undefined where the fat of something in it is not known, or nothing is dry. */
export const fatOfDry = ({ solids, fat }: Pick<RecipeSheet, 'solids' | 'fat'>): number | undefined =>
  solids > 0 && fat ? fat.amount / solids : undefined;

/** Whether food is so fat that it keeps half as long once it is dried. */
export const isFatty = (sheet: Pick<RecipeSheet, 'solids' | 'fat'>): boolean => (fatOfDry(sheet) ?? 0) > FATTY;
