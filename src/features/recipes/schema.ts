import { z } from 'zod';
import { supplyEntrySchema } from '@/core/food/supply-entry';
import { recipeEntrySchema } from '@/core/recipe/entry-schema';
import { idSchema } from '@/core/schema';

export const saveRecipeSchema = z.object({ id: idSchema.optional(), entry: recipeEntrySchema });
export const saveSupplySchema = z.object({ id: idSchema.optional(), entry: supplyEntrySchema });
export const saveMeasureSchema = z.object({
  ndb: z.string().max(10),
  unit: z.string().max(40),
  weight: z.string().max(30),
});
export const setAdditionSchema = z.object({
  key: z.string().max(10),
  allowed: z.boolean(),
  cap: z.string().max(20),
  price: z.string().max(20),
});
export const takeRecipesSchema = z.object({ text: z.string().max(4_000_000) });
