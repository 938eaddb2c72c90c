import type { Composition } from '../nutrition/nutrients';

/** A row of the composition table. */
export interface Food {
  /** USDA's number of the food, five digits. */
  readonly ndb: string;
  readonly name: string;
  readonly group: string;
  readonly per100: Composition;
}

/** A household measure of one food: `amount` of `unit` weigh `grams`. */
export interface FoodMeasure {
  readonly amount: number;
  readonly unit: string;
  readonly grams: number;
}

/** A food with its measures, as a form needs it to weigh what is typed. */
export interface KnownFood {
  readonly food: Food;
  readonly measures: readonly FoodMeasure[];
}

/** Water from the tap: it fills the pot, and the cook pours it on without counting it as food. */
export const isWater = (food: Pick<Food, 'group'>) => food.group === 'Water';
