import { z } from 'zod';
import { readLocalDate, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import type { Grams, UnitSet } from '../quantity/units';
import { readBodyWeight } from '../quantity/weight';
import { checkAgeAndWeight } from './ages';
import type { Dog } from './dog';
import { typed } from './entry-fields';
import { WORKS } from './maintenance-factor';
import { MOST_MEALS } from './meals';

/** What a cook types about a dog. */
export const dogEntrySchema = z.object({
  name: z.string().max(200),
  birthDate: typed.day,
  weight: typed.number,
  neutered: z.boolean(),
  work: z.enum(WORKS),
  proneToGain: z.boolean(),
  expectedAdultWeight: typed.number,
  /** Empty: the usual number for its age. */
  meals: z.string().max(4),
});
export type DogEntry = Readonly<z.infer<typeof dogEntrySchema>>;

export interface ReadDog {
  readonly dog: Dog;
  readonly weight: Grams;
  /** Undefined: the usual number for its age. */
  readonly meals: number | undefined;
}

export type ReadDogOutcome =
  { readonly ok: true; readonly value: ReadDog } | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Reads a dog as typed: every field that cannot be is named with its reason.
 * Takes the entry, the household's unit set and today; returns the dog with one weigh-in and one ration from today.
 */
export function readDogEntry(entry: DogEntry, set: UnitSet, today: LocalDate): ReadDogOutcome {
  const problems: Problem[] = [];
  const name = entry.name.trim();
  if (name === '') problems.push({ field: 'name', message: 'What is the dog called?' });
  if (name.length > 40) problems.push({ field: 'name', message: 'Keep the name under 40 letters: it goes on labels.' });
  const birthDate = readLocalDate(entry.birthDate);
  if (!birthDate) problems.push({ field: 'birthDate', message: 'Give the birth date; a good guess will do.' });
  const weight = readBodyWeight(entry.weight, set);
  if (!weight.ok) problems.push({ ...weight.problem, field: 'weight' });
  const adult = entry.expectedAdultWeight.trim() === '' ? undefined : readBodyWeight(entry.expectedAdultWeight, set);
  if (adult && !adult.ok) problems.push({ ...adult.problem, field: 'expectedAdultWeight' });
  const meals = entry.meals.trim() === '' ? undefined : Number(entry.meals);
  if (meals !== undefined && (!Number.isInteger(meals) || meals < 1 || meals > MOST_MEALS)) {
    problems.push({ field: 'meals', message: `Between 1 and ${MOST_MEALS} meals a day.` });
  }
  if (birthDate && weight.ok && (!adult || adult.ok)) {
    const check = checkAgeAndWeight({ birthDate, weight: weight.value, expectedAdultWeight: adult?.value }, today);
    if (!check.ok) problems.push(check.problem);
  }
  if (problems.length > 0 || !birthDate || !weight.ok || (adult && !adult.ok)) return { ok: false, problems };
  const dog: Dog = {
    name,
    birthDate,
    neutered: entry.neutered,
    expectedAdultWeight: adult?.value,
    litters: [],
    weighIns: [{ date: today, grams: weight.value }],
    rations: [{ from: today, work: entry.work, proneToGain: entry.proneToGain, method: { kind: 'table' }, extras: [] }],
    slots: [],
    bowlLines: [],
  };
  return { ok: true, value: { dog, weight: weight.value, meals } };
}
