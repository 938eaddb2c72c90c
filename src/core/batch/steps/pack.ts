import { z } from 'zod';
import { packPlanSchema } from '../../portion/pack-plan';
import { countOf } from '../../quantity/count-words';
import { PACKAGINGS } from '../../preserve/shelf-life';
import { idSchema, weightSchema } from '../../schema';
import type { BatchState } from '../fold';
import type { ShareState } from '../share-state';
import type { Step } from '../step';
import { isSettled } from './dry';

/** The shares of which something is still to be packed. */
export const openShares = (batch: BatchState): readonly ShareState[] =>
  batch.state === 'weighed' ? batch.shares.filter((share) => share.fate !== 'today' && !share.sealed) : [];

/** Those that can be packed now: what is to be dried is packed once it is dry. */
export const toPack = (batch: BatchState): readonly ShareState[] =>
  openShares(batch).filter((share) => share.fate !== 'dry' || isSettled(share) || share.packs.length > 0);

export const pack = {
  key: 'pack',
  title: 'Pack',
  listed: 'divided',
  place: 'shares',
  opens: (batch) => batch.state === 'weighed' && batch.shares.length > 0,
  next: (batch) => {
    const open = toPack(batch).length;
    return open > 0 ? `${countOf(open, 'share')} to seal` : undefined;
  },
  watch: (batch) => {
    const open = toPack(batch);
    if (open.length === 0) return undefined;
    const isDry = open.every((share) => share.fate === 'dry');
    return { said: isDry ? 'dry: bag it' : 'not sealed yet: chill, fill and seal', tone: 'plain' };
  },
} as const satisfies Step;

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
  packaging: z.enum(PACKAGINGS).optional(),
  trayByTray: z.boolean().optional(),
  /** Bagged though its weighings say that it is not dry. */
  damp: z.boolean().optional(),
  /** The state of the batch that the page showed: two pages never fill one pack. */
  revision: z.number().int(),
});
export type FillEntry = z.infer<typeof fillSchema>;

export const sealSchema = z.object({
  batchId: idSchema,
  shareId: idSchema,
  /** In what it is packed; absent: not said. */
  packaging: z.enum(PACKAGINGS).optional(),
  /** Dry food went into the bags tray by tray, in order; else it was put together first. */
  trayByTray: z.boolean().optional(),
  /** Bagged though its weighings say that it is not dry. */
  damp: z.boolean().optional(),
  /** Packs that wait in the fridge for their day in the freezer, by their place among the proposed ones. */
  freezeOn: z
    .array(z.object({ index: z.number().int().min(0).max(500), days: z.number().int().min(1).max(14) }))
    .max(500)
    .readonly()
    .optional(),
});
export type SealEntry = z.infer<typeof sealSchema>;

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
