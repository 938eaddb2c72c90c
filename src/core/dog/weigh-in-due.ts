import { addDays, type LocalDate } from '../calendar/local-date';
import { isGrowing } from './stage';
import { sure } from '../sure';

/** Days from one weigh-in to the next: a week while it grows, four weeks later on (common practice, no source). */
const EVERY = { growing: 7, grown: 28 } as const;

/** The day on which a dog is due on the scale again. Source: common practice, no source. */
export const weighInDue = (
  dog: Parameters<typeof isGrowing>[0] & { readonly weighIns: readonly { readonly date: LocalDate }[] },
  today: LocalDate,
): LocalDate => addDays(sure(dog.weighIns.at(-1)).date, isGrowing(dog, today) ? EVERY.growing : EVERY.grown);
