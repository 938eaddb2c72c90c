import { z } from 'zod';
import { packPlanSchema } from '../../portion/pack-plan';
import { countOf } from '../../quantity/count-words';
import { idSchema, weightSchema } from '../../schema';
import type { BatchState, ShareState } from '../fold';
import type { Step } from '../step';

/** The shares of which something is still to be packed. */
export const openShares = (batch: BatchState): readonly ShareState[] =>
  batch.state === 'weighed' ? batch.shares.filter((share) => share.fate !== 'today' && !share.sealed) : [];

export const pack = {
  key: 'pack',
  title: 'Pack',
  listed: 'divided',
  place: 'shares',
  opens: (batch) => batch.state === 'weighed' && batch.shares.length > 0,
  next: (batch) => {
    const open = openShares(batch).length;
    return open > 0 ? `${countOf(open, 'share')} to seal` : undefined;
  },
  watch: (batch) => {
    const open = openShares(batch);
    if (open.length === 0) return undefined;
    const drying = open.some((share) => share.trays.length > 0 && !share.dried);
    return {
      said: drying ? 'in the dryer: weigh the trays dry' : 'not sealed yet: chill, fill and seal',
      tone: 'plain',
    };
  },
} as const satisfies Step;

export const traysSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  trays: z
    .array(z.object({ tare: weightSchema, wetGross: weightSchema, dryGross: weightSchema.optional() }))
    .max(60)
    .readonly(),
  revision: z.number().int().optional(),
});
export type TraysEntry = z.infer<typeof traysSchema>;

/** Trays weighed once more after the dryer: gross of each, by its place; absent: not weighed again. */
export const redrySchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  grams: z.array(weightSchema.optional()).min(1).max(60).readonly(),
  revision: z.number().int().optional(),
});
export type RedryEntry = z.infer<typeof redrySchema>;

/** How a share is filled, as it is typed. */
export const planPacksSchema = z.object({ batchId: idSchema, shareId: idSchema, entry: packPlanSchema });

/** One pack as it was filled on the scale: which of those still to fill, and net g. */
export const fillSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  index: z.number().int().min(0).max(500),
  grams: weightSchema,
  /** What is left over was spread over the packs still to fill. */
  spread: z.boolean(),
  /** The state of the batch that the page showed: two pages never fill one pack. */
  revision: z.number().int(),
});
export type FillEntry = z.infer<typeof fillSchema>;

export const sealSchema = z.object({ batchId: idSchema, shareId: idSchema });

/** Packs whose labels were written again. */
export const labelsSchema = z.object({ holdingIds: z.array(idSchema).min(1).max(500).readonly() });

/** Sealed packs as the scale shows them now. */
export const packWeightsSchema = z.object({
  batchId: idSchema,
  packs: z
    .array(z.object({ holdingId: idSchema, grams: weightSchema }))
    .min(1)
    .max(500)
    .readonly(),
  revision: z.number().int().optional(),
});
