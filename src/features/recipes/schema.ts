import { z } from 'zod';
import { MOMENTS, PARTS } from '@/core/recipe/recipe';
import { idSchema } from '@/core/schema';

/** A recipe as typed: every amount in the cook's own words. */
export const recipeEntrySchema = z.object({
  name: z.string().max(200),
  lines: z
    .array(
      z.object({
        amount: z.string().max(200),
        ndb: z.string().max(10),
        preparation: z.string().max(200).optional(),
        part: z.enum(PARTS),
        moment: z.enum(MOMENTS),
      }),
    )
    .max(200),
});

export const saveRecipeSchema = z.object({ id: idSchema.optional(), entry: recipeEntrySchema });

export type RecipeEntry = z.infer<typeof recipeEntrySchema>;
export type LineEntry = RecipeEntry['lines'][number];
