import { densityOf, MEAT_G_PER_ML, preferring } from '../food/measures';
import { ANIMAL, isCooked } from '../recipe/recipe';
import type { WrittenLine } from '../recipe/written';

/** Leaves that stand high in a pot and collapse. */
const LEAFY =
  /\b(kale|spinach|chard|collards?|lettuce|cress|watercress|arugula|rocket|endive|dandelion greens|(?:beet|mustard|turnip|amaranth) (?:greens|leaves)|parsley|coriander \(cilantro\) leaves|nettle)\b/i;

/** Greens count at this part of their raw volume (handbook 6, common practice, no source). */
const GREENS_COLLAPSE_TO = 1 / 3;

export const isLeafy = (line: Pick<WrittenLine, 'part' | 'source'>): boolean =>
  (line.part === 'vegetable' || line.part === 'herb') && LEAFY.test(line.source.food.name);

/** Dry food that swells: grain, pasta and pulses of under 15 % water. */
export const swells = ({ part, source }: Pick<WrittenLine, 'part' | 'source'>): boolean =>
  (part === 'carbohydrate' || part === 'vegetable') && (source.food.per100.water_g ?? 100) < 15;

/**
 * The room of a line as it goes into its vessel raw, in mL for each g: by a measure of its food, meat at two cups a
 * pound, anything else at 1 mL a g; greens at a third, for they collapse.
 *
 * Source: USDA SR 24 household measures; the rest common practice, no source.
 */
export function roomOf(line: Pick<WrittenLine, 'part' | 'source' | 'preparation'>): number {
  const { food, measures } = line.source;
  const density = densityOf(food, preferring(measures, line.preparation ?? ''));
  if (density) return (isLeafy(line) ? GREENS_COLLAPSE_TO : 1) / density.gramsPerMl;
  return ANIMAL.has(line.part) ? 1 / MEAT_G_PER_ML : 1;
}

/** Whether a line goes into its vessel while that is hot. */
export const goesIntoVessel = ({ moment }: Pick<WrittenLine, 'moment'>): boolean => isCooked(moment);
