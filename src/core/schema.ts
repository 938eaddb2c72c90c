import { z } from 'zod';

/** An id as the database gives it. */
export const idSchema = z.number().int().positive().max(2_147_483_647);

/** A weight in g as a form may send it; whether it can be is for the command to say. */
export const weightSchema = z.number().finite();

/** An id in an address; anything else is not found. */
export const idInAddress = z.coerce.number().int().positive().max(2_147_483_647);

/** Packs that go to a place, together or not at all. */
export const movePacksSchema = z.object({
  holdingIds: z.array(idSchema).min(1).max(500),
  placeId: idSchema,
  /** They fit, though the place is said to hold less. */
  fits: z.boolean().optional(),
});
