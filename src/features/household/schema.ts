import { meaningEntrySchema } from '@/core/food/meaning';
import { z } from 'zod';
import { mealTimesSchema } from '@/core/household/meal-times';
import { equipmentEntrySchema } from '@/core/plan/equipment';
import { PLACE_KINDS } from '@/core/preserve/shelf-life';
import { idSchema } from '@/core/schema';

export const householdSchema = z.object({
  unitSet: z.enum(['metric', 'us']),
  energyFactors: z.enum(['4-9-4', 'modified', 'table']),
  fridgeDays: z.number().int().min(1).max(30),
  /** Days in a row of one protein; null: as long as it lasts. */
  proteinDays: z.number().int().min(1).max(366).nullable().optional(),
  mixedProteins: z.boolean().optional(),
  timeZone: z.string().trim().min(1).max(60),
  currency: z.string().trim().length(3),
  labelAddress: z.string().max(200).optional(),
  /** "0.29" of the currency for a kWh; empty: not said. */
  kwhPrice: z.string().max(20).optional(),
  mealTimes: mealTimesSchema,
});

/** What an empty house is asked first. */
export const beginningSchema = householdSchema.pick({ unitSet: true, timeZone: true, mealTimes: true });

export const equipmentSchema = z.object({ id: idSchema.optional(), entry: equipmentEntrySchema });
export const placeSchema = z.object({
  id: idSchema.optional(),
  kind: z.enum(PLACE_KINDS),
  name: z.string().max(60),
  size: z.string().max(30),
});
export const meaningWordsSchema = meaningEntrySchema.pick({ words: true });
