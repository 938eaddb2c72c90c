import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { Dog } from '../dog/dog';
import type { Filling } from '../dog/filling';
import { homeEnergyOn } from '../dog/meals';
import type { EnergyDensity, Grams } from '../quantity/units';
import { packsFor, type DogDay, type ProposedPack } from './packs';
import { FATES, type DayDemand, type Fate } from './shares';
import { addUp } from '../add-up';

type NamedDog = Dog & { readonly id: number };

/** How far ahead packs are cut where a batch holds more than its plan asked for. */
const FURTHER_DAYS = 60;

/** The day from which a batch is fed: the planned one, or the day it was divided where that came later. */
export const feedingFrom = (firstDay: LocalDate, dividedOn: LocalDate): LocalDate =>
  firstDay < dividedOn ? dividedOn : firstDay;

/**
 * The dog-days that a batch fills from `from` on, day by day, in g at a density (kcal/g); they go on past the plan's
 * end, so that a surplus becomes packs too.
 */
export function dogDaysFrom(
  from: LocalDate,
  days: number,
  dogs: readonly NamedDog[],
  density: EnergyDensity,
  filling?: Filling,
): DogDay[] {
  return Array.from({ length: days + FURTHER_DAYS }, (_, day) =>
    dogs.map((dog) => ({ dogId: dog.id, day, grams: homeEnergyOn(dog, addDays(from, day), filling) / density })),
  )
    .flat()
    .filter((dogDay) => dogDay.grams > 0);
}

/**
 * What all dogs together eat of a batch on each day of its plan, in g.
 * `leftToday` gives the part of today's food that a dog is still to get (0 to 1): a breakfast already eaten does not count.
 */
export function demandsOf(
  plan: { readonly from: LocalDate; readonly today: LocalDate; readonly days: number; readonly filling?: Filling },
  dogs: readonly NamedDog[],
  density: EnergyDensity,
  leftToday: (dogId: number) => number,
): DayDemand[] {
  return Array.from({ length: plan.days }, (_, index) => {
    const day = addDays(plan.from, index);
    const daysAfterCooking = Math.max(0, daysBetween(plan.today, day));
    const grams = addUp(
      dogs,
      (dog) => (homeEnergyOn(dog, day, plan.filling) / density) * (day === plan.today ? leftToday(dog.id) : 1),
    );
    return { daysAfterCooking, grams };
  });
}

interface DividedBatch {
  readonly filling?: Filling;
  readonly firstDay: LocalDate;
  readonly days: number;
  readonly density: EnergyDensity;
  readonly shares: readonly {
    readonly id: number;
    readonly fate: Fate;
    readonly grams: number;
    readonly day: LocalDate;
    /** What its trays came to, once every one was weighed dry. */
    readonly dried?: { readonly dry: Grams; readonly density: EnergyDensity };
    /** What was sealed of it already, and for whom. */
    readonly packs?: readonly { readonly dogId?: number; readonly grams: number }[];
  }[];
}

/** The dog-days that packs which are there already do not cover: each pack takes the first day of its dog. */
function withoutPacked(days: readonly DogDay[], packs: readonly { readonly dogId?: number }[]): DogDay[] {
  const left = [...days];
  for (const { dogId } of packs) {
    const at = dogId === undefined ? -1 : left.findIndex((day) => day.dogId === dogId);
    if (at >= 0) left.splice(at, 1);
  }
  return left;
}

/**
 * The packs that what is left of each share becomes, by share id; every share goes on where the one before it ended.
 * What is eaten today takes the first day's place whatever it weighs. A dry share is cut by its dry weight and density
 * once it has them. Source: one dog-day a pack, common practice, no source.
 */
export function proposePacks(batch: DividedBatch, dogs: readonly NamedDog[]): Map<number, readonly ProposedPack[]> {
  const result = new Map<number, readonly ProposedPack[]>();
  const dividedOn = batch.shares[0]?.day;
  if (dividedOn === undefined) return result;
  const from = feedingFrom(batch.firstDay, dividedOn);
  const daysAt = (density: EnergyDensity) => dogDaysFrom(from, batch.days, dogs, density, batch.filling);
  const wet = daysAt(batch.density);
  const warmToday = batch.shares.some((share) => share.fate === 'today') && from === dividedOn;
  let start = warmToday ? wet.filter((dogDay) => dogDay.day === 0).length : 0;
  const inOrder = FATES.flatMap((fate) => batch.shares.filter((share) => share.fate === fate));
  for (const share of inOrder) {
    if (share.fate === 'today') continue;
    const { dried, packs: sealed = [] } = share;
    const days = (dried ? daysAt(dried.density) : wet).slice(start);
    const whole = dried ? Math.round(dried.dry) : share.grams;
    start += packsFor(whole, days).filled;
    const left = whole - addUp(sealed, (pack) => pack.grams);
    const { packs } = packsFor(Math.max(0, Math.round(left)), withoutPacked(days, sealed));
    result.set(share.id, packs);
  }
  return result;
}
