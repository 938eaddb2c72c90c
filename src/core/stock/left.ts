import { z } from 'zod';
import { addUp } from '../add-up';
import { fine, refused, type Outcome } from '../problem';
import { writeGrams } from '../quantity/write';
import { idSchema, weightSchema } from '../schema';
import { fromTenths } from './ledger';

export const LEFT_FATES = ['thrown', 'fridge'] as const;

/** What a dog left of its bowl: a part by eye, or g by the scale, as it lies in the bowl; and what became of it. */
export const leftSchema = z.object({
  bowlId: idSchema,
  much: z.union([z.object({ part: z.number().gt(0).max(1) }), z.object({ grams: weightSchema })]),
  fate: z.enum(LEFT_FATES),
});
export type LeftEntry = z.infer<typeof leftSchema>;

/** Hours that food may stand in a bowl and still go back into the fridge (USDA, two-hour rule). */
export const BOWL_HOURS = 2;

/** What is in a bowl of one pack or pot: stored tenths of a gram, the water that was put back, kcal. */
export interface InBowl {
  readonly amount: number;
  readonly waterMl: number;
  readonly kcal: number;
}

/**
 * What is left of each part of a bowl: tenths of a gram as stored, and kcal.
 *
 * Takes what was in it and how much is left, by eye or by weight; weighed food has its water in it, and 1 mL is 1 g. Refuses more
 * than was in it, and nothing. Source: arithmetic; a bowl is mixed, so that every part is left alike.
 */
export function leftOf(
  parts: readonly InBowl[],
  much: LeftEntry['much'],
  write: (mass: number) => string = writeGrams,
): Outcome<readonly { readonly amount: number; readonly kcal: number }[]> {
  const whole = addUp(parts, ({ amount, waterMl }) => fromTenths(amount) + waterMl);
  const part = 'part' in much ? much.part : much.grams / whole;
  if (!(part > 0)) return refused('How much is left in the bowl?', 'much');
  if (part > 1.02) return refused(`Only ${write(whole)} were in the bowl. Was it weighed along?`, 'much');
  const left = parts.map(({ amount, kcal }) => {
    const own = Math.min(amount, Math.round(amount * part));
    return { amount: own, kcal: amount === 0 ? 0 : (kcal * own) / amount };
  });
  return left.some(({ amount }) => amount > 0) ? fine(left) : refused('That is nothing.', 'much');
}
