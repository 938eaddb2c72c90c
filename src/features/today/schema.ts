import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';

const partsSchema = z
  .array(
    z.union([
      z.object({ holdingId: idSchema, grams: weightSchema, frozen: z.boolean().optional() }),
      z.object({ shareId: idSchema, grams: weightSchema }),
    ]),
  )
  .max(50);
/** A time of the day like 07:30, or `now`. */
const atSchema = z.string().max(8).optional();

export const bowlSchema = z.object({
  dogId: idSchema,
  slotId: idSchema,
  day: z.string().max(10),
  at: atSchema,
  parts: partsSchema,
  ticked: z.array(idSchema).max(30).optional(),
});

export const extraSchema = z.object({ dogId: idSchema, parts: partsSchema, at: atSchema, takesOff: z.boolean() });

export const correctBowlSchema = z.object({ bowlId: idSchema, at: atSchema, parts: partsSchema });

export const takeBackSchema = z.object({ bowlId: idSchema });
