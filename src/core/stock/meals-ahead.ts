import { addDays, type LocalDate } from '../calendar/local-date';
import { mealsOn, type DayMeal } from '../dog/meals';
import type { Dog } from '../dog/dog';

/**
 * A dog's meals of each coming day, by its number from today, reckoned once however often the days are played: those that the pot
 * brings something to, without those of today that it has had. Source: its ration; arithmetic.
 */
export function mealsAhead(
  dog: Dog,
  today: LocalDate,
  done: ReadonlySet<number | null>,
): (index: number) => readonly DayMeal[] {
  const known: DayMeal[][] = [];
  return (index) =>
    (known[index] ??= mealsOn(dog, addDays(today, index)).filter(
      (meal) => meal.kcal > 0 && (index > 0 || !done.has(meal.id)),
    ));
}
