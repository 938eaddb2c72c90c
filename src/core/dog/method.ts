import { z } from 'zod';
import { foodFactsSchema } from './food-facts';
import { schoolSchema } from './schools/schools';

/**
 * How a ration says the day's energy. `table`: growth and reproduction, then the goal, then the maintenance factor.
 * A portion school is turned into kcal with the food that it was set with, and other foods are matched by energy.
 */
export const methodSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('table') }),
  z.object({ kind: z.literal('factor'), factor: z.number().min(0.5).max(12) }),
  z.object({ kind: z.literal('nrc'), k: z.number().min(60).max(300) }),
  z.object({ kind: z.literal('short form') }),
  /** `by`: whose figure it is; without it the cook's own. */
  z.object({ kind: z.literal('kcal'), kcal: z.number().positive().max(20_000), by: z.literal('weigh-ins').optional() }),
  /** `kcal`: what is taken of the school's band; absent: its middle. */
  z.object({
    kind: z.literal('school'),
    school: schoolSchema,
    food: foodFactsSchema,
    kcal: z.number().positive().max(20_000).optional(),
    by: z.literal('weigh-ins').optional(),
  }),
]);

export type RationMethod = Readonly<z.infer<typeof methodSchema>>;

/** The other school of maintenance, k · BW^0.75. Source: NRC 2006, from memory; 110: FEDIAF. */
export const NRC_FACTORS = [
  { k: 130, words: 'active' },
  { k: 110, words: 'moderately active, FEDIAF' },
  { k: 105, words: 'older' },
  { k: 95, words: 'inactive' },
] as const;
