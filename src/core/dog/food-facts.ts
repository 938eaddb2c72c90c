import { z } from 'zod';
import { idSchema } from '../schema';

/** What a portion school has to know about a food: it is kept with a ration that a school set. */
export const foodFactsSchema = z.object({
  name: z.string().max(200),
  /** The recipe that it is of: names change, and two recipes may share one. */
  recipeId: idSchema.optional(),
  /** kcal per g as it lies in the bowl. */
  density: z.number().positive().max(9),
  /** Whether a pot was weighed; otherwise the density is predicted. */
  measured: z.boolean(),
  /** kcal per g of all that goes into the pot: what a piece of a raw weight is counted by. */
  rawDensity: z.number().positive().max(9).optional(),
  /** g in one cup of it, where the cook has weighed one. */
  gramsPerCup: z.number().positive().max(1000).optional(),
  /** kcal of the recipe for each g of raw animal protein in it; absent where it holds none. */
  kcalPerAnimalGram: z.number().positive().optional(),
});

export type FoodFacts = Readonly<z.infer<typeof foodFactsSchema>>;
