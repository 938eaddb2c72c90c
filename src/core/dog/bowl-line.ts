import { z } from 'zod';
import { idSchema } from '../schema';
import type { Grams } from '../quantity/units';
import { writeDose } from '../quantity/write';
import { bandFor } from './weight-band';

const amount = z.number().positive().max(10_000);

/** An addition in one dog's bowl: never part of a batch or its density. */
export const bowlLineSchema = z.object({
  id: idSchema,
  what: z.string().trim().min(1).max(80),
  unit: z.string().trim().min(1).max(20),
  rule: z.discriminatedUnion('by', [
    z.object({ by: z.literal('flat'), amount }),
    z.object({ by: z.literal('body weight'), amount, perKg: z.number().positive().max(200) }),
    /** A label's bands: so much up to this body weight in g; the last may hold for every heavier dog. */
    z.object({
      by: z.literal('bands'),
      bands: z
        .array(z.object({ upTo: z.number().positive().optional(), amount: z.number().nonnegative().max(10_000) }))
        .min(1)
        .max(30),
    }),
  ]),
  slotId: idSchema,
  /** kcal in one unit, where its label says. */
  kcalPerUnit: z.number().nonnegative().max(2000).optional(),
});
export type BowlLine = Readonly<z.infer<typeof bowlLineSchema>>;

/** What a bowl line comes to for a dog of this weight. */
export interface BowlAddition {
  readonly lineId: number;
  readonly what: string;
  /** In the line's unit; undefined where the label has no row for this weight. */
  readonly amount: number | undefined;
  readonly unit: string;
  readonly kcal: number;
}

/** An addition that was ticked when a bowl was fed, as it was said. */
export interface Ticked {
  readonly lineId: number;
  readonly said: string;
  readonly kcal: number;
}

/** "1 pump fish oil", or that its label says nothing for this weight. */
export const sayAddition = ({ amount, unit, what }: BowlAddition): string =>
  amount === undefined ? `${what}: its label has no row for this weight` : `${writeDose(amount)} ${unit} ${what}`;

/** The addition of a bowl line for a body weight in g. Source: the label, or whoever set it. */
export function additionOf(line: BowlLine, weight: Grams): BowlAddition {
  const { rule } = line;
  const dose =
    rule.by === 'flat'
      ? rule.amount
      : rule.by === 'body weight'
        ? (rule.amount * weight) / 1000 / rule.perKg
        : bandFor(rule.bands, weight)?.amount;
  return {
    lineId: line.id,
    what: line.what,
    unit: line.unit,
    amount: dose,
    kcal: (dose ?? 0) * (line.kcalPerUnit ?? 0),
  };
}
