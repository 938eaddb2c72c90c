import { z } from 'zod';
import type { Grams } from '../quantity/units';

const amount = z.number().positive().max(100_000);

/** A row of a printed table: up to this body weight so much a day. */
export const weightBandSchema = z.object({
  /** g of body weight up to which the row holds; absent: every heavier dog. */
  upTo: z.number().positive().optional(),
  low: amount,
  high: amount,
});
export type WeightBand = Readonly<z.infer<typeof weightBandSchema>>;

/** The row of a printed table that a body weight in g falls into; undefined above the last one. */
export const bandFor = <B extends { readonly upTo?: number }>(bands: readonly B[], weight: Grams): B | undefined =>
  bands.find((band) => band.upTo === undefined || weight <= band.upTo);
