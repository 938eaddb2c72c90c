import { z } from 'zod';

/** Packs in an address, by their holdings: "12,13". */
export const packIdsSchema = z
  .string()
  .regex(/^\d{1,9}(,\d{1,9}){0,499}$/)
  .transform((ids) => ids.split(',').map(Number));

/** What is written by hand on each pack: three short lines, and what of its label is not so any more. */
export const penSchema = z.array(
  z.object({ code: z.string(), lines: z.array(z.string()), changed: z.string().optional() }),
);
export type PenLabel = z.infer<typeof penSchema>[number];
