import 'server-only';
import { addDays, clockIn, writeDay, type LocalDate } from '@/core/calendar/local-date';
import type { DaysOff } from '@/core/dog/days-off';
import { mealsOn, type DayMeal } from '@/core/dog/meals';
import type { Page } from '@/data/page';
import type { StoredBowl } from '@/data/repositories/bowls';
import type { StoredDog } from '@/data/repositories/dogs';
import { sayBowl } from '../say-bowl';
import type { EarlierMeal, TodayView } from '../view';

/** The meals of so many days back can be marked, taken back and put right. */
export const DAYS_BACK = 3;

/** One meal alone that was left out, of one day. */
const isLeftOut = ({ kind, from, to, slotId }: DaysOff) => kind === 'fast' && slotId !== undefined && from === to;

export const earlierMeal = (dog: StoredDog, meal: DayMeal, day: LocalDate, bowl: EarlierMeal['bowl']): EarlierMeal => ({
  dogId: dog.id,
  dogName: dog.name,
  slotId: meal.id,
  slotName: meal.name,
  clock: meal.clock,
  day,
  kcal: meal.kcal,
  bowl,
});

/** The meals of today that were fed or left out, and those of the days before, each with its bowl where one was marked. */
export function earlierMeals(
  { today, household }: Page,
  dogs: readonly StoredDog[],
  bowls: readonly StoredBowl[],
): TodayView['earlier'] {
  return Array.from({ length: DAYS_BACK + 1 }, (_, back) => {
    const day = addDays(today, -back);
    const bowlSaid = (bowl: StoredBowl): EarlierMeal['bowl'] => ({
      bowlId: bowl.id,
      clock: clockIn(bowl.fedAt, household.timeZone),
      said: sayBowl(bowl, household.unitSet),
      left: bowl.left?.movementId,
      parts: bowl.parts.map(({ key, code, grams }) => ({ key, code, grams })),
    });
    const another = dogs.flatMap((dog) =>
      bowls
        .filter((bowl) => bowl.day === day && bowl.dogId === dog.id && bowl.slotId === null)
        .map((bowl): EarlierMeal => ({
          dogId: dog.id,
          dogName: dog.name,
          slotId: null,
          slotName: 'another meal',
          clock: clockIn(bowl.fedAt, household.timeZone),
          day,
          kcal: 0,
          bowl: bowlSaid(bowl),
        })),
    );
    const meals = dogs.flatMap((dog) =>
      mealsOn({ ...dog, daysOff: dog.daysOff.filter((off) => !isLeftOut(off)) }, day)
        .filter((meal) => meal.kcal > 0)
        .flatMap((meal): EarlierMeal[] => {
          const bowl = bowls.find((each) => each.day === day && each.dogId === dog.id && each.slotId === meal.id);
          const none = dog.daysOff.find((off) => isLeftOut(off) && off.from === day && off.slotId === meal.id);
          // What is open today stands with its dog.
          if (!bowl && !none && back === 0) return [];
          return [{ ...earlierMeal(dog, meal, day, bowl && bowlSaid(bowl)), ...(none ? { none: none.id } : {}) }];
        }),
    );
    return { said: back === 0 ? 'today' : writeDay(day, today), meals: [...meals, ...another] };
  }).filter(({ meals }) => meals.length > 0);
}
