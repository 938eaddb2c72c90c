import { addUp } from '../add-up';

/** The parts of a day that a recipe may be cooked for, by the clock of the meals. */
export const MEAL_TIMES = {
  'every meal': ['00:00', '24:00'],
  mornings: ['00:00', '11:00'],
  middays: ['11:00', '15:00'],
  evenings: ['15:00', '24:00'],
  'after the morning': ['11:00', '24:00'],
} as const;
export type MealTime = keyof typeof MEAL_TIMES;

/** What a recipe is cooked for in a plan: its part beside the others, and the meals that it fills. */
export interface BatchMeals {
  readonly recipeId: number;
  /** Its part of the energy beside the other recipes of the same meals; 1 to 1 is half and half. */
  readonly share: number;
  readonly meals: MealTime;
}

/** A recipe among those that are cooked together: which meals it fills follows from all of them. */
export interface Filling {
  readonly batches: readonly BatchMeals[];
  /** The place of the recipe among them. */
  readonly batch: number;
}

/** A recipe that is cooked alone, for every meal that no ration gives to another one. */
export const fillingAlone = (recipeId: number): Filling => ({
  batches: [{ recipeId, share: 1, meals: 'every meal' }],
  batch: 0,
});

/**
 * The part of a meal that each recipe fills: all of it the one that the ration names, else those whose time it is by
 * their shares. They sum to 1, or to 0 where none fills it.
 */
export function fillsOf(
  batches: readonly BatchMeals[],
  meal: { readonly clock: string; readonly recipeId: number | undefined },
): number[] {
  const fills = batches.map(({ recipeId, share, meals }) => {
    if (meal.recipeId !== undefined) return meal.recipeId === recipeId ? 1 : 0;
    const [from, to] = MEAL_TIMES[meals];
    return meal.clock >= from && meal.clock < to ? share : 0;
  });
  const all = addUp(fills, (fill) => fill);
  return fills.map((fill) => (all > 0 ? fill / all : 0));
}
