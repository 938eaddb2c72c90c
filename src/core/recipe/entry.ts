import type { Food, FoodMeasure } from '../food/food';
import { resolveGrams, type Resolved } from '../food/measures';
import { fine, refused, type Outcome } from '../problem';
import type { Quantity } from '../quantity/quantity';
import { readQuantity } from '../quantity/read';
import type { UnitSet } from '../quantity/units';
import { batchLines, type WeighedLine } from './recipe';

/** An amount of a food as typed, read into a quantity and grams; refused in words at the field `amount`. */
export function readLineAmount(
  amount: string,
  food: Food,
  measures: readonly FoodMeasure[],
  set: UnitSet,
): Outcome<Resolved & { readonly quantity: Quantity }> {
  const quantity = readQuantity(amount, set);
  if (!quantity.ok) return refused(quantity.problem.message, 'amount');
  const resolved = resolveGrams(quantity.value, food, measures);
  if (!resolved.ok) return refused(resolved.problem.message, 'amount');
  return fine({ ...resolved.value, quantity: quantity.value });
}

/** Refuses a recipe without a name or without anything to cook. */
export function checkRecipe(name: string, lines: readonly Pick<WeighedLine, 'moment'>[]): Outcome<string> {
  const trimmed = name.trim();
  if (trimmed === '') return refused('What is this recipe called?', 'name');
  if (trimmed.length > 80) return refused('Keep the name under 80 letters.', 'name');
  if (batchLines(lines).length === 0)
    return refused('A recipe needs at least one line that goes into the pot.', 'lines');
  return fine(trimmed);
}
