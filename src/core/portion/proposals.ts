import { addDays, daysBetween, type LocalDate } from '../calendar/local-date';
import type { Dog } from '../dog/dog';
import type { Filling } from '../dog/filling';
import { homeEnergyOn, mealsFilledBy } from '../dog/meals';
import type { EnergyDensity, Grams } from '../quantity/units';
import { plateOf, servedAt, type Plating, type Serving } from './plated';
import { leftOnTrays, type FromTray, type WeighedTray } from '../preserve/bagging';
import { fine, type Outcome } from '../problem';
import { fromTenths } from '../stock/ledger';
import { fillUnits, planOfShare, type PackPlan, type ToFill } from './pack-plan';
import { packsFor, type DogDay, type FillUnit, type ProposedPack } from './packs';
import { FATES, type DayDemand, type Fate } from './shares';
import { addUp } from '../add-up';
import { nth } from '../sure';

type NamedDog = Dog & { readonly id: number };

/** How far ahead packs are cut where a batch holds more than its plan asked for. */
const FURTHER_DAYS = 60;

/** The day from which a batch is fed: the planned one, or the day it was divided where that came later. */
export const feedingFrom = (firstDay: LocalDate, dividedOn: LocalDate): LocalDate =>
  firstDay < dividedOn ? dividedOn : firstDay;

/**
 * The dog-days that a food fills from `from` on, day by day, in g by how much of it serves so many kcal of a day; they go on
 * past the plan's end, so that a surplus becomes packs too.
 */
