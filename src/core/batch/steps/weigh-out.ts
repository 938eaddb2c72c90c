import { z } from 'zod';
import { idSchema, weightSchema } from '../../schema';
import type { Step } from '../step';

export const weighOut = {
  key: 'weigh out',
  title: 'Weigh out',
  listed: 'planned',
  place: 'lines',
  opens: (batch) => batch.state === 'planned' || batch.byProduct === undefined,
  next: (batch) => (batch.state === 'planned' ? 'weigh out and cook' : undefined),
  watch: (batch) => (batch.state === 'planned' ? { said: 'planned: weigh out and cook', tone: 'plain' } : undefined),
} as const satisfies Step;

/** A lot or label date as it is printed: "L 2291", "best by 3 Dec". */
export const lotSchema = z.string().trim().max(60);

/** What went onto the scale of each line, in g as bought, and of which lot it was. */
export const startSchema = z.object({
  batchId: idSchema,
  grams: z.array(weightSchema).max(200).readonly(),
  lots: z.array(lotSchema).max(200).readonly().optional(),
  /** Of each line, whether it went in frozen. */
  frozen: z.array(z.boolean()).max(200).readonly().optional(),
  /** Of each line, the ingredients in the house that it is of, the first to be used first; else the first to expire. */
  from: z.array(z.array(idSchema).max(20)).max(200).readonly().optional(),
});
export type StartEntry = z.infer<typeof startSchema>;
