import { z } from 'zod';

/** What a nutrient may come to per 1000 kcal; a side that is absent is not limited. */
const limitSchema = z.object({ least: z.number().positive().optional(), most: z.number().positive().optional() });
export type Limit = Readonly<z.infer<typeof limitSchema>>;

/** data/profiles.json: the nutrients with their units, and the limits of each school. */
export const profilesSchema = z.object({
  nutrients: z.array(z.object({ name: z.string(), unit: z.enum(['g', 'mg', 'IU']) })),
  profiles: z.array(
    z.object({
      id: z.enum(['aafco-adult', 'aafco-growth', 'nrc-adult']),
      name: z.string(),
      source: z.string(),
      limits: z.record(z.string(), limitSchema),
      /** Two nutrients that must stand in proportion, by mass. */
      ratios: z
        .array(
          z.object({
            name: z.string(),
            of: z.string(),
            to: z.string(),
            least: z.number().positive().optional(),
            most: z.number().positive().optional(),
          }),
        )
        .optional(),
    }),
  ),
  /** What growing dogs must not get more of, per 1000 kcal; the first row that fits a pup holds. */
  pups: z.array(
    z.object({
      name: z.string(),
      most: z.number().positive(),
      fromAdultKg: z.number().positive().optional(),
      source: z.string(),
    }),
  ),
});
export type Profiles = Readonly<z.infer<typeof profilesSchema>>;
export type Profile = Profiles['profiles'][number];
export type ProfileId = Profile['id'];
