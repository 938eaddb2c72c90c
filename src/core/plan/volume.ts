import { densityOf, MEAT_G_PER_ML, preferring } from '../food/measures';
import { ANIMAL } from '../recipe/recipe';
import type { WrittenLine } from '../recipe/written';

/** Leaves that stand high in a pot and collapse. */
const LEAFY =
  /\b(kale|spinach|chard|collards?|lettuce|cress|watercress|arugula|rocket|endive|dandelion greens|(?:beet|mustard|turnip|amaranth) (?:greens|leaves)|parsley|coriander \(cilantro\) leaves|nettle)\b/i;

/** Greens count at this part of their raw volume (handbook 6, common practice, no source). */
export const GREENS_COLLAPSE_TO = 1 / 3;

export const isLeafy = (line: Pick<WrittenLine, 'part' | 'source'>): boolean =>
  (line.part === 'vegetable' || line.part === 'herb') && LEAFY.test(line.source.food.name);

/** Dry food that swells: grain, pasta and pulses of under 15 % water. */
export const swells = ({ part, source }: Pick<WrittenLine, 'part' | 'source'>): boolean =>
  (part === 'carbohydrate' || part === 'vegetable') && (source.food.per100.water_g ?? 100) < 15;

/** How much room one g of a line takes in a vessel, in mL, and where that comes from. */
export interface Room {
  readonly mlPerGram: number;
  readonly from: string;
  /** Taken from a rule, not from a measure of this food. */
  readonly guessed: boolean;
}

/**
 * The room of a line as it goes into its vessel raw: by a measure of its food, ground meat at two cups a pound,
 * anything else at 1 mL a g; greens at a third, for they collapse.
 *
 * Source: USDA SR 24 household measures; the rest common practice, no source.
 */
export function roomOf(line: Pick<WrittenLine, 'part' | 'source' | 'preparation'>): Room {
  const { food, measures } = line.source;
  const density = densityOf(food, preferring(measures, line.preparation ?? ''));
  if (density) {
    const mlPerGram = 1 / density.gramsPerMl;
    return isLeafy(line)
      ? { mlPerGram: mlPerGram * GREENS_COLLAPSE_TO, from: `${density.from}; greens at a third of it`, guessed: false }
      : { mlPerGram, from: density.from, guessed: false };
  }
  if (ANIMAL.has(line.part)) return { mlPerGram: 1 / MEAT_G_PER_ML, from: 'meat, 2 cups a pound', guessed: true };
  return { mlPerGram: 1, from: 'taken as 1 mL a g', guessed: true };
}
