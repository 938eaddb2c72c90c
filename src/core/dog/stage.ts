import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { Grams } from '../quantity/units';
import { grownAtDays } from './growth';

/** One pregnancy and what came of it. */
export interface Litter {
  readonly matedOn?: LocalDate;
  readonly whelpedOn?: LocalDate;
  readonly pups?: number;
  /** From this day on the bitch does not nurse any more. */
  readonly weanedOn?: LocalDate;
}

export type LifeStage =
  | { readonly kind: 'pup' }
  | { readonly kind: 'gestation'; readonly day: number }
  | { readonly kind: 'lactation'; readonly day: number; readonly week: number; readonly pups: number }
  | { readonly kind: 'senior' }
  | { readonly kind: 'adult' };

/** Pups are born about 63 days after mating; past 70 nobody waits any more (from memory). */
export const GESTATION_DAYS = 63;
const LONGEST_GESTATION = 70;
/** Pups are weaned by the end of the eighth week (common practice, no source). */
export const NURSING_WEEKS = 8;
/** From this age a dog is looked at as a senior. Source: AAHA, from memory. */
export const SENIOR_DAYS = 7 * 365.25;

interface Staged {
  readonly birthDate: LocalDate;
  readonly expectedAdultWeight?: Grams;
  readonly litters: readonly Litter[];
}

/** A dog is a pup while it has an expected adult weight and is under the age at which such dogs are grown. */
export function isGrowing(dog: Omit<Staged, 'litters'>, day: LocalDate): boolean {
  if (dog.expectedAdultWeight === undefined) return false;
  return daysBetween(dog.birthDate, day) < grownAtDays(dog.expectedAdultWeight);
}

/** Where in its life a dog stands on a day; pregnancy and nursing come before growth. */
export function lifeStage(dog: Staged, day: LocalDate): LifeStage {
  for (const litter of dog.litters) {
    const stage = stageOfLitter(litter, day);
    if (stage) return stage;
  }
  if (isGrowing(dog, day)) return { kind: 'pup' };
  return { kind: daysBetween(dog.birthDate, day) >= SENIOR_DAYS ? 'senior' : 'adult' };
}

function stageOfLitter(litter: Litter, day: LocalDate): LifeStage | undefined {
  const { matedOn, whelpedOn, weanedOn, pups = 0 } = litter;
  if (whelpedOn !== undefined && day >= whelpedOn) {
    const nursing = daysBetween(whelpedOn, day);
    const week = Math.floor(nursing / 7) + 1;
    const over = pups === 0 || week > NURSING_WEEKS || (weanedOn !== undefined && day >= weanedOn);
    return over ? undefined : { kind: 'lactation', day: nursing, week, pups };
  }
  if (matedOn === undefined || day < matedOn) return undefined;
  const pregnant = daysBetween(matedOn, day);
  return pregnant > LONGEST_GESTATION ? undefined : { kind: 'gestation', day: pregnant };
}

const VET = 'goes to a vet first';

/**
 * What is always said beside a ration of a dog that a vet should see first: pups, pregnant, nursing, old and ill dogs.
 * Source: handbook 5 (common practice); seven years: AAHA, from memory.
 */
export function vetCaution(dog: Staged & { readonly illness?: string }, day: LocalDate): string | undefined {
  const said = stageCaution(lifeStage(dog, day));
  if (dog.illness === undefined) return said;
  const ill = `Treated for ${dog.illness}: its diet ${VET}.`;
  return said === undefined ? ill : `${ill} ${said}`;
}

/** That a cook has seen a caution: of which life stage and illness, and when. */
export interface SeenCaution {
  readonly of: string;
  readonly on: LocalDate;
}

/** A dog's caution in its room: asked about until it was seen, and again after half a year or in another stage of life. */
export interface DogCaution {
  readonly said: string;
  readonly of: string;
  /** It was seen, and is asked about again on the second day. */
  readonly seen: { readonly on: LocalDate; readonly until: LocalDate } | undefined;
  /** It wants an act today: it keeps its place at every bowl. */
  readonly pressing: boolean;
}

/** A caution that was seen is asked about again after so many days (half a year: ours, no source). */
const SEEN_DAYS = 182;

/** The caution of a dog with what is known of its having been seen; undefined where there is none. */
export function cautionOf(
  dog: Staged & { readonly illness?: string; readonly cautionSeen?: SeenCaution },
  day: LocalDate,
): DogCaution | undefined {
  const said = vetCaution(dog, day);
  if (said === undefined) return undefined;
  const stage = lifeStage(dog, day);
  const of = dog.illness === undefined ? stage.kind : `${stage.kind}, ${dog.illness}`;
  const { cautionSeen: seen } = dog;
  const until = seen && addDays(seen.on, SEEN_DAYS);
  const holds = seen !== undefined && until !== undefined && seen.of === of && day < until;
  return {
    said,
    of,
    seen: holds ? { on: seen.on, until } : undefined,
    pressing: stage.kind === 'gestation' && stage.day > GESTATION_DAYS,
  };
}

function stageCaution(stage: LifeStage): string | undefined {
  switch (stage.kind) {
    case 'pup':
      return `A pup’s diet ${VET}: too much or too little calcium harms growing bones.`;
    case 'gestation':
      return stage.day > GESTATION_DAYS
        ? `Day ${stage.day} since mating, and pups come at about ${GESTATION_DAYS}: call the vet.`
        : `A pregnant dog’s diet ${VET}; it needs a recipe made for reproduction.`;
    case 'lactation':
      return stage.week > 4
        ? 'From the fifth week on the ration steps down with weaning: by your vet’s plan, not by ours.'
        : `A nursing dog’s diet ${VET}; let it eat as often as it likes, with water at hand.`;
    case 'senior':
      return 'Seven and over: many such dogs need less, about 1.4 × RER. Watch the weight, and ask the vet at the yearly check.';
    case 'adult':
      return undefined;
  }
}
