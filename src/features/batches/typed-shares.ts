import { z } from 'zod';
import { FATES, type Fate } from '@/core/portion/shares';
import { DRY_METHODS } from '@/core/preserve/methods';
import { idSchema } from '@/core/schema';
import type { WeighedView, YieldView } from './weighed/view';

/** The shares as they are typed. */
export const typedShares = z.array(
  z.object({
    id: idSchema.optional(),
    fate: z.enum(FATES),
    text: z.string(),
    placeId: idSchema.optional(),
    method: z.enum(DRY_METHODS).optional(),
    machineId: idSchema.optional(),
  }),
);
export type TypedShare = z.infer<typeof typedShares>[number];

/** Every fate has its row: as it was set, or as it is suggested; what is not divided yet goes to the freezer. */
export function firstShares(
  weighed: WeighedView,
  of: YieldView,
  toType: (grams: number) => string,
  fates: readonly Fate[],
): readonly TypedShare[] {
  const stored = weighed.shares.filter((share) => share.yield === of.place && share.grams > 0);
  return fates.flatMap((fate): TypedShare[] => {
    const own = stored.filter((share) => share.fate === fate);
    if (own.length > 0)
      return own.map((share) => ({
        id: share.id,
        fate,
        text: toType(share.grams),
        ...(share.placeId === undefined ? {} : { placeId: share.placeId }),
        ...(share.method === undefined ? {} : { method: share.method }),
        ...(share.machineId === undefined ? {} : { machineId: share.machineId }),
      }));
    return [{ fate, text: toType(stored.length > 0 ? 0 : of.suggested[fate]) }];
  });
}
