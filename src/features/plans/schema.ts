import { z } from 'zod';
import { planEntrySchema } from '@/core/plan/plan-entry';
import { idSchema } from '@/core/schema';

export const planSchema = z.object({ entry: planEntrySchema, planId: idSchema.optional() });
export const packSchema = z.object({
  ndb: z.string().max(10),
  unit: z.literal('pack'),
  weight: z.string().max(40),
});
