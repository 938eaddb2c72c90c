import { z } from 'zod';
import { writeDose } from '../../quantity/write';
import { amount, fromCups, ruleOfThumb, type PortionSchool } from './school';

const schema = z.object({ kind: z.literal('like for like'), cups: amount });

/** As many cups as of the food before. */
export const likeForLike: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'like for like: the volume fed so far',
  beside: 'the volume of food fed so far',
  usual: undefined,
  begins: { amount: '2' },
  fields: { amount: 'cups a day of the food before' },
  units: [],
  read: ({ one }) => ({ kind: 'like for like', cups: one('amount') }),
  write: (own) => ({ amount: String(own.cups) }),
  say: (own) => `${writeDose(own.cups)} cups of the food before`,
  day: (own, _, food) => fromCups({ low: own.cups, high: own.cups, steps: [] }, food),
};
