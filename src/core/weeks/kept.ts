import { addUp } from '../add-up';
import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import { nth } from '../sure';
import type { WeeksKept } from './ask';
import { dogOfEater } from './meals-apart';
import { recipeKey, stockKeyLater, type WeeksAnswer, type WeeksProblem } from './weeks';

/** An answer by dates, to be kept. */
export const keptOf = ({ cooks, eats, dryEaten, gap }: WeeksAnswer, today: LocalDate, days: number): WeeksKept => ({
  from: today,
  days,
  cooks: cooks.map(({ day, pots, cycles }) => ({
    day: addDays(today, day),
    pots: pots.map(({ dried, ...pot }) => ({ ...pot, ...(dried ? { dried: [...dried] } : {}) })),
    ...(cycles ? { cycles: [...cycles] } : {}),
  })),
  ...(dryEaten
    ? { dryEaten: Object.fromEntries(Object.entries(dryEaten).map(([key, kcal]) => [key, [...kcal]])) }
    : {}),
  eats: Object.fromEntries(Object.entries(eats).map(([dogId, keys]) => [dogId, keys.map((key) => key ?? null)])),
  gap,
});

/** What is left of a kept answer on a later day: its first days are over, and for as many at the end nothing was said yet. */
export function answerOn(kept: WeeksKept, today: LocalDate, days: number): WeeksAnswer {
  const over = daysBetween(kept.from as LocalDate, today);
  const onward = <T>(own: readonly T[], none: T) => Array.from({ length: days }, (_, day) => own[day + over] ?? none);
  return {
    cooks: kept.cooks
      .map((cook) => ({ ...cook, day: daysBetween(today, cook.day as LocalDate) }))
      .filter(({ day }) => day >= 0 && day < days),
    ...(kept.dryEaten
      ? {
          dryEaten: Object.fromEntries(Object.entries(kept.dryEaten).map(([key, kcal]) => [key, onward(kcal, 0)])),
        }
      : {}),
    eats: Object.fromEntries(
      Object.entries(kept.eats).map(([dogId, keys]) => [
        dogId,
        onward<string | null>(keys, null).map((key) =>
          key === null ? undefined : stockKeyLater(key, kept.days, over),
        ),
      ]),
    ),
    gap: kept.gap,
  };
}

/** What an eater was to get; where its dog's ration was divided otherwise then, what that dog was to get. */
function eatsOf({ eats }: WeeksAnswer, eater: number): readonly (string | undefined)[] {
  const dog = dogOfEater(eater);
  const same = Object.keys(eats).find((id) => dogOfEater(Number(id)) === dog);
  return eats[eater] ?? eats[dog] ?? (same === undefined ? [] : (eats[Number(same)] ?? []));
}

/**
 * The days that are fed from the store, by what lies in it now: the packs that were meant, else of the same protein what expires first,
 * before what others may eat as well; else of any. So is a day of a pot that was cooked meanwhile: it lies in the store by now. A day for
 * which there is not enough is left open. Takes the problem as it is now and an answer, later than it was found.
 */
export function fromStore(problem: WeeksProblem, answer: WeeksAnswer): WeeksAnswer {
  const left = new Map(problem.stock.map(({ key, kcal }) => [key, kcal]));
  const inOrder = [...problem.stock].sort((a, b) => a.last - b.last || a.dogIds.length - b.dogIds.length);
  const proteins = new Map(problem.recipes.map(({ recipeId, protein }) => [recipeKey(recipeId), protein]));
  const used = new Map<string, number>();
  const cooked = (key: string, before: number) =>
    addUp(answer.cooks, ({ day, pots }) =>
      day < before
        ? addUp(pots, ({ recipeId, potfuls }) =>
            recipeKey(recipeId) === key
              ? potfuls * (problem.recipes.find((each) => each.recipeId === recipeId)?.kcal ?? 0)
              : 0,
          )
        : 0,
    );
  const eats = new Map(problem.dogs.map(({ dogId }) => [dogId, [...eatsOf(answer, dogId)]]));
  for (let day = 0; day < problem.days; day++)
    for (const { dogId, needs } of problem.dogs) {
      const own = eats.get(dogId);
      const need = needs[day] ?? 0;
      const key = own?.[day];
      if (!own || key === undefined || need <= 0) continue;
      const protein = proteins.get(key);
      if (protein !== undefined && cooked(key, day) - (used.get(key) ?? 0) >= need - 1) {
        used.set(key, (used.get(key) ?? 0) + need);
        continue;
      }
      const may = inOrder.filter(
        (group) => group.dogIds.includes(dogId) && group.last >= day && (left.get(group.key) ?? 0) >= need - 1,
      );
      const isIt = (group: (typeof may)[number]) => group.protein === protein || key.startsWith(`s ${group.protein} `);
      const taken = may.find((group) => group.key === key) ?? may.find(isIt) ?? may[0];
      own[day] = taken?.key;
      if (taken) left.set(taken.key, (left.get(taken.key) ?? 0) - need);
    }
  return { ...answer, eats: Object.fromEntries(eats) };
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
