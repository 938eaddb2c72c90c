import { z } from 'zod';
import { fine } from '../../problem';
import { amount, fromGrams, number, ruleOfThumb, span, typedSpan, type PortionSchool } from './school';

const schema = z.object({ kind: z.literal('percent'), low: amount, high: amount });

/** A percentage of body weight. */
export const percent: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'percent of body weight',
  beside: undefined,
  usual: { kind: 'percent', low: 2, high: 3 },
  begins: { amount: '2-3' },
  fields: { amount: '% of body weight a day' },
  units: [],
  read({ span: read, refuse }) {
    const part = read('amount');
    if (part.high > 20) refuse({ message: 'No dog eats a fifth of its weight a day.', field: 'amount' });
    return { kind: 'percent', ...part };
  },
  write: (own) => ({ amount: typedSpan(own.low, own.high) }),
  say: (own) => `${number(own.low)}–${number(own.high)} % of body weight`,
  day(own, weight, food) {
    const [low, high] = [(weight * own.low) / 100, (weight * own.high) / 100];
    const sum = `${number(weight)} g × ${number(own.low)}–${number(own.high)} % = ${span(low, high)} g`;
    return fine(fromGrams({ low, high, steps: [{ what: 'body weight', sum }] }, food));
  },
};
