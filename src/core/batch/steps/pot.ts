import { z } from 'zod';
import type { Weighing } from '../../portion/yield';
import { grams } from '../../quantity/units';
import { idSchema, weightSchema } from '../../schema';
import { stillToWeigh } from '../apart';
import type { Step } from '../step';

export const pot = {
  key: 'pot',
  title: 'The pot',
  listed: 'in the pot',
  place: 'pot',
  opens: (batch) => batch.state !== 'planned',
  next: (batch) => {
    const [first] = stillToWeigh(batch);
    if (first) return `weigh the ${first.name} when it is done`;
    return batch.state === 'cooking' ? 'weigh the pot when it is done' : undefined;
  },
  watch: (batch) =>
    batch.state === 'cooking' ? { said: 'in the pot: weigh it when it is done', tone: 'plain' } : undefined,
} as const satisfies Step;

const scaled = weightSchema.transform(grams);

/** How a finished pot was measured, as a form sends it. */
export const weighingSchema = z.discriminatedUnion('by', [
  z.object({
    by: z.literal('scale'),
    vessels: z
      .array(z.object({ name: z.string().max(60), gross: scaled, tare: scaled }))
      .max(40)
      .readonly(),
  }),
  z.object({ by: z.literal('cups'), cups: weightSchema, cupGrams: scaled }),
]) satisfies z.ZodType<Weighing>;

export const weighSchema = z.object({
  batchId: idSchema,
  /** The place of a component that is kept apart. */
  yield: z.number().int().min(0).max(300).optional(),
  weighing: weighingSchema,
  eatenBefore: weightSchema,
  /** Liquid that was poured off and kept. */
  kept: weightSchema.optional(),
  /** Fat that was skimmed off. */
  skimmed: weightSchema.optional(),
  /** Bones and spent vegetables that were strained out. */
  strained: weightSchema.optional(),
  /** The state of the batch that the page showed. */
  revision: z.number().int().optional(),
});
export type WeighEntry = z.output<typeof weighSchema>;
