import { getISODay, parseISO } from 'date-fns';
import { z } from 'zod';
import type { LocalDate } from '../calendar/local-date';
import { addUp } from '../add-up';

/** Something that a dog gets beside the home-cooked food, on every day or on some weekdays. */
export const extraSchema = z.object({
  name: z.string().trim().min(1, 'What is it called?').max(80),
  /** Bought complete food is balanced; treats and toppers are not. */
  kind: z.enum(['bought', 'treat', 'topper']),
  /** Its kcal a day, or the part of the day's energy that it makes up. */
  size: z.discriminatedUnion('by', [
    z.object({ by: z.literal('kcal'), kcal: z.number().positive().max(10_000) }),
    z.object({ by: z.literal('part'), part: z.number().positive().max(1) }),
  ]),
  /** 1 Monday to 7 Sunday; empty: every day. */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
  /** The amount as typed, with the label it was reckoned from. */
  said: z.string().max(200),
});
export type Extra = Readonly<z.infer<typeof extraSchema>>;

/** Treats and toppers that are not balanced stay at or below this part of the day. Source: AAHA/WSAVA, from memory. */
export const MOST_UNBALANCED = 0.1;

export interface ExtrasOfDay {
  /** kcal of all extras of the day. */
  readonly kcal: number;
  /** kcal of those that are not a balanced food. */
  readonly unbalanced: number;
  readonly each: readonly { readonly name: string; readonly kcal: number; readonly said: string }[];
}

/** What a dog gets beside its home-cooked food on a day that asks for `dayKcal` in all. */
export const extrasOn = (extras: readonly Extra[], day: LocalDate, dayKcal: number): ExtrasOfDay =>
  extrasOfWeekday(extras, getISODay(parseISO(day)), dayKcal);

/** The extras of each day of a week, Monday first. */
export const extrasOfWeek = (extras: readonly Extra[], dayKcal: number): ExtrasOfDay[] =>
  [1, 2, 3, 4, 5, 6, 7].map((weekday) => extrasOfWeekday(extras, weekday, dayKcal));

function extrasOfWeekday(extras: readonly Extra[], weekday: number, dayKcal: number): ExtrasOfDay {
  const each = extras
    .filter((extra) => extra.weekdays.length === 0 || extra.weekdays.includes(weekday))
    .map((extra) => ({
      ...extra,
      kcal: extra.size.by === 'kcal' ? extra.size.kcal : extra.size.part * dayKcal,
    }));
  const sum = (list: readonly { readonly kcal: number }[]) => addUp(list, (extra) => extra.kcal);
  return { kcal: sum(each), unbalanced: sum(each.filter((extra) => extra.kind !== 'bought')), each };
}
