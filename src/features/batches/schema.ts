import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';

export const startSchema = z.object({ batchId: idSchema, grams: z.array(weightSchema).max(200) });

export const batchIdSchema = z.object({ batchId: idSchema });

export const weighSchema = z.object({
  batchId: idSchema,
  eatenBefore: weightSchema,
  weighing: z.discriminatedUnion('by', [
    z.object({
      by: z.literal('scale'),
      vessels: z
        .array(z.object({ name: z.string().max(60), gross: weightSchema, tare: weightSchema }))
        .max(40)
        .readonly(),
    }),
    z.object({ by: z.literal('cups'), cups: weightSchema, cupGrams: weightSchema }),
  ]),
});

export const sharesSchema = z.object({
  batchId: idSchema,
  shares: z.object({ today: z.number(), fridge: z.number(), freezer: z.number(), dry: z.number() }),
  dryMethod: z.enum(['dehydrated', 'freeze-dried']),
});

export const traysSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  trays: z
    .array(z.object({ tare: weightSchema, wetGross: weightSchema, dryGross: weightSchema.optional() }))
    .max(60)
    .readonly(),
});

export const sealSchema = z.object({ batchId: idSchema, shareId: idSchema });
