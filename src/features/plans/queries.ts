import { countOf } from '@/core/quantity/count-words';
import 'server-only';
import { writeDay, writeDayInFull, type LocalDate } from '@/core/calendar/local-date';
import { workOutPlan } from '@/core/plan/result';
import type { PlanInputs } from '@/core/plan/inputs';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { stillHere } from '@/core/plan/read-plan';
import type { UnitSet } from '@/core/quantity/units';
import { scaledForKitchen } from '@/core/plan/rounding';
import { readBatchesOf, readShopping } from '@/data/fetching';
import type { ShoppingItem } from '@/core/plan/shopping';
import { inAllBindings } from '@/core/plan/bindings/bindings';
import { sayWhatGoes } from '@/core/recipe/written';
import type { AwayThing } from '@/core/away';
import { pageQuery, type Page } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readPlanInputs } from '@/data/repositories/plan-inputs';
import { readPlanItems, readPlans, readPlansAway, readStoredPlan, type StoredPlan } from '@/data/repositories/plans';
import { readLatestOrUnread } from '@/data/repositories/recipes';
import { readPlaces } from '@/data/repositories/household';
import { readLotsById, retypedLot } from '@/data/repositories/lots';
import { writeMassIn, writeMoney } from '@/core/quantity/write';
import type { ListHouse, PlanItem } from './list-view';
import { nth } from '@/core/sure';
import { Unreadable, type CannotBeRead } from '@/core/unreadable';

/** A plan among the others: what it is of, and whether it may still be changed. */
export interface PlanRow {
  readonly id: number;
  readonly name: string;
  readonly said: string;
  readonly open: boolean;
}

export interface PlanView {
  readonly inputs: PlanInputs;
  /** Names the way that led here: what is typed is kept for each of its own. */
  readonly slot: string;
  /** The kept plan that is changed. */
  readonly keptId: number | undefined;
  /** As it was typed: the kept one, or what is copied. */
  readonly entry: PlanEntry | undefined;
  readonly items: readonly PlanItem[];
  readonly house: ListHouse;
  readonly others: readonly PlanRow[];
  /** Recipes and plans that would stand here and cannot be read. */
  readonly unread: readonly CannotBeRead[];
  /** The last plans that were put away before anything of them was cooked. */
  readonly away: readonly AwayThing[];
}

/** So many earlier plans are offered to be changed or copied. */
const OTHERS = 8;

const nameOf = ({ batches }: StoredPlan) => batches.map((batch) => batch.recipeName).join(' and ');

const rowOf = (plan: StoredPlan, today: LocalDate): PlanRow => ({
  id: plan.id,
  name: nameOf(plan),
  said: `${countOf(plan.days, 'day')} from ${writeDay(plan.firstDay, today)}`,
  open: plan.open,
});

const inputsOf = ({ db, reference, household, today }: Page, entry?: PlanEntry, planId?: number) =>
  readPlanInputs({ tx: db, reference, household, today }, entry, planId);

const awayPlans = async ({ db, today }: Page): Promise<AwayThing[]> =>
  (await readPlansAway(db, OTHERS)).map(({ id, name, firstDay }) => ({
    id,
    name: `${name}, from ${writeDay(firstDay, today)}`,
  }));

async function listHouse({ db, household }: Page): Promise<ListHouse> {
  const places = await readPlaces(db);
  return { places: places.map(({ id, kind, name }) => ({ id, kind, name })), currency: household.currency };
}

/** What was said of a plan's list, with what came in by it. */
async function itemsOf({ db, household, today }: Page, planId: number): Promise<PlanItem[]> {
  const items = await readPlanItems(db, planId);
  const lots = await readLotsById(
    db,
    items.flatMap(({ holdingId }) => holdingId ?? []),
  );
  return items.map((item) => {
    const lot = lots.find(({ holdingId }) => holdingId === item.holdingId);
    if (!lot) return { ...item, lot: undefined };
    const date = lot.safeUntil ?? lot.bestBy;
    const said = [
      `${writeMassIn(lot.receivedGrams, household.unitSet)} in the ${lot.placeName.toLowerCase()}`,
      lot.priceMinor === undefined ? 'no price yet' : writeMoney(lot.priceMinor, household.currency),
      ...(date === undefined ? [] : [`${lot.safeUntil ? 'use by' : 'best by'} ${writeDay(date, today)}`]),
    ];
    return { ...item, lot: { entry: retypedLot(lot, household.unitSet), said: said.join(' · ') } };
  });
}

/** The plans beside the one in hand, and what cannot be read of them and of the recipes. */
async function othersOf(read: Page, id?: number): Promise<Pick<PlanView, 'others' | 'unread'>> {
  const plans = (await readPlans(read.db, OTHERS)).filter((other) => other.id !== id);
  const { unread } = await readLatestOrUnread(read.db, read.reference);
  return {
    others: plans.filter((other) => !other.unread).map((other) => rowOf(other, read.today)),
    unread: [
      ...unread,
      ...plans.flatMap((other) => other.unread ?? []),
      ...(await readDogs(read.db)).flatMap((dog) => dog.unread ?? []),
    ],
  };
}

