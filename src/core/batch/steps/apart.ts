import { z } from 'zod';
import { boxesSchema } from '../../portion/boxes';
import { platingSchema } from '../../portion/plated';
import { idSchema, weightSchema } from '../../schema';
import { APARTS } from '../apart';

const revision = z.number().int().optional();

/** What of a batch is kept apart; `together`: it is one pot again. */
export const apartSchema = z.object({ batchId: idSchema, apart: z.enum([...APARTS, 'together']), revision });
export type ApartEntry = z.infer<typeof apartSchema>;

/** How what is kept apart goes into the bowls. */
export const platePotSchema = z.object({ batchId: idSchema, entry: platingSchema, revision });
export type PlatePotEntry = z.infer<typeof platePotSchema>;

/** Boxes to build: by figures that are typed, or of what each dog gets of each of these shares. */
export const planBoxesSchema = z.object({
  batchId: idSchema,
  of: z.discriminatedUnion('by', [
    z.object({ by: z.literal('figures'), entry: boxesSchema }),
    z.object({ by: z.literal('days'), shareIds: z.array(idSchema).min(2).max(20) }),
  ]),
});
export type PlanBoxesEntry = z.infer<typeof planBoxesSchema>;

/** One ingredient goes into one box or into all that wait for it; `grams`: as it was weighed, else as planned. */
export const fillBoxSchema = z.object({
  boxesId: idSchema,
  row: z.number().int().min(0).max(30),
  box: z.number().int().min(0).max(100).optional(),
  grams: weightSchema.optional(),
  /** It is taken out again. */
  out: z.boolean().optional(),
});
export type FillBoxEntry = z.infer<typeof fillBoxSchema>;

export const boxesIdSchema = z.object({ boxesId: idSchema });
