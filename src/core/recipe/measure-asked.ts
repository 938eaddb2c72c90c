import type { Food } from '../food/food';
import { readQuantity } from '../quantity/read';
import type { UnitSet, VolumeUnit } from '../quantity/units';

const SPOONED: ReadonlySet<VolumeUnit> = new Set(['tsp', 'pinch', 'dash', 'drop']);

/**
 * The measure that must be weighed once before an amount of a food can be told: "handful", "cup", "whole".
 * Undefined where the amount itself cannot be read, or is a weight.
 */
export function measureAsked(amount: string, food: Pick<Food, 'name'> | undefined, set: UnitSet): string | undefined {
  if (!food) return undefined;
  const quantity = readQuantity(amount, set);
  if (!quantity.ok || quantity.value.kind === 'mass') return undefined;
  if (quantity.value.kind === 'count') return quantity.value.word === '' ? 'whole' : quantity.value.word;
  if (SPOONED.has(quantity.value.unit)) return 'tsp';
  return quantity.value.unit === 'tbsp' ? 'tbsp' : 'cup';
}
