import { z } from 'zod';

export const householdSchema = z.object({
  unitSet: z.enum(['metric', 'us']),
  energyFactors: z.enum(['4-9-4', 'modified', 'table']),
  fridgeDays: z.number().int(),
  timeZone: z.string().trim().min(1).max(60),
});
