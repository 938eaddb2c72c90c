import { differenceInYears, parseISO } from 'date-fns';
import { daysBetween, type LocalDate } from '../calendar/local-date';
import { fine, refused, type Outcome } from '../problem';
import type { Grams } from '../quantity/units';
import { grownAtDays } from './growth';

/** "7 years", "4 months", "9 weeks": an age as people say it. */
export function writeAge(birthDate: LocalDate, day: LocalDate): string {
  const days = daysBetween(birthDate, day);
  const years = differenceInYears(parseISO(day), parseISO(birthDate));
  if (years >= 2) return `${years} years`;
  const months = Math.round(days / 30.44);
  if (months >= 3) return `${months} months`;
  return `${Math.floor(days / 7)} weeks`;
}

/** No dog is known to have lived past 31 years (from memory). */
const OLDEST_DAYS = 31 * 366;
/** Before about three weeks a pup lives on milk (from memory). */
const WEANING_DAYS = 21;

/**
 * Checks birth date, weight (g) and expected adult weight (g) of a dog against each other on `today`.
 * Refuses, at the field, a birth in the future or over 31 years ago, a pup too young for solid food, a pup without an
 * expected adult weight, and a pup heavier than its adult weight.
 */
export function checkAgeAndWeight(
  dog: { birthDate: LocalDate; weight: Grams; expectedAdultWeight?: Grams },
  today: LocalDate,
): Outcome<true> {
  const age = daysBetween(dog.birthDate, today);
  if (age < 0) return refused('This birth date lies in the future.', 'birthDate');
  if (age > OLDEST_DAYS) return refused('No dog is over 31 years old. Check the year.', 'birthDate');
  if (age < WEANING_DAYS)
    return refused('Under three weeks a pup lives on milk; cooked food starts with weaning.', 'birthDate');
  if (dog.expectedAdultWeight === undefined) {
    // The size that it is already says how long such a dog grows, a giant until 18 months.
    if (age < grownAtDays(dog.weight))
      return refused(
        `Dogs of this size grow until they are ${Math.round(grownAtDays(dog.weight) / 30.44)} months old: what weight do you expect when it is grown? If it is grown, give what it weighs.`,
        'expectedAdultWeight',
      );
  } else if (dog.expectedAdultWeight < dog.weight * 0.999 && age < grownAtDays(dog.expectedAdultWeight)) {
    return refused('The pup already weighs more than this. Check both weights and their units.', 'expectedAdultWeight');
  }
  return fine(true);
}
