import type { Composition, Nutrient } from '../nutrition/nutrients';
import type { WeighedLine } from '../recipe/recipe';

/** A row of the composition table, a supply of the household, or another recipe. */
export interface Food {
  /** USDA's number of the food, five digits; `L7` is the household's supply 7, `R3` its recipe 3, `S…` a pure substance. */
  readonly ndb: string;
  readonly name: string;
  readonly group: string;
  readonly per100: Composition;
  /** Its label says its energy: that counts, by whatever factors the rest is reckoned. */
  readonly labelEnergy?: true;
  /** Columns that follow from a bag's crude figures, a least or a most: estimates. */
  readonly estimated?: readonly Nutrient[];
  /** Bone is in it whose minerals nobody has measured: its calcium and phosphorus are unknown. */
  readonly bone?: true;
  /** Words that nobody has read: what they hold is not counted. */
  readonly uncounted?: true;
}

/** A household measure of one food: `amount` of `unit` weigh `grams`. */
export interface FoodMeasure {
  readonly amount: number;
  readonly unit: string;
  readonly grams: number;
  /** Weighed in this kitchen, or printed on its label. */
  readonly own?: true;
  /** The cook's words that it is for: a cherry tomato is no tomato, though one row is of both. */
  readonly said?: string;
  /** Whether the weight is with the bone or without it, where the piece has one. */
  readonly bone?: 'in' | 'out';
  /** g that are printed on a can of it, where the weight is what is left when it is drained. */
  readonly net?: number;
  /** What one of it holds in mL, where it is this kitchen's own cup or spoon; the table's are US customary. */
  readonly millilitres?: number;
}

/** A food with its measures, as a form needs it to weigh what is typed. */
export interface KnownFood {
  readonly food: Food;
  readonly measures: readonly FoodMeasure[];
  /** What a recipe is made of, and what it weighs in all: a line of it is a line of each of these. */
  readonly made?: { readonly lines: readonly WeighedLine[]; readonly grams: number };
}

/** What a key of a food stands for. */
export function foodKey(key: string): { readonly kind: 'table' | 'supply' | 'recipe'; readonly id: number } {
  const own = /^([LR])(\d+)$/.exec(key);
  if (!own) return { kind: 'table', id: NaN };
  return { kind: own[1] === 'L' ? 'supply' : 'recipe', id: Number(own[2]) };
}

/** Water from the tap: it fills the pot, and the cook pours it on without counting it as food. */
export const isWater = (food: Pick<Food, 'group'>) => food.group === 'Water';
