import { densityOf } from '../food/measures';
import type { Food, FoodMeasure } from '../food/food';
import type { Quantity } from '../quantity/quantity';
import { grams, millilitres, type Grams, type UnitSet } from '../quantity/units';
import { writeFraction, writeMass, writeVolume, type Written } from '../quantity/write';

/**
 * A scaled line as a person would measure it, in the kind of measure it was written in: whole eggs, cups, or a weight.
 *
 * Takes the line's g after scaling, its g and quantity before, its food with measures, and the household's unit set.
 * Returns the words and the g they really stand for. A line written by weight gets cups where the food has a cup
 * and the household weighs in grams anyway; else pounds and ounces. Source: common practice, no source.
 */
export function kitchenMeasure(
  line: { readonly grams: Grams; readonly unscaledGrams: Grams; readonly quantity: Quantity },
  food: Food,
  measures: readonly FoodMeasure[],
  set: UnitSet,
): Written<Grams> & { readonly byWeight: boolean } {
  const { quantity } = line;
  if (quantity.kind === 'count' && line.unscaledGrams > 0) {
    const each = line.unscaledGrams / quantity.count;
    const exact = line.grams / each;
    const parts = quantity.word.includes('large') || ['egg', 'medium', 'small'].includes(quantity.word) ? 1 : 2;
    const count = Math.max(1 / parts, Math.round(exact * parts) / parts);
    return {
      text: `${writeFraction(count, parts)} ${quantity.word}`.trim(),
      amount: grams(count * each),
      byWeight: false,
    };
  }
  const density = densityOf(food, measures);
  if (density && (quantity.kind === 'volume' || set === 'metric')) {
    const written = writeVolume(millilitres(line.grams / density.gramsPerMl), set);
    return { text: written.text, amount: grams(written.amount * density.gramsPerMl), byWeight: false };
  }
  return { ...writeMass(line.grams, set), byWeight: true };
}
