import 'server-only';
import type { LocalDate } from '@/core/calendar/local-date';
import type { Promised } from '@/core/plan/promised';
import {
  shoppingList,
  thawOf,
  usuallyFrom,
  type HouseFor,
  type ShoppingItem,
  type TakeOut,
} from '@/core/plan/shopping';
import { nth } from '@/core/sure';
import { unlessUnread } from '@/core/unreadable';
import type { Page } from './page';
import { readBatchIfReadable, type StoredBatch } from './repositories/batches';
import { readLots, type StoredLot } from './repositories/lots';
import { readPlannedLines, type PlannedLines } from './repositories/planned';
import { OPEN_PLANS, readPromised } from './repositories/promised';
import { readPlanItems, readPlans, type StoredPlan } from './repositories/plans';

export interface PlannedBatch {
  readonly batch: StoredBatch;
  readonly planned: PlannedLines;
}

/** The batches of a kept plan with their lines, as far as they can be read. */
export async function readBatchesOf({ db, reference, household }: Page, plan: StoredPlan): Promise<PlannedBatch[]> {
  const found: PlannedBatch[] = [];
  for (const { id } of plan.batches) {
    const batch = await readBatchIfReadable(db, id, household.energyFactors);
    const planned = batch && (await unlessUnread(readPlannedLines(db, reference, batch)));
    if (batch && planned) found.push({ batch, planned });
  }
  return found;
}

/** What is fetched for a kept plan, with what of it is in the house; of what is in the pot already nothing more is. */
export async function readShopping(
  { db, reference, household, today }: Page,
  plan: StoredPlan,
  batches: readonly PlannedBatch[],
  known?: Pick<HouseFor, 'lots' | 'promised'>,
): Promise<ShoppingItem[]> {
  return shoppingList(
    batches.flatMap(({ batch, planned }) =>
      planned.written.map((line, place) => ({ recipe: batch.recipeName, line, grams: nth(planned.bought, place) })),
    ),
    household.unitSet,
    plan.open
      ? {
          ...(known ?? { lots: await readLots(db), promised: await readPromised(db, reference) }),
          planId: plan.id,
          cookDay: plan.cookDay,
          today,
        }
      : undefined,
  );
}

/** A frozen ingredient that is to be moved to the fridge for a cook day. */
export interface ToThaw {
  readonly planId: number;
  readonly key: string;
  readonly name: string;
  readonly cookDay: LocalDate;
  readonly by: TakeOut;
}

/** Days before its cook day beyond which nothing is taken out for it: 10 kg in one piece thaw in five (USDA, from memory). */
export const LONGEST_THAW = 7;
const FAR = '9999-12-31' as LocalDate;

/** What open plans want out of the freezer, the first to be moved first. Takes what is in the house, where it was read already. */
export async function readToThaw(read: Page, lots?: readonly StoredLot[], until: LocalDate = FAR): Promise<ToThaw[]> {
  const { db, reference, household, today } = read;
  const found: ToThaw[] = [];
  const here = lots ?? (await readLots(db));
  const isFrozen = here.some(({ place }) => place === 'freezer');
  let promised: readonly Promised[] | undefined;
  for (const plan of await readPlans(db, OPEN_PLANS)) {
    if (!plan.open || plan.cookDay < today || plan.cookDay > until) continue;
    const items = await readPlanItems(db, plan.id);
    // A list is long to work out: only where something of it may lie in the freezer.
    if (!isFrozen && !items.some(({ fetchedFrom }) => fetchedFrom === 'freezer')) continue;
    promised ??= await readPromised(db, reference);
    const batches = await readBatchesOf(read, plan);
    for (const item of await readShopping(read, plan, batches, { lots: here, promised })) {
      const said = items.find(({ foodKey }) => foodKey === item.key);
      if (said?.ticked === true || (said?.fetchedFrom ?? usuallyFrom(item)) !== 'freezer') continue;
      found.push({
        planId: plan.id,
        key: item.key,
        name: item.name,
        cookDay: plan.cookDay,
        by: thawOf(item, plan.cookDay, household.unitSet),
      });
    }
  }
  return found.sort((a, b) => a.by.day.localeCompare(b.by.day) || a.by.hour - b.by.hour);
}
