import { z } from 'zod';
import { GRAMS_PER_POUND } from '../../quantity/units';
import { writeDose } from '../../quantity/write';
import {
  amount,
  fromCups,
  number,
  poundsOfDog,
  ruleOfThumb,
  span,
  times,
  typedSpan,
  type PortionSchool,
} from './school';

const schema = z.object({
  kind: z.literal('cups'),
  cups: amount,
  low: amount,
  high: amount,
  meals: z.number().int().min(1).max(5),
});

/** Cups a meal for so many pounds of dog. */
export const cups: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'cups for so many pounds',
  beside: undefined,
  usual: { kind: 'cups', cups: 0.5, low: 20, high: 25, meals: 2 },
  begins: { amount: '1/2', per: '20-25' },
  fields: { amount: 'cups a meal, two meals a day', per: 'lb of dog' },
  units: [],
  read: ({ one, span: read }) => ({ kind: 'cups', cups: one('amount'), ...read('per'), meals: 2 }),
  write: (own) => ({ amount: String(own.cups), per: typedSpan(own.low, own.high) }),
  say: (own) => `${writeDose(own.cups)} cup for ${number(own.low)}–${number(own.high)} lb, ${times(own.meals)}`,
  day(own, weight, food) {
    const pounds = weight / GRAMS_PER_POUND;
    const per = (lb: number) => (pounds / lb) * own.cups * own.meals;
    const [low, high] = [per(own.high), per(own.low)];
    const sum = `÷ ${number(own.low)}–${number(own.high)} × ${number(own.cups, 2)} × ${own.meals} = ${span(low, high)} cups`;
    return fromCups({ low, high, steps: [{ what: poundsOfDog(pounds), sum }] }, food);
  },
};
