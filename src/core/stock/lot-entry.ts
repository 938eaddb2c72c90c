import { z } from 'zod';
import { readLocalDate, writeDayOnLabel, type LocalDate } from '../calendar/local-date';
import { lotSchema } from '../batch/steps/weigh-out';
import { LABEL_DATES, type LabelDate } from '../preserve/shelf-life';
import type { Problem } from '../problem';
import { readQuantity } from '../quantity/read';
import { readScale } from '../quantity/typed';
import type { UnitSet } from '../quantity/units';
import { idSchema, weightSchema } from '../schema';
import { typedMass, writeFixed } from '../quantity/write';
import { LOT_KINDS, type LotKind } from './lot';

/** How food came into the house. */
export const CAME = ['received', 'found'] as const;

/** What stands on a wrapper and on a bill, as it is typed. */
export const lotEntrySchema = z.object({
  /** "1.2 kg" of it in all. */
  amount: z.string().max(40),
  /** What all of it cost: "18.90"; empty: not said. */
  price: z.string().max(20),
  /** "2026-12-04"; empty: none. */
  date: z.string().max(20),
  is: z.enum(LABEL_DATES),
  code: lotSchema,
  kind: z.enum(LOT_KINDS),
  placeId: idSchema,
});
export type LotEntry = Readonly<z.infer<typeof lotEntrySchema>>;

export interface LotRead {
  readonly grams: number;
  /** Minor units for all of it. */
  readonly priceMinor: number | undefined;
  readonly label: LabelDate | undefined;
  readonly code: string | undefined;
}

/** Dearer than this for one purchase is a slip (ours, no source). */
const MOST_PRICE = 100_000;
/** A label's date further off than this is a slip: thirty years. */
const [FIRST_YEAR, LAST_YEAR] = [1996, 2056];

/** A price as it is typed, in minor units: "18.90", "18,90", "1 204"; "12,345" is asked about; undefined: not said; a problem where it cannot be read. */
export function readPrice(text: string, field: string): { readonly minor?: number; readonly problem?: Problem } {
  if (text.trim() === '') return {};
  const typed = text.trim().replace(/(?<=\d) (?=\d{3}\b)/g, '');
  // "12,345" is twelve thousand to one cook and twelve and a third to another.
  const [, whole, rest] = /^(\d{1,3})[.,](\d{3})$/.exec(typed) ?? [];
  if (whole !== undefined && rest !== undefined && whole !== '0')
    return {
      problem: {
        field,
        message: `Is that ${whole}.${rest.slice(0, 2)} or ${whole} ${rest}? Write it with two places, or without a comma.`,
      },
    };
  const read = readQuantity(typed, 'us');
  const isOne = read.ok && read.value.kind === 'count' && read.value.word === '' && read.value.low === read.value.high;
  const price = /^0+([.,]0+)?$/.test(typed) ? 0 : isOne && read.value.kind === 'count' ? read.value.count : NaN;
  return price >= 0 && price <= MOST_PRICE
    ? { minor: Math.round(price * 100) }
    : { problem: { field, message: 'What all of it cost, such as 18.90.' } };
}

/** Reads what came into the house; every problem at its field. Takes the units of the household. */
export function readLot(
  entry: LotEntry,
  set: UnitSet,
): { readonly ok: true; readonly value: LotRead } | { readonly ok: false; readonly problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const amount = readScale(entry.amount, 'asked', set);
  if (!amount.ok) problems.push({ ...amount.problem, field: 'amount' });
  else if (!(amount.value > 0)) problems.push({ field: 'amount', message: 'How much of it came? A weight above 0.' });
  const price = readPrice(entry.price, 'price');
  if (price.problem) problems.push(price.problem);
  let until: LocalDate | undefined;
  if (entry.date.trim() !== '') {
    until = readLocalDate(entry.date.trim());
    const year = Number(entry.date.slice(0, 4));
    if (!until || year < FIRST_YEAR || year > LAST_YEAR)
      problems.push({ field: 'date', message: 'The date on its label, such as 2026-12-04.' });
  }
  if (problems.length > 0 || !amount.ok) return { ok: false, problems };
  return {
    ok: true,
    value: {
      grams: amount.value,
      priceMinor: price.minor,
      label: until === undefined ? undefined : { until, is: entry.is },
      code: entry.code.trim() === '' ? undefined : entry.code.trim(),
    },
  };
}

/** "use by Fri 4 Dec 2026", as its maker says it. */
export const sayLabel = ({ until, is }: LabelDate): string =>
  `${is === 'safe' ? 'use by' : 'best by'} ${writeDayOnLabel(until)}`;

/** A lot as it can be typed again. */
export const typedLot = (
  lot: LotRead & { readonly kind: LotKind; readonly placeId: number },
  set: UnitSet,
): LotEntry => ({
  amount: typedMass(lot.grams, set),
  price: lot.priceMinor === undefined ? '' : writeFixed(lot.priceMinor / 100, 2),
  date: lot.label?.until ?? '',
  is: lot.label?.is ?? 'best',
  code: lot.code ?? '',
  kind: lot.kind,
  placeId: lot.placeId,
});

export const receiveSchema = z.object({
  came: z.enum(CAME),
  key: z.string().min(1).max(10),
  name: z.string().trim().min(1).max(80),
  entry: lotEntrySchema,
});
export type ReceiveEntry = z.infer<typeof receiveSchema>;

export const describeLotSchema = z.object({ holdingId: idSchema, entry: lotEntrySchema });

/** So much of a lot was made into something ahead: meat cooked, a base stirred. */
export const prepareSchema = z.object({
  holdingId: idSchema,
  grams: weightSchema,
  key: z.string().min(1).max(10),
  name: z.string().trim().min(1).max(80),
  made: weightSchema,
  placeId: idSchema,
});
export type PrepareEntry = z.infer<typeof prepareSchema>;
