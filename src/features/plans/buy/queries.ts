import 'server-only';
import { addDays, writeDay, type LocalDate } from '@/core/calendar/local-date';
import { boughtOnce, type BoughtOnce, type PlanToBuy } from '@/core/plan/buy-several';
import type { PlaceOffered } from '@/core/plan/list-entry';
import { readBatchesOf, readShopping } from '@/data/fetching';
import { pageQuery } from '@/data/page';
import { readPlaces } from '@/data/repositories/household';
import { readLots } from '@/data/repositories/lots';
import { readPlanItems, readPlans } from '@/data/repositories/plans';
import { OPEN_PLANS, readPromised } from '@/data/repositories/promised';

export const BUY_DAYS = [7, 14, 28, 84] as const;

export interface BuyView {
  readonly days: number;
  /** The plans that are bought for, the first to be cooked first. */
  readonly plans: readonly { readonly planId: number; readonly said: string }[];
  readonly items: readonly (BoughtOnce & { readonly forDays: string })[];
  readonly places: readonly PlaceOffered[];
}

/** What is bought once for all plans that are cooked within so many days. */
export const buyView = pageQuery(async (read, days: number): Promise<BuyView> => {
  const { db, reference, household, today } = read;
  const until = addDays(today, days);
  const plans = (await readPlans(db, OPEN_PLANS))
    .filter(({ open, unread, cookDay }) => open && !unread && cookDay >= today && cookDay <= until)
    .sort((a, b) => a.cookDay.localeCompare(b.cookDay) || a.id - b.id);
  const known = { lots: await readLots(db), promised: await readPromised(db, reference) };
  const toBuy: PlanToBuy[] = [];
  const cookDays = new Map<number, LocalDate>();
  for (const plan of plans) {
    const items = await readShopping(read, plan, await readBatchesOf(read, plan), known);
    const said = await readPlanItems(db, plan.id);
    cookDays.set(plan.id, plan.cookDay);
    toBuy.push({
      planId: plan.id,
      items,
      bought: new Set(
        said.filter(({ ticked, fetchedFrom }) => ticked && fetchedFrom === 'shop').map(({ foodKey }) => foodKey),
      ),
    });
  }
  return {
    days,
    plans: plans.map(({ id, cookDay, batches }) => ({
      planId: id,
      said: `${writeDay(cookDay, today)}: ${batches.map(({ recipeName }) => recipeName).join(' and ')}`,
    })),
    items: boughtOnce(toBuy, household.unitSet).map((each) => ({
      ...each,
      forDays: [...new Set(each.planIds.map((id) => writeDay(cookDays.get(id) ?? today, today)))].join(', '),
    })),
    places: (await readPlaces(db)).map(({ id, kind, name }) => ({ id, kind, name })),
  };
});
