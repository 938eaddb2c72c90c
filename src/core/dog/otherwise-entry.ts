import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
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
  const number = (text: string, field: string, message: string, most: number) => {
    const bare = text.trim().replace(/ ?(%|kcal|g|cups?|pieces?)$/i, '');
    const read = readSpan(bare);
    if (read.ok && read.value.low === read.value.high && read.value.low <= most) return read.value.low;
    problems.push({ field, message });
    return 1;
  };
  const extras = entry.extras.map((row, index): Extra => {
    const at = (field: string) => `extras.${index}.${field}`;
    const name = row.name.trim();
    if (name === '') problems.push({ field: at('name'), message: 'What is it called?' });
    if (row.measure === '% of the day') {
      const part = number(row.amount, at('amount'), 'A part of the day from 1 to 100 %.', 100) / 100;
      return {
        name,
        kind: row.kind,
        size: { by: 'part', part },
        weekdays: [...row.weekdays],
        said: `${writeNumber(part * 100)} % of the day`,
      };
    }
    const amount = number(row.amount, at('amount'), 'How much a day? A number above 0.', 10_000);
    if (row.measure === 'kcal') {
      return {
        name,
        kind: row.kind,
        size: { by: 'kcal', kcal: amount },
        weekdays: [...row.weekdays],
        said: `${writeNumber(amount)} kcal`,
      };
    }
    const label = number(row.label, at('label'), 'What does its label say, in kcal?', 5000);
    const kcal = row.measure === '100 g' ? (amount * label) / 100 : amount * label;
    const unit =
      row.measure === '100 g'
        ? 'g'
        : row.measure === 'cup'
          ? amount === 1
            ? 'cup'
            : 'cups'
          : amount === 1
            ? 'piece'
            : 'pieces';
    return {
      name,
      kind: row.kind,
      size: { by: 'kcal', kcal },
      weekdays: [...row.weekdays],
      said: `${writeNumber(amount, 2)} ${unit} at ${writeNumber(label)} kcal per ${row.measure}`,
    };
  });
  const transition = readTransition(entry, today, number);
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

function readTransition(
  entry: OtherwiseEntry,
  starts: LocalDate,
  number: (text: string, field: string, message: string, most: number) => number,
): Transition | undefined {
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
  const worst = Math.max(...extrasOfWeek(extras, dayKcal).map((each) => each.unbalanced));
  if (worst <= dayKcal * MOST_UNBALANCED) return undefined;
  return `Treats and toppers come to ${writeNumber((worst / dayKcal) * 100, 0)} % of the day; over 10 % they unbalance it.`;
}
