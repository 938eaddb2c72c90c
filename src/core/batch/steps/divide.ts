import { z } from 'zod';
import { idSchema } from '../../schema';
import { FATES } from '../../portion/shares';
import { DRY_METHODS } from '../../preserve/methods';
import type { BatchState } from '../fold';
import { HALF_A_GRAM } from '../share-state';
import { stillToWeigh } from '../apart';
import type { Step } from '../step';

const undivided = (batch: BatchState) =>
  batch.state === 'weighed' && batch.yields.some((each) => each.undivided > HALF_A_GRAM);

export const divide = {
  key: 'divide',
  title: 'Divide',
  listed: 'weighed',
  place: 'yield',
  opens: (batch) => batch.state === 'weighed' && stillToWeigh(batch).length === 0,
  next: (batch) => (undivided(batch) ? 'divide it' : undefined),
  watch: (batch) =>
    undivided(batch) ? { said: 'weighed: divide it, and cool what is kept within 2 h', tone: 'caution' } : undefined,
} as const satisfies Step;

/** Shares as a form sends them: one with an id is changed, one without is new, one that is left out is gone. */
export const sharesSchema = z.object({
  batchId: idSchema,
  shares: z
    .array(
      z.object({
        id: idSchema.optional(),
        /** The yield that it is a part of, by its place. */
        yield: z.number().int().min(0).max(300).optional(),
        fate: z.enum(FATES),
        grams: z.number(),
        placeId: idSchema.optional(),
        method: z.enum(DRY_METHODS).optional(),
        machineId: idSchema.optional(),
      }),
    )
    .max(24)
    .readonly(),
  revision: z.number().int().optional(),
});
export type SharesEntry = z.infer<typeof sharesSchema>;
