import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';

export const bowlSchema = z.object({
  dogId: idSchema,
  slotId: idSchema,
  day: z.string(),
  parts: z
    .array(
      z.union([
        z.object({ holdingId: idSchema, grams: weightSchema }),
        z.object({ shareId: idSchema, grams: weightSchema }),
      ]),
    )
    .max(50),
});

export const takeBackSchema = z.object({ bowlId: idSchema });
