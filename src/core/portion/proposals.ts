import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { Dog } from '../dog/dog';
import type { Filling } from '../dog/filling';
import { homeEnergyOn, mealsFilledBy } from '../dog/meals';
import type { EnergyDensity, Grams } from '../quantity/units';
import { fine, type Outcome } from '../problem';
import { fillUnits, USUAL_PLAN, type PackPlan, type ToFill } from './pack-plan';
import { packsFor, type DogDay, type FillUnit, type ProposedPack } from './packs';
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
    dogs.map((dog) => {
      const meals = mealsFilledBy(dog, addDays(from, day), filling).map(({ kcal }) => kcal / density);
      return { dogId: dog.id, day, grams: addUp(meals, (grams) => grams), meals };
    }),
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
    /** How it is filled; absent: a pack for each dog and day. */
    readonly plan?: PackPlan;
    /** What was sealed of it already, and for whom. */
    readonly packs?: readonly { readonly dogId?: number; readonly split?: boolean; readonly grams: number }[];
  }[];
}

type Sealed = { readonly dogId?: number; readonly split?: boolean; readonly grams: number };

/** What packs which are there already do not cover: each takes the first of its dog, or of several dogs. */
function withoutPacked(units: readonly FillUnit[], packs: readonly Sealed[]): FillUnit[] {
  const left = [...units];
  for (const { dogId, split } of packs) {
    const at = left.findIndex((unit) =>
      dogId === undefined ? split === true && unit.split !== undefined : unit.dogId === dogId,
    );
    if (at >= 0) left.splice(at, 1);
  }
  return left;
}

/** Ways of filling that follow the dogs' days; the others cut what is left, whatever was sealed before. */
const BY_DAYS: ReadonlySet<PackPlan['by']> = new Set(['dog and day', 'meal', 'household day', 'days', 'pieces']);

/**
 * The packs that what is left of each share becomes by its plan, by share id; every share goes on where the one before it
 * ended. What is eaten today takes the first day's place whatever it weighs. A dry share is cut by its dry weight and density
 * once it has them. Refuses a plan that cannot be filled. Source: handbook 9 (common practice, no source).
 */
export function proposePacks(
  batch: DividedBatch,
  dogs: readonly NamedDog[],
  kitchen: Pick<ToFill, 'gramsPerMl'> & {
    readonly containers: (share: { readonly fate: Fate }) => ToFill['containers'];
  } = {
    gramsPerMl: undefined,
    containers: () => [],
  },
): Map<number, Outcome<readonly ProposedPack[]>> {
  const result = new Map<number, Outcome<readonly ProposedPack[]>>();
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
    const { dried, packs: sealed = [], plan = USUAL_PLAN } = share;
    const days = (dried ? daysAt(dried.density) : wet).slice(start);
    const whole = dried ? Math.round(dried.dry) : share.grams;
    start += packsFor(whole, days).filled;
    const left = Math.max(0, Math.round(whole - addUp(sealed, (pack) => pack.grams)));
    const units = fillUnits(plan, {
      grams: left,
      days,
      // A volume of dry food was never measured.
      gramsPerMl: dried ? undefined : kitchen.gramsPerMl,
      containers: kitchen.containers(share),
    });
    result.set(
      share.id,
      units.ok
        ? fine(packsFor(left, BY_DAYS.has(plan.by) ? withoutPacked(units.value, sealed) : units.value).packs)
        : units,
    );
  }
  return result;
}