/** A new plan, or a copy of an earlier one from tomorrow on. */
export const newPlanView = pageQuery(async (read, copyOf?: number): Promise<PlanView> => {
  const { db } = read;
  const copied = copyOf === undefined ? undefined : (await readStoredPlan(db, copyOf))?.entry;
  const inputs = await inputsOf(read, copied);
  const entry = copied && stillHere(inputs, copied);
  return {
    inputs,
    slot: copyOf === undefined ? 'new' : `copy-${copyOf}`,
    keptId: undefined,
    entry: entry && { ...entry, cookDay: inputs.today, firstDay: inputs.tomorrow, seen: [] },
    items: [],
    house: await listHouse(read),
    away: await awayPlans(read),
    ...(await othersOf(read)),
  };
});

/** A kept plan that may still be changed; undefined where it is not here, or being cooked. */
export const openPlanView = pageQuery(async (read, id: number): Promise<PlanView | undefined> => {
  const { db } = read;
  const plan = await readStoredPlan(db, id);
  if (!plan?.entry || !plan.open) return undefined;
  const inputs = await inputsOf(read, plan.entry, id);
  return {
    inputs,
    slot: `kept-${id}`,
    keptId: id,
    entry: stillHere(inputs, plan.entry),
    items: await itemsOf(read, id),
    house: await listHouse(read),
    away: await awayPlans(read),
    ...(await othersOf(read, id)),
  };
});

export interface KeptPlan {
  readonly id: number;
  readonly name: string;
  readonly about: string;
  readonly open: boolean;
  readonly today: LocalDate;
  readonly set: UnitSet;
  readonly cookDay: LocalDate;
  readonly batches: readonly {
    readonly id: number;
    readonly name: string;
    readonly scale: number;
    readonly lines: readonly {
      readonly name: string;
      readonly measure: string | undefined;
      readonly note: string | undefined;
      readonly grams: number;
    }[];
  }[];
  readonly list: readonly ShoppingItem[];
  /** Lines that were kept as words. */
  readonly uncounted: readonly string[];
  readonly items: readonly PlanItem[];
  readonly house: ListHouse;
}

/** A plan as it was kept, with the amounts that are weighed out: for the phone, for paper, and while it is cooked. */
export const keptPlan = pageQuery(async (read, id: number): Promise<KeptPlan | undefined> => {
  const { db, household } = read;
  const plan = await readStoredPlan(db, id);
  if (!plan) return undefined;
  if (plan.unread) throw new Unreadable(plan.unread);
  const dogs = await readDogs(db, 'archived too');
  const batches = await readBatchesOf(read, plan);
  const eaters = dogs.filter((dog) => batches[0]?.batch.dogIds.includes(dog.id)).map((dog) => dog.name);
  return {
    id,
    name: nameOf(plan),
    about: `for ${eaters.join(', ')}, ${countOf(plan.days, 'day')} from ${writeDay(plan.firstDay, read.today)}, cooked on ${writeDayInFull(plan.cookDay)}`,
    open: plan.open,
    today: read.today,
    set: household.unitSet,
    cookDay: plan.cookDay,
    batches: batches.map(({ batch, planned }) => {
      const kitchen = scaledForKitchen(
        planned.takes.map((take) => take.written),
        planned.takes.map((take) => take.bought),
        household.unitSet,
      );
      return {
        id: batch.id,
        name: batch.recipeName,
        scale: batch.scale,
        lines: planned.takes.map(({ written, bought }, index) => ({
          name: written.text,
          measure: nth(kitchen, index).measure,
          note: sayWhatGoes(written),
          grams: bought,
        })),
      };
    }),
    list: await readShopping(read, plan, batches),
    uncounted: batches.flatMap(({ planned }) => planned.uncounted.map(({ text }) => text)),
    items: await itemsOf(read, id),
    house: await listHouse(read),
  };
});

export type PlanRows = readonly { readonly label: string; readonly said: string; readonly note: string | undefined }[];

/** What an open plan comes to, row by row, looked at from the day on which it was to be cooked: for paper. */
export const planRows = pageQuery(async (read, id: number): Promise<PlanRows> => {
  const plan = await readStoredPlan(read.db, id);
  if (!plan?.entry || !plan.open) return [];
  const today = plan.cookDay < read.today ? plan.cookDay : read.today;
  const inputs = await inputsOf({ ...read, today }, plan.entry, id);
  const result = workOutPlan(inputs, plan.entry);
  if (!result.ok) return [];
  return inAllBindings(inputs, result.value, plan.entry.binding).map(({ label, said, note }) => ({
    label,
    said,
    note,
  }));
});
