import { z } from 'zod';
import { refused, fine, type Outcome } from '../problem';
import { USUAL_SLOTS, type UsualSlot } from '../dog/meals';

/** When the three usual meals of a house are, as clocks like 07:30. */
export const mealTimesSchema = z.object({
  breakfast: z.string().max(10),
  lunch: z.string().max(10),
  supper: z.string().max(10),
});
export type MealTimes = Readonly<z.infer<typeof mealTimesSchema>>;

const usual = (name: keyof MealTimes) => USUAL_SLOTS.find((slot) => slot.name === name)?.clock ?? '';
export const USUAL_MEAL_TIMES: MealTimes = {
  breakfast: usual('breakfast'),
  lunch: usual('lunch'),
  supper: usual('supper'),
};

const CLOCK = /^([01]?\d|2[0-3])[:.]([0-5]\d)$/;
const minutesOf = (clock: string) => {
  const [, hours, minutes] = CLOCK.exec(clock) ?? [];
  return Number(hours) * 60 + Number(minutes);
};
const clockAt = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Reads the three times: each a clock, in the order of the day. Refuses at the field that is wrong. */
export function readMealTimes(typed: MealTimes): Outcome<MealTimes> {
  const read: Record<keyof MealTimes, string> = { ...typed };
  for (const name of ['breakfast', 'lunch', 'supper'] as const) {
    const text = typed[name].trim();
    if (!CLOCK.test(text)) return refused('A time such as 07:30.', name);
    read[name] = clockAt(minutesOf(text));
  }
  if (read.lunch <= read.breakfast) return refused('The midday meal comes after breakfast.', 'lunch');
  if (read.supper <= read.lunch) return refused('Supper comes after the midday meal.', 'supper');
  return fine(read);
}

/** Half an hour: nobody feeds elevenses at 10:08. */
const STEP = 30;
const between = (a: string, b: string) => {
  const middle = (minutesOf(a) + minutesOf(b)) / 2;
  const rounded = Math.round(middle / STEP) * STEP;
  return clockAt(rounded > minutesOf(a) && rounded < minutesOf(b) ? rounded : Math.floor(middle));
};

/** The five slots of a dog's day at this house's times; what lies between two meals is midway, to the half hour (ours). */
export function slotsAt(times: MealTimes): readonly { readonly name: UsualSlot; readonly clock: string }[] {
  const clocks: Readonly<Record<UsualSlot, string>> = {
    ...times,
    elevenses: between(times.breakfast, times.lunch),
    tea: between(times.lunch, times.supper),
  };
  return USUAL_SLOTS.map(({ name }) => ({ name, clock: clocks[name] }));
}
