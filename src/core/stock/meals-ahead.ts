import { addDays, type LocalDate } from '../calendar/local-date';
import { mealsOn, mealsStand, type DayMeal } from '../dog/meals';
import type { Dog } from '../dog/dog';

/**
 * A dog's meals of each coming day, by its number from today, reckoned once however often the days are played: those that the pot
 * brings something to; of today those that are still to come by the clock: one that it had, or that was forgotten, is not eaten any more.
 * Source: its ration; arithmetic.
 */
export function mealsAhead(
  dog: Dog,
  today: LocalDate,
  clock: string,
  done: ReadonlySet<number | null>,
): (index: number) => readonly DayMeal[] {
  const known: (readonly DayMeal[])[] = [];
  const toCome = (index: number) => {
    const meals = mealsOn(dog, addDays(today, index)).filter(({ kcal }) => kcal > 0);
    if (index > 0) return meals;
    return mealsStand(meals, done, clock).toCome;
  };
  return (index) => (known[index] ??= toCome(index));
}
