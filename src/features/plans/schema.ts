import { z } from 'zod';
import { bindingSchema } from '@/core/plan/bind';
import { idSchema } from '@/core/schema';

export const planSchema = z.object({
  recipeId: idSchema,
  dogIds: z.array(idSchema).max(200),
  binding: bindingSchema,
  firstDay: z.string().max(20),
  seen: z.array(z.string().max(40)).max(50),
  choices: z.record(z.string().max(60), z.number().int().min(0)).optional(),
});
