import { z } from 'zod';
import { fine } from '../../problem';
import { kilocalories } from '../../quantity/units';
import { amount, fromCups, fromGrams, number, span, typedSpan, type PortionSchool } from './school';

const schema = z.object({
  kind: z.literal('prescribed'),
  low: amount,
  high: amount,
  unit: z.enum(['g', 'cup', 'kcal']),
  by: z.string().max(80),
});

/** What a vet or nutritionist set. */
export const prescribed: PortionSchool<z.infer<typeof schema>> = {
  schema,
  offer: 'what a vet or nutritionist set',
  beside: 'what a vet or nutritionist set',
  usual: undefined,
  begins: { amount: '', unit: 'kcal', by: 'the vet' },
  fields: { amount: 'A day', unit: 'in', by: 'Set by' },
  units: ['kcal', 'g', 'cup'],
  read: ({ entry, span: read }) => ({
    kind: 'prescribed',
    ...read('amount'),
    unit: entry.unit,
    by: entry.by.trim() || 'the vet',
  }),
  write: (own) => ({ amount: typedSpan(own.low, own.high), unit: own.unit, by: own.by }),
  say: (own) =>
    own.low === own.high
      ? `${number(own.low)} ${own.unit}, ${own.by}`
      : `${number(own.low)}–${number(own.high)} ${own.unit}, ${own.by}`,
  setBy: (own) => own.by,
  needsFood: ({ unit }) => unit !== 'kcal',
  day({ low, high, unit, by }, _, food) {
    if (unit === 'cup') return fromCups({ low, high, steps: [] }, food);
    if (unit === 'g') return fine(fromGrams({ low, high, steps: [] }, food));
    return fine({
      low: kilocalories(low),
      mark: kilocalories((low + high) / 2),
      high: kilocalories(high),
      steps: [{ what: `set by ${by}`, sum: `${span(low, high)} kcal` }],
    });
  },
};
