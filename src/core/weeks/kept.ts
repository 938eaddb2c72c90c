import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { nth } from '../sure';
import type { WeeksKept } from './ask';
import type { WeeksAnswer } from './weeks';

/** An answer by dates, to be kept. */
export const keptOf = ({ cooks, eats, gap }: WeeksAnswer, today: LocalDate, days: number): WeeksKept => ({
  from: today,
  days,
  cooks: cooks.map(({ day, pots }) => ({ day: addDays(today, day), pots: [...pots] })),
  eats: Object.fromEntries(Object.entries(eats).map(([dogId, keys]) => [dogId, keys.map((key) => key ?? null)])),
  gap,
});

/** What is left of a kept answer on a later day: its first days are over, and for as many at the end nothing was said yet. */
export function answerOn(kept: WeeksKept, today: LocalDate, days: number): WeeksAnswer {
  const over = daysBetween(kept.from as LocalDate, today);
  return {
    cooks: kept.cooks
      .map(({ day, pots }) => ({ day: daysBetween(today, day as LocalDate), pots }))
      .filter(({ day }) => day >= 0 && day < days),
    eats: Object.fromEntries(
      Object.entries(kept.eats).map(([dogId, keys]) => [
        dogId,
        Array.from({ length: days }, (_, day) => keys[day + over] ?? undefined),
      ]),
    ),
    gap: kept.gap,
  };
}

/** One thing that is cooked otherwise than it was planned before. */
export interface Changed {
  readonly day: LocalDate;
  readonly recipeId: number;
  /** Potfuls before and now; 0: none. */
  readonly before: number;
  readonly now: number;
}

/** What a new answer cooks otherwise than an earlier one, from a day on, in order. Source: arithmetic. */
export function whatChanged(before: WeeksKept, now: WeeksKept, from: LocalDate): Changed[] {
  const until = nth(
    [addDays(before.from as LocalDate, before.days), addDays(now.from as LocalDate, now.days)].sort(),
    0,
  );
  const potfuls = ({ cooks }: WeeksKept) =>
    new Map(
      cooks
        .filter(({ day }) => day >= from && day < until)
        .flatMap(({ day, pots }) => pots.map((pot) => [`${day} ${pot.recipeId}`, pot.potfuls] as const)),
    );
  const [was, is] = [potfuls(before), potfuls(now)];
  return [...new Set([...was.keys(), ...is.keys()])].sort().flatMap((key): Changed[] => {
    const [day = '', recipe = ''] = key.split(' ');
    const [had, has] = [was.get(key) ?? 0, is.get(key) ?? 0];
    return Math.abs(had - has) < 0.01
      ? []
      : [{ day: day as LocalDate, recipeId: Number(recipe), before: had, now: has }];
  });
}
