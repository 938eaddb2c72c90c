import { grams } from '../quantity/units';
import { isWater, type Food } from './food';
import type { Label } from './label';

/** kg of dog that eat 1000 kcal a day at 130 kcal per kg^0.75 (NRC 2006): 15.2 kg. */
const KG_OF_1000_KCAL = (1000 / 130) ** (4 / 3);

/** g of a supply in 1000 kcal that a proposal may not pass where the label sets no most (common practice, no source). */
const USUAL_CAP = 20;

/** The most of a supply in g per 1000 kcal: by its label's most per kg and day, else our usual cap. */
export const capOfLabel = (label: Pick<Label, 'mostPerKg' | 'measureGrams'>) =>
  grams(label.mostPerKg === undefined ? USUAL_CAP : label.mostPerKg * label.measureGrams * KG_OF_1000_KCAL);

/** A supply in a recipe of which a dog gets more than the label allows. */
export interface OverLabel {
  readonly dogId: number;
  readonly name: string;
  readonly dog: string;
  readonly measure: string;
  /** Measures for each kg and day. */
  readonly given: number;
  readonly most: number;
}

/**
 * Which supplies of a recipe pass what their labels allow, for each dog: the recipe is eaten at the dog's kcal.
 * Takes lines in g, the recipe's kcal, dogs with kg and kcal a day, and the labels by food key. Source: arithmetic.
 */
export function overLabels(
  lines: readonly { readonly grams: number; readonly food: Pick<Food, 'ndb' | 'name' | 'group'> }[],
  kcal: number,
  dogs: readonly { readonly id: number; readonly name: string; readonly kg: number; readonly kcal: number }[],
  labels: ReadonlyMap<string, Pick<Label, 'measure' | 'measureGrams' | 'mostPerKg'>>,
): OverLabel[] {
  if (!(kcal > 0)) return [];
  const masses = new Map<string, { name: string; grams: number }>();
  for (const { food, grams: mass } of lines) {
    if (isWater(food)) continue;
    masses.set(food.ndb, { name: food.name, grams: (masses.get(food.ndb)?.grams ?? 0) + mass });
  }
  return [...masses].flatMap(([key, { name, grams: mass }]) => {
    const label = labels.get(key);
    if (label?.mostPerKg === undefined) return [];
    const { measure, measureGrams, mostPerKg: most } = label;
    return dogs.flatMap((dog): OverLabel[] => {
      const given = ((mass / measureGrams) * (dog.kcal / kcal)) / dog.kg;
      return given > most * (1 + 1e-9) ? [{ dogId: dog.id, name, dog: dog.name, measure, given, most }] : [];
    });
  });
}
