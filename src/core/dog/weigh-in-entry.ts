import { z } from 'zod';
import { daysBetween, readLocalDate, type LocalDate } from '../calendar/local-date';
import type { Problem } from '../problem';
import { grams, type Grams, type UnitSet } from '../quantity/units';
import { readBodyWeight } from '../quantity/weight';
import { writeWeight } from '../quantity/write';
import { APPETITES, STOOLS } from './body-condition';
import { weightOn } from './day-energy';
import type { Dog } from './dog';
import { typed } from './entry-fields';
import { isGrowing } from './stage';
import { countingWeighIns, kgLbSlip } from './trend';

/** A weigh-in as typed. */
export const weighInEntrySchema = z.object({
  date: typed.day,
  weight: typed.number,
  /** Empty: not felt. */
  bodyCondition: z.string().max(2),
  appetite: z.enum(['', ...APPETITES]),
  stool: z.enum(['', ...STOOLS]),
  note: typed.note,
  /** The cook has been asked and means it. */
  sure: z.boolean(),
});
export type WeighInEntry = Readonly<z.infer<typeof weighInEntrySchema>>;

export interface ReadWeighIn {
  readonly date: LocalDate;
  readonly grams: Grams;
  readonly bodyCondition: number | undefined;
}

export type ReadWeighInOutcome =
  | { readonly ok: true; readonly value: ReadWeighIn }
  | { readonly ok: false; readonly problems: readonly Problem[]; readonly meant: Grams | undefined };

/** A weight off by more than this part from the one before is asked about; weeks apart it may be true. */
const ASKED = 0.15;
const ASKED_WITHIN_DAYS = 28;

/**
 * Reads a weigh-in, every problem at its field. Refuses a day in the future or before birth, a weight that no dog
 * has, and a pup above its adult weight; asks about a kg/lb slip and about a jump, with the weight that may be meant.
 */
export function readWeighIn(entry: WeighInEntry, dog: Dog, set: UnitSet, today: LocalDate): ReadWeighInOutcome {
  const problems: Problem[] = [];
  const date = readLocalDate(entry.date);
  if (!date) problems.push({ field: 'date', message: 'On which day?' });
  else if (date > today) problems.push({ field: 'date', message: 'This day has not come yet.' });
  else if (date < dog.birthDate) problems.push({ field: 'date', message: `${dog.name} was not born yet.` });
  const weight = readBodyWeight(entry.weight, set);
  if (!weight.ok) problems.push({ ...weight.problem, field: 'weight' });
  const score = entry.bodyCondition.trim() === '' ? undefined : Number(entry.bodyCondition);
  if (score !== undefined && !(Number.isInteger(score) && score >= 1 && score <= 9)) {
    problems.push({ field: 'bodyCondition', message: 'Body condition goes from 1 to 9.' });
  }
  if (problems.length > 0 || !date || !weight.ok) return { ok: false, problems, meant: undefined };
  const adult = dog.expectedAdultWeight;
  if (adult !== undefined && isGrowing(dog, date) && weight.value > adult * 1.1) {
    const message = `More than the ${writeWeight(adult, set)} expected when grown. Check the unit, or change that weight first.`;
    return { ok: false, problems: [{ field: 'weight', message }], meant: undefined };
  }
  const asked = entry.sure ? undefined : askAbout(dog, date, weight.value, set);
  if (asked) return { ok: false, problems: [{ field: 'weight', message: asked.message }], meant: asked.meant };
  return { ok: true, value: { date, grams: weight.value, bodyCondition: score } };
}

function askAbout(dog: Dog, date: LocalDate, weight: Grams, set: UnitSet) {
  const near = countingWeighIns(dog.weighIns)
    .map((entry) => ({ ...entry, days: Math.abs(daysBetween(entry.date, date)) }))
    .sort((a, b) => a.days - b.days)[0];
  if (!near) return undefined;
  const expected = isGrowing(dog, date) && date > near.date ? weightOn(dog, date) : near.grams;
  const was = `${dog.name} weighed ${writeWeight(near.grams, set)} on ${near.date}.`;
  const meant = kgLbSlip(weight, expected);
  if (meant !== undefined) {
    return {
      message: `${was} Did you mean ${writeWeight(grams(meant), set)}? kg and lb are easily swapped.`,
      meant: grams(meant),
    };
  }
  if (near.days <= ASKED_WITHIN_DAYS && Math.abs(weight / expected - 1) > ASKED) {
    return { message: `${was} That is a large step. Weigh again, or say that it is right.`, meant: undefined };
  }
  return undefined;
}