export function dogDaysFrom(
  from: LocalDate,
  days: number,
  dogs: readonly NamedDog[],
  serving: Serving,
  filling?: Filling,
): DogDay[] {
  return Array.from({ length: days + FURTHER_DAYS }, (_, day) =>
    dogs.map((dog) => {
      const meals = mealsFilledBy(dog, addDays(from, day), filling);
      const kcal = addUp(meals, (meal) => meal.kcal);
      const grams = kcal > 0 ? serving(kcal) : 0;
      return { dogId: dog.id, day, grams, meals: meals.map((meal) => (kcal > 0 ? (grams * meal.kcal) / kcal : 0)) };
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
  serving: Serving,
  leftToday: (dogId: number) => number,
): DayDemand[] {
  return Array.from({ length: plan.days }, (_, index) => {
    const day = addDays(plan.from, index);
    const daysAfterCooking = Math.max(0, daysBetween(plan.today, day));
    const grams = addUp(
      dogs,
      (dog) => serving(homeEnergyOn(dog, day, plan.filling)) * (day === plan.today ? leftToday(dog.id) : 1),
    );
    return { daysAfterCooking, grams };
  });
}

interface DividedBatch {
  readonly filling?: Filling;
  readonly firstDay: LocalDate;
  readonly days: number;
  readonly yields: readonly { readonly place: number; readonly density: EnergyDensity; readonly net: number }[];
  readonly plating?: Plating;
  readonly shares: readonly {
    readonly id: number;
    /** The yield it is a part of, by its place. */
    readonly yield: number;
    readonly fate: Fate;
    readonly grams: number;
    readonly day: LocalDate;
    /** What its trays came to, once every one was weighed dry. */
    readonly dried?: { readonly dry: Grams; readonly density: EnergyDensity };
    /** How it is filled; absent: a pack for each dog and day. */
    readonly plan?: PackPlan;
    /** What was sealed of it already, and for whom. */
    readonly packs?: readonly Sealed[];
    readonly trays?: readonly TrayOfDog[];
  }[];
}

interface Sealed {
  readonly dogId?: number;
  readonly split?: boolean;
  readonly grams: number;
  readonly trays?: readonly FromTray[];
}

type TrayOfDog = WeighedTray & { readonly dogId?: number | undefined };

/** Of a pack that holds less than this part of what was meant, the rest is a pack of its own: it was split (ours, no source). */
const SPLIT = 0.75;

/** What is still to be packed of a unit once so many g of it are. */
const restOf = (unit: FillUnit, packed: number): FillUnit => {
  const part = 1 - packed / unit.grams;
  return {
    ...unit,
    grams: unit.grams - packed,
    ...(unit.split ? { split: unit.split.map((each) => ({ ...each, grams: each.grams * part })) } : {}),
    ...(unit.pieces === undefined ? {} : { pieces: Math.max(1, Math.round(unit.pieces * part)) }),
  };
};

/** What packs which are there already do not cover: each takes the first of its dog, or of several dogs, or a part of it. */
function withoutPacked(units: readonly FillUnit[], packs: readonly Sealed[]): FillUnit[] {
  const left = [...units];
  for (const { dogId, split, grams } of packs) {
    const at = left.findIndex((unit) =>
      dogId === undefined ? split === true && unit.split !== undefined : unit.dogId === dogId,
    );
    if (at < 0) continue;
    const unit = nth(left, at);
    if (grams < unit.grams * SPLIT) left[at] = restOf(unit, grams);
    else left.splice(at, 1);
  }
  return left;
}

/** g that are left on each tray, for its dog; one that was emptied is left out. */
const traysLeft = (trays: readonly TrayOfDog[], packs: readonly Sealed[]): NonNullable<ToFill['trays']> =>
  leftOnTrays(
    trays,
    packs.map((pack) => pack.trays ?? []),
  ).flatMap(({ trayId, amount }, index) => {
    const { dogId, tare, dryGross = tare } = nth(trays, index);
    const grams = fromTenths(amount);
    // A bag that took most of it emptied it: what a scale says less is crumbs.
    return grams <= (dryGross - tare) * (1 - SPLIT)
      ? []
      : [{ trayId, grams, ...(dogId === undefined ? {} : { dogId }) }];
  });

/** What packs are filled by and into. */
type Kitchen = Pick<ToFill, 'gramsPerMl'> & {
  readonly containers: (share: { readonly fate: Fate }) => ToFill['containers'];
};

/** Ways of filling that follow the dogs' days; the others cut what is left, whatever was sealed before. */
const BY_DAYS: ReadonlySet<PackPlan['by']> = new Set(['dog and day', 'meal', 'household day', 'days', 'pieces']);

/**
 * The packs that what is left of each share becomes by its plan, by share id; every share goes on where the one before it
 * ended; what is kept apart is cut each by what its part of a dog's day is. What is eaten today takes the first day's place whatever it weighs. A dry share is cut by its dry weight and density
 * once it has them. Refuses a plan that cannot be filled. Source: handbook 9 (common practice, no source).
 */
export function proposePacks(
  batch: DividedBatch,
  dogs: readonly NamedDog[],
  kitchen: Kitchen = {
    gramsPerMl: undefined,
    containers: () => [],
  },
): Map<number, Outcome<readonly ProposedPack[]>> {
  const result = new Map<number, Outcome<readonly ProposedPack[]>>();
  const dividedOn = batch.shares[0]?.day;
  if (dividedOn === undefined) return result;
  const from = feedingFrom(batch.firstDay, dividedOn);
  for (const pot of batch.yields) {
    const own = batch.shares.filter((share) => share.yield === pot.place);
    const serving = servingOf(batch, pot.place);
    // Of a dried food fewer g hold the same.
    const daysAt = (density: number) =>
      dogDaysFrom(from, batch.days, dogs, (kcal) => (serving(kcal) * pot.density) / density, batch.filling);
    const wet = daysAt(pot.density);
    const warmToday = own.some((share) => share.fate === 'today') && from === dividedOn;
    let start = warmToday ? wet.filter((dogDay) => dogDay.day === 0).length : 0;
    const inOrder = FATES.flatMap((fate) => own.filter((share) => share.fate === fate));
    for (const share of inOrder) {
      if (share.fate === 'today') continue;
      const { dried, packs: sealed = [], trays = [] } = share;
      const plan = planOfShare(share);
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
        ...(dried ? { trays: traysLeft(trays, sealed) } : {}),
      });
      result.set(
        share.id,
        units.ok
          ? fine(packsFor(left, BY_DAYS.has(plan.by) ? withoutPacked(units.value, sealed) : units.value).packs)
          : units,
      );
    }
  }
  return result;
}

/** How much of one yield serves a dog's kcal, by how all of them are plated. */
export function servingOf(batch: Pick<DividedBatch, 'yields' | 'plating'>, place: number): Serving {
  const [first] = batch.yields;
  if (first && batch.yields.length === 1) return servedAt(first.density);
  const plate = plateOf(batch.yields, batch.plating);
  return (kcal) => plate(kcal).find((part) => part.place === place)?.grams ?? 0;
}
