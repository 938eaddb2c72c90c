import 'server-only';
import { TZDate } from '@date-fns/tz';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { readMealTimes, type MealTimes } from '@/core/household/meal-times';
import { readLabelAddress } from '@/core/label/address';
import type { UnitSet } from '@/core/quantity/units';
import { keepFoodFacts } from '../repositories/food-facts';
import { changeHousehold } from '../repositories/household';
import { refoldStock } from './ledger';
import { need, refuse, type Context } from './run';

export interface HouseholdEntry {
  readonly unitSet: UnitSet;
  readonly energyFactors: EnergyFactors;
  readonly fridgeDays: number;
  readonly timeZone: string;
  readonly currency: string;
  /** What the codes on labels open; empty: the address that the page was asked at. */
  readonly labelAddress?: string | null | undefined;
  readonly mealTimes: MealTimes;
}

/** What an empty house is asked first. */
export type Beginning = Pick<HouseholdEntry, 'unitSet' | 'timeZone' | 'mealTimes'>;

function checkTimeZone(timeZone: string): void {
  if (Number.isNaN(new TZDate(2026, 0, 1, timeZone).getTime()))
    refuse('This time zone is not known. Choose one from the list, such as Europe/Oslo.', 'timeZone');
}

/** Changes the settings that hold for everything; meal times hold for the dogs that come later. */
export async function saveHousehold(context: Context, entry: HouseholdEntry): Promise<void> {
  if (!Number.isInteger(entry.fridgeDays) || entry.fridgeDays < 3 || entry.fridgeDays > 5) {
    refuse('Cooked food keeps 3 to 5 days in the fridge; the usual is 4 (USDA: 3–4).', 'fridgeDays');
  }
  checkTimeZone(entry.timeZone);
  const mealTimes = need(readMealTimes(entry.mealTimes));
  const labelAddress = need(readLabelAddress(entry.labelAddress ?? ''));
  await changeHousehold(context.tx, { ...entry, labelAddress: labelAddress ?? null, mealTimes, unitsSaid: true });
  if (entry.energyFactors !== context.household.energyFactors)
    await keepFoodFacts(context.tx, context.reference, entry.energyFactors);
  // The dates in force of what is in the fridge follow the new rule at once; the labels keep what they said.
  if (entry.fridgeDays !== context.household.fridgeDays)
    await refoldStock({ ...context, household: { ...context.household, ...entry } });
}

/** The household says its measures, its clock and its meals for the first time. */
export async function beginHousehold({ tx }: Context, { unitSet, timeZone, mealTimes }: Beginning): Promise<void> {
  checkTimeZone(timeZone);
  await changeHousehold(tx, { unitSet, timeZone, mealTimes: need(readMealTimes(mealTimes)), unitsSaid: true });
}
