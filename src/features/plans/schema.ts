import { z } from 'zod';
import { planEntrySchema } from '@/core/plan/plan-entry';
import { FETCHED_FROM } from '@/core/plan/shopping';
import { idSchema } from '@/core/schema';

export const planSchema = z.object({ entry: planEntrySchema, planId: idSchema.optional() });
export const planItemSchema = z.object({
  planId: idSchema,
  foodKey: z.string().max(10),
  fetchedFrom: z.enum(FETCHED_FROM),
  ticked: z.boolean(),
});
export const packSchema = z.object({
  ndb: z.string().max(10),
  unit: z.literal('pack'),
  weight: z.string().max(40),
});
