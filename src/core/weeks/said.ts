import equal from 'fast-deep-equal';
import type { LocalDate } from '../calendar/local-date';
import type { WeeksAsk } from './ask';

export type SaidPots = readonly { readonly recipeId: number; readonly potfuls: number }[];

/** Whole potfuls of a day, as the cook can say them: what is in a pot may be a part of one. */
export const wholePots = (pots: SaidPots): SaidPots =>
  pots.map(({ recipeId, potfuls }) => ({ recipeId, potfuls: Math.max(1, Math.round(potfuls)) }));

/** What is asked with what the cook said of a day: these pots; null: none; undefined: nothing any more. */
export const withSaid = (ask: WeeksAsk, day: LocalDate | string, pots: SaidPots | null | undefined): WeeksAsk => ({
  ...ask,
  said: [
    ...ask.said.filter((each) => each.day !== day),
    ...(pots === undefined ? [] : [{ day, pots: pots && pots.map((pot) => ({ ...pot })) }]),
  ],
});

/** A cook day with its pots on another day: none on the one, these on the other. */
export const withMoved = (ask: WeeksAsk, from: string, to: string, pots: SaidPots): WeeksAsk =>
  from === to ? ask : withSaid(withSaid(ask, from, null), to, wholePots(pots));

/** Whether a cook day may be moved to a day: the cook can cook on it, and nothing is cooked on it yet. */
export const isFree = ({
  cookable,
  pots,
}: {
  readonly cookable: boolean;
  readonly pots: readonly unknown[];
}): boolean => cookable && pots.length === 0;

/** Of what was typed over something stored, what is not stored so by now. */
export const unstored = <T extends object>(typed: Partial<T>, stored: T): Partial<T> =>
  Object.fromEntries(Object.entries(typed).filter(([key, own]) => !equal(own, stored[key as keyof T]))) as Partial<T>;
