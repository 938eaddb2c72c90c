import { z } from 'zod';
import { writePlain } from '../quantity/write';
import type { Problem } from '../problem';
import { idSchema } from '../schema';
import { typed } from './entry-fields';
import { MOST_MEALS } from './meals';
import { addUp } from '../add-up';

/** The meals of a day as typed; `usual` leaves number and size to the dog's age. */
export const mealsEntrySchema = z.object({
  usual: z.boolean(),
  rows: z
    .array(
      z.object({
        slotId: idSchema.nullable(),
        name: typed.word,
        clock: z.string().max(10),
        /** Part of the day in %. */
        percent: z.string().max(10),
        /** Always made of this recipe; null: of whatever is at hand. */
        recipeId: idSchema.nullable(),
      }),
    )
    .max(12),
});
export type MealsEntry = Readonly<z.infer<typeof mealsEntrySchema>>;

export interface ReadMeal {
  readonly slotId: number | undefined;
  readonly name: string;
  readonly clock: string;
  readonly fraction: number;
  readonly recipeId: number | undefined;
}

/**
 * Reads the meals of a day, in the order of the clock; undefined stands for the usual ones. Problems stand at
 * `rows.N.field`, or at `rows` where the parts do not add up.
 */
export function readMeals(
  entry: MealsEntry,
): { ok: true; value: readonly ReadMeal[] | undefined } | { ok: false; problems: readonly Problem[] } {
  if (entry.usual) return { ok: true, value: undefined };
  const problems: Problem[] = [];
  if (entry.rows.length < 1 || entry.rows.length > MOST_MEALS) {
    problems.push({ field: 'rows', message: `Between 1 and ${MOST_MEALS} meals a day.` });
  }
  const meals = entry.rows.map((row, index) => {
    const name = row.name.trim().toLowerCase();
    if (name === '') problems.push({ field: `rows.${index}.name`, message: 'What is this meal called?' });
    if (entry.rows.findIndex((other) => other.name.trim().toLowerCase() === name) < index) {
      problems.push({ field: `rows.${index}.name`, message: `There are two meals called ${name}.` });
    }
    if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(row.clock)) {
      problems.push({ field: `rows.${index}.clock`, message: 'A time such as 07:30.' });
    } else if (entry.rows.findIndex((other) => other.clock === row.clock) < index) {
      problems.push({ field: `rows.${index}.clock`, message: 'Two meals at one time.' });
    }
    const percent = Number(row.percent.trim().replace(',', '.').replace(/ ?%$/, ''));
    if (!(percent > 0 && percent <= 100)) {
      problems.push({ field: `rows.${index}.percent`, message: 'A part from 1 to 100 %.' });
    }
    return {
      slotId: row.slotId ?? undefined,
      name,
      clock: row.clock,
      fraction: percent / 100,
      recipeId: row.recipeId ?? undefined,
    };
  });
  const whole = addUp(meals, (meal) => meal.fraction);
  // Thirds are written 33, 33, 34 or 33.3: what is left of a percent is spread.
  if (problems.length === 0 && Math.abs(whole - 1) > 0.011) {
    problems.push({
      field: 'rows',
      message: `The meals add up to ${writePlain(whole * 100, 1)} %, not to 100 %.`,
    });
  }
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: meals
      .map((meal) => ({ ...meal, fraction: meal.fraction / whole }))
      .sort((a, b) => a.clock.localeCompare(b.clock)),
  };
}
