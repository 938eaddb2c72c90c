import { z } from 'zod';
import { fine, refused } from '../../problem';
import { countOf } from '../../quantity/count-words';
import { readSpan } from '../../quantity/typed';
import { writePlain } from '../../quantity/write';
import { readBands } from '../bands-entry';
import { bandFor, weightBandSchema, type WeightBand } from '../weight-band';
import {
  amount,
  fromCups,
  fromGrams,
  number,
  ruleOfThumb,
  span,
  typedSpan,
  type PortionSchool,
  type SchoolReader,
} from './school';

const schema = z.object({
  kind: z.literal('weight table'),
  unit: z.enum(['g', 'cup']),
  bands: z.array(weightBandSchema).min(1).max(30),
  /** How much food one part of what the table prints becomes when it is mixed. */
  makes: amount,
});

function readRows({ entry, set, refuse }: SchoolReader): WeightBand[] {
  const rows = readBands(entry.bands, set);
  if (!rows.ok) {
    refuse(rows.problem);
    return [];
  }
  return rows.value.map((row, index) => {
    const read = readSpan(row.amount);
    if (!read.ok) refuse({ message: read.problem.message, field: `bands.${index}.amount` });
    const { low, high } = read.ok ? read.value : { low: 1, high: 1 };
    return { upTo: row.upTo, low, high };
  });
}

/** What a bag or label prints, row by row of body weight. */
export const weightTable: PortionSchool<z.infer<typeof schema>> = {
  ...ruleOfThumb,
  schema,
  offer: 'a printed table of weights',
  beside: 'what a bag or label prints',
  usual: undefined,
  begins: { unit: 'g', makes: '1' },
  fields: { unit: 'The table counts in', makes: 'One part becomes, when mixed', bands: 'a day' },
  units: ['g', 'cup'],
  read: (reader) => ({
    kind: 'weight table',
    unit: reader.entry.unit === 'cup' ? 'cup' : 'g',
    bands: readRows(reader),
    makes: reader.one('makes'),
  }),
  write: (own) => ({
    unit: own.unit,
    makes: String(own.makes),
    bands: own.bands.map((band, index) => ({
      weight:
        band.upTo === undefined
          ? `over ${(own.bands[index - 1]?.upTo ?? 0) / 1000} kg`
          : `up to ${writePlain(band.upTo / 1000, 2)} kg`,
      amount: typedSpan(band.low, band.high),
    })),
  }),
  say: (own) => `a printed table, ${countOf(own.bands.length, 'row')}`,
  day(own, weight, food) {
    const band = bandFor(own.bands, weight);
    if (!band) return refused(`The table has no row for ${number(weight / 1000)} kg.`, 'bands');
    const [low, high] = [band.low * own.makes, band.high * own.makes];
    const row = `${span(band.low, band.high)} ${own.unit}`;
    const mixed = { what: 'its row, mixed', sum: `${row} × ${number(own.makes, 2)} = ${span(low, high)} ${own.unit}` };
    const steps = own.makes === 1 ? [{ what: 'its row', sum: row }] : [mixed];
    return own.unit === 'cup' ? fromCups({ low, high, steps }, food) : fine(fromGrams({ low, high, steps }, food));
  },
};
