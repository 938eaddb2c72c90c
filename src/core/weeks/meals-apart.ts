import { addUp } from '../add-up';
import type { MealAhead } from '../stock/cover';
import { nth } from '../sure';
import type { Candidate, WeeksDog } from './weeks';

/** Meals of a dog that are always of one recipe: kcal of them on each coming day. */
export interface MealsApart {
  readonly recipeId: number;
  readonly kcal: readonly number[];
}

/** Less than this of a day is left over by arithmetic alone, kcal. */
const CRUMB = 1e-6;
/** More recipes than this no household has. */
const IDS = 1_000_000;

/** The number of meals that eat for themselves: no dog has it, and it is the same on every day. */
export const apartId = (dogId: number, recipeId: number): number => -(dogId * IDS + recipeId);

/** The dog that an eater of the weeks is, or whose meals it is. */
export const dogOfEater = (id: number): number => (id < 0 ? Math.floor(-id / IDS) : id);

/** The dogs of some eaters, each once. */
export const dogsAmong = (eaters: readonly Pick<WeeksDog, 'dogId'>[]): number[] => [
  ...new Set(eaters.map(({ dogId }) => dogOfEater(dogId))),
];

/** The meals of so many days that are always of one recipe, by recipe. Takes the meals of each day. Source: arithmetic. */
export function alwaysOf(mealsOn: (day: number) => readonly MealAhead[], days: number): MealsApart[] {
  const all = Array.from({ length: days }, (_, day) => mealsOn(day));
  const recipeIds = new Set(all.flatMap((meals) => meals.flatMap(({ recipeId }) => recipeId ?? [])));
  return [...recipeIds].map((recipeId) => ({
    recipeId,
    kcal: all.map((meals) => addUp(meals, (meal) => (meal.recipeId === recipeId ? meal.kcal : 0))),
  }));
}

/**
 * A dog as the weeks feed it: what of its meals is always of one recipe eats for itself, that recipe alone once it could be cooked, and
 * whatever is in store until then. A meal stays with the others where the dog is not to have its recipe in these weeks, and on days on
 * which nobody gets that protein. Takes the dog with all its needs, such meals, whether they may be held to on a day, and what they are
 * called. Source: arithmetic.
 */
export function apartFrom(
  dog: WeeksDog,
  always: readonly MealsApart[],
  isHeld: (recipeId: number, day: number) => boolean,
  mealOf: (recipeId: number) => string,
): WeeksDog[] {
  const apart = always
    .map(({ recipeId, kcal }) => ({
      dogId: apartId(dog.dogId, recipeId),
      name: `${dog.name}’s ${mealOf(recipeId)}`,
      needs: dog.needs.map((need, day) => (isHeld(recipeId, day) ? Math.min(need, kcal[day] ?? 0) : 0)),
      eats: [recipeId],
      apart: { meal: mealOf(recipeId), orElse: dog.eats },
    }))
    .filter(({ needs }) => needs.some((kcal) => kcal > 0));
  if (apart.length === 0) return [dog];
  const rest = dog.needs.map((need, day) => {
    const left = need - addUp(apart, ({ needs }) => nth(needs, day));
    return left > CRUMB ? left : 0;
  });
  return [...(rest.some((kcal) => kcal > 0) ? [{ ...dog, needs: rest }] : []), ...apart];
}

/**
 * The first day on which such meals are of their recipe, or of what is in store of its protein, and of nothing else: by then it could be
 * cooked twice. Of a whole dog there is none. Takes the eater and the days that come into question.
 */
export function heldFrom({ apart, eats: [recipeId] }: WeeksDog, candidates: readonly Candidate[]): number {
  const chances = candidates.filter(({ said }) => !said || said.pots?.some((pot) => pot.recipeId === recipeId));
  return (apart && chances[1]?.from) ?? Infinity;
}
