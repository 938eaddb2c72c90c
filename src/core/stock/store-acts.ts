import { z } from 'zod';
import { idSchema, weightSchema } from '../schema';

/** Why something is said of a pack: in a few words, kept with its movement. */
const whySchema = z.string().trim().min(1, 'Say why, in a few words.').max(200);

export const splitSchema = z.object({ holdingId: idSchema, grams: weightSchema, dogId: idSchema.optional() });
export type SplitEntry = z.infer<typeof splitSchema>;

export const mixSchema = z.object({
  parts: z
    .array(z.object({ holdingId: idSchema, grams: weightSchema }))
    .min(2)
    .max(20),
});
export type MixEntry = z.infer<typeof mixSchema>;

/** Something that is so of packs: open, not to be fed, nowhere to be found, thawed though nobody wanted it. */
export const SAID_OF_PACKS = ['opened', 'blocked', 'lost', 'thawed'] as const;
export const sayOfPacksSchema = z.object({
  holdingIds: z.array(idSchema).min(1).max(500),
  is: z.enum(SAID_OF_PACKS),
  why: whySchema.optional(),
});
export type SayOfPacks = z.infer<typeof sayOfPacksSchema>;

/** The day on which something really was done that the books say of a day to come. */
export const putDayRightSchema = z.object({ holdingIds: z.array(idSchema).min(1).max(500), day: z.string().max(20) });

export const unblockSchema = z.object({ holdingIds: z.array(idSchema).min(1).max(500), why: whySchema });

/** A pack that is for another dog than its label says; no dog: for anybody. */
export const forDogSchema = z.object({ holdingId: idSchema, dogId: idSchema.optional() });

/** A pack that has the label of another one, which has its. */
export const swapLabelsSchema = z.object({ holdingId: idSchema, code: z.string().trim().min(1).max(12) });

/** Packs thrown away together, with the reason. */
export const throwSchema = z.object({ holdingIds: z.array(idSchema).min(1).max(500), why: whySchema.optional() });

/** A place counted: what lies there, what does not, and codes of what lies there though nobody thought so. */
export const countSchema = z.object({
  placeId: idSchema,
  missing: z.array(idSchema).max(500),
  also: z.array(z.string().trim().min(1).max(12)).max(200),
});
export type CountEntry = z.infer<typeof countSchema>;

/** Movements of one act, taken back together, the last of them first. */
export const reverseAllSchema = z.object({ movementIds: z.array(idSchema).min(1).max(500) });
