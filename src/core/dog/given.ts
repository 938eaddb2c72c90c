import { z } from 'zod';
import { addUp } from '../add-up';
import type { LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { idSchema } from '../schema';
import { hazardNamed, sayHazard, type Hazard } from '../recipe/hazards';
import type { Avoid } from './avoid';
import { typed } from './entry-fields';
import { readExtraAmount } from './otherwise-entry';

/** What a dog can get between its meals, and by which measures its kcal are known. */
export const GIVEN_KINDS = ['treat', 'topper', 'bought'] as const;
export const GIVEN_MEASURES = ['kcal', 'piece', '100 g', 'cup', 'unknown'] as const;
export type GivenMeasure = (typeof GIVEN_MEASURES)[number];

export const givenSchema = z.object({
  dogId: idSchema,
  entry: z.object({
    kind: z.enum(GIVEN_KINDS),
    name: typed.word,
    amount: typed.number,
    measure: z.enum(GIVEN_MEASURES),
    /** kcal per measure from the label; not asked for kcal. */
    label: typed.number,
  }),
  at: z.string().max(8).optional(),
  /** The coming meals are smaller by it. */
  takesOff: z.boolean(),
});
export type GivenEntry = Readonly<z.infer<typeof givenSchema>['entry']>;

export interface ReadGiven {
  readonly kind: (typeof GIVEN_KINDS)[number];
  readonly name: string;
  /** undefined: nobody knows. */
  readonly kcal: number | undefined;
  readonly said: string;
}

/** Reads what a dog was given between its meals; each problem at its field. Source: arithmetic by its label. */
export function readGiven(
  entry: GivenEntry,
): { ok: true; value: ReadGiven } | { ok: false; problems: readonly Problem[] } {
  const { kind, measure } = entry;
  const name = entry.name.trim();
  const problems: Problem[] = name === '' ? [{ field: 'name', message: 'What is it called?' }] : [];
  if (measure === 'unknown')
    return problems.length > 0
      ? { ok: false, problems }
      : { ok: true, value: { kind, name, kcal: undefined, said: 'kcal unknown' } };
  const read = readExtraAmount({ ...entry, measure });
  problems.push(...read.problems);
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: { kind, name, kcal: read.kcal, said: read.said } };
}

/**
 * Whether something that a dog got can hurt it by its name, or is perhaps what it does not get; undefined: nothing is known
 * against it. Takes the name, what can hurt any dog, and what this one avoids. Source: the rows of the hazards; its list.
 */
export function worryOf(
  name: string,
  hazards: readonly Hazard[],
  dog: { readonly avoids: readonly Avoid[]; readonly vetNotes: readonly { readonly hazardId: string }[] },
): string | undefined {
  const hazard = hazardNamed(
    name,
    hazards,
    dog.vetNotes.map(({ hazardId }) => hazardId),
  );
  if (hazard) return `${sayHazard(hazard)} Call your vet.`;
  const avoid = dog.avoids.find(({ label }) => name.toLowerCase().includes(label.toLowerCase()));
  return avoid && `Perhaps what it does not get: ${avoid.label} (${avoid.reason}).`;
}

/** kcal by which a meal of a day is smaller. */
export interface Less {
  readonly day: LocalDate;
  readonly slotId: number;
  readonly kcal: number;
}

/**
 * Of which coming meals the kcal of something extra are taken: of those of today that are still to come, each by its part of
 * them, and what they cannot take of tomorrow's. What tomorrow cannot take either is `over`, and is not made up for.
 *
 * Takes the kcal and the meals that are open today and tomorrow. Source: arithmetic; that a day and a half make up for a
 * treat is ours, no source.
 */
export function takenOff(
  kcal: number,
  today: readonly Less[],
  tomorrow: readonly Less[],
): { readonly less: readonly Less[]; readonly over: number } {
  let open = kcal;
  const less = [today, tomorrow].flatMap((meals) => {
    const most = addUp(meals, (meal) => meal.kcal);
    const part = most > 0 ? Math.min(1, open / most) : 0;
    if (most > 0) open = part < 1 ? 0 : open - most;
    return meals.map((meal) => ({ ...meal, kcal: meal.kcal * part })).filter((meal) => meal.kcal > 0);
  });
  return { less, over: Math.max(0, open) };
}

/** kcal by which one meal is smaller. */
export const lessOf = (less: readonly Less[] | undefined, day: LocalDate, slotId: number): number =>
  addUp(
    (less ?? []).filter((each) => each.day === day && each.slotId === slotId),
    (each) => each.kcal,
  );
