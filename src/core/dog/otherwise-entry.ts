import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome, type Problem } from '../problem';
import { readSpan } from '../quantity/typed';
import { writeNumber } from '../quantity/write';
import type { Transition } from './dog';
import { typed } from './entry-fields';
import { extrasOfWeek, MOST_UNBALANCED, type Extra } from './extras';
import { TRANSITION_DAYS } from './transition';

/** How an extra's energy is said: by a label, by kcal, or as a part of the day. */
export const EXTRA_MEASURES = ['100 g', 'cup', 'piece', 'kcal', '% of the day'] as const;
export type ExtraMeasure = (typeof EXTRA_MEASURES)[number];

/** What a dog gets beside the pot, as typed. */
export const otherwiseEntrySchema = z.object({
  extras: z
    .array(
      z.object({
        name: typed.word,
        kind: z.enum(['bought', 'treat', 'topper']),
        /** g, cups, pieces, kcal or % of the day: what `measure` counts in. */
        amount: typed.number,
        measure: z.enum(EXTRA_MEASURES),
        /** kcal per measure from the label; not asked for kcal and %. */
        label: typed.number,
        weekdays: z.array(z.number().int().min(1).max(7)).max(7),
      }),
    )
    .max(20),
  oldFood: typed.word,
  oldLabel: typed.number,
  oldDays: typed.number,
});
export type OtherwiseEntry = Readonly<z.infer<typeof otherwiseEntrySchema>>;

export interface ReadOtherwise {
  readonly extras: readonly Extra[];
  readonly transition: Transition | undefined;
}

/** A bare number, with or without its unit, of at most so much. */
function readAtMost(text: string, message: string, most: number): Outcome<number> {
  const read = readSpan(text.trim().replace(/ ?(%|kcal|g|cups?|pieces?)$/i, ''));
  return read.ok && read.value.low === read.value.high && read.value.low <= most
    ? fine(read.value.low)
    : refused(message);
}

const UNITS = { '100 g': ['g', 'g'], cup: ['cup', 'cups'], piece: ['piece', 'pieces'] } as const;

/**
 * The kcal of an amount of something by its label, and the amount in words. Takes texts as typed and what the amount counts in.
 * Problems stand at `amount` and `label`; the kcal are then of no use. Source: arithmetic.
 */
export function readExtraAmount(row: {
  readonly amount: string;
  readonly measure: Exclude<ExtraMeasure, '% of the day'>;
  readonly label: string;
}): { readonly kcal: number; readonly said: string; readonly problems: readonly Problem[] } {
  const amount = readAtMost(row.amount, 'How much? A number above 0.', 10_000);
  const much = amount.ok ? amount.value : 1;
  const asked = amount.ok ? [] : [{ field: 'amount', message: amount.problem.message }];
  if (row.measure === 'kcal') return { kcal: much, said: `${writeNumber(much)} kcal`, problems: asked };
  const label = readAtMost(row.label, 'What does its label say, in kcal?', 5000);
  const each = label.ok ? label.value : 1;
  const [one, many] = UNITS[row.measure];
  return {
    kcal: row.measure === '100 g' ? (much * each) / 100 : much * each,
    said: `${writeNumber(much, 2)} ${much === 1 ? one : many} at ${writeNumber(each)} kcal per ${row.measure}`,
    problems: label.ok ? asked : [...asked, { field: 'label', message: label.problem.message }],
  };
}

/**
 * Reads what a dog gets beside the pot on a day of `dayKcal`. Problems stand at `extras.N.field`, `oldLabel` and
 * `oldDays`. Refuses extras that leave nothing for the pot.
 */
export function readOtherwise(
  entry: OtherwiseEntry,
  today: LocalDate,
  dayKcal: number,
): { ok: true; value: ReadOtherwise } | { ok: false; problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const extras = entry.extras.map((row, index): Extra => {
    const at = (field: string) => `extras.${index}.${field}`;
    const name = row.name.trim();
    if (name === '') problems.push({ field: at('name'), message: 'What is it called?' });
    const fixed = { name, kind: row.kind, weekdays: [...row.weekdays] };
    const { measure } = row;
    if (measure === '% of the day') {
      const read = readAtMost(row.amount, 'A part of the day from 1 to 100 %.', 100);
      if (!read.ok) problems.push({ field: at('amount'), message: read.problem.message });
      const part = (read.ok ? read.value : 1) / 100;
      return { ...fixed, size: { by: 'part', part }, said: `${writeNumber(part * 100)} % of the day` };
    }
    const read = readExtraAmount({ ...row, measure });
    problems.push(...read.problems.map(({ field = 'amount', message }) => ({ field: at(field), message })));
    return { ...fixed, size: { by: 'kcal', kcal: read.kcal }, said: read.said };
  });
  const transition = readTransition(entry, today, problems);
  if (problems.length === 0) {
    const most = Math.max(...extrasOfWeek(extras, dayKcal).map((each) => each.kcal));
    if (most >= dayKcal) {
      problems.push({
        field: 'extras.0.amount',
        message: `Together that is ${writeNumber(most, 0)} kcal of ${writeNumber(dayKcal, 0)}: nothing is left to cook for.`,
      });
    }
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { extras, transition } };
}

function readTransition(entry: OtherwiseEntry, starts: LocalDate, problems: Problem[]): Transition | undefined {
  const number = (text: string, field: string, message: string, most: number) => {
    const read = readAtMost(text, message, most);
    if (!read.ok) problems.push({ field, message });
    return read.ok ? read.value : 1;
  };
  const from = entry.oldFood.trim();
  if (from === '') return undefined;
  const days = number(
    entry.oldDays,
    'oldDays',
    `A change of food takes ${TRANSITION_DAYS.shortest} to ${TRANSITION_DAYS.longest} days.`,
    TRANSITION_DAYS.longest,
  );
  const clamped = Math.max(TRANSITION_DAYS.shortest, Math.round(days));
  const density =
    entry.oldLabel.trim() === ''
      ? undefined
      : number(entry.oldLabel, 'oldLabel', 'kcal in 100 g, from its label.', 900) / 100;
  return { from, days: clamped, density, starts };
}

/** Said where treats and toppers together pass a tenth of the day. Source: AAHA/WSAVA, from memory. */
export function unbalancedCaution(extras: readonly Extra[], dayKcal: number): string | undefined {
  return sayUnbalanced(Math.max(...extrasOfWeek(extras, dayKcal).map((each) => each.unbalanced)), dayKcal);
}

/** The same of the kcal of one day's treats and toppers. */
export function sayUnbalanced(kcal: number, dayKcal: number): string | undefined {
  if (kcal <= dayKcal * MOST_UNBALANCED) return undefined;
  return `Treats and toppers come to ${writeNumber((kcal / dayKcal) * 100, 0)} % of the day; over 10 % they unbalance it.`;
}
