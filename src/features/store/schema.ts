import { z } from 'zod';
import { idSchema, weightSchema } from '@/core/schema';
export const correctSchema = z.object({ holdingId: idSchema, grams: weightSchema });
export const lotSchema = z.object({ holdingId: idSchema });
export const partSchema = z.object({ holdingId: idSchema, grams: weightSchema, placeId: idSchema });
export const reverseSchema = z.object({ movementId: idSchema });
