import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';
export const correctSchema = z.object({ holdingId: idSchema, grams: weightSchema });
export const reverseSchema = z.object({ movementId: idSchema });
