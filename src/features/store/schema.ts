import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';
export const discardSchema = z.object({ holdingId: idSchema, note: z.string().max(200).optional() });
export const correctSchema = z.object({ holdingId: idSchema, grams: weightSchema });
export const reverseSchema = z.object({ movementId: idSchema });
