import 'server-only';
import { TZDate } from '@date-fns/tz';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { UnitSet } from '@/core/quantity/units';
import { keepFoodFacts } from '../repositories/food-facts';
import { changeHousehold } from '../repositories/household';
import { refoldStock } from './ledger';
import { refuse, type Context } from './run';

export interface HouseholdEntry {
  readonly unitSet: UnitSet;
  readonly energyFactors: EnergyFactors;
  readonly fridgeDays: number;
  readonly timeZone: string;
}

/** Changes the settings that hold for everything. */
export async function saveHousehold(context: Context, entry: HouseholdEntry): Promise<void> {
  if (!Number.isInteger(entry.fridgeDays) || entry.fridgeDays < 3 || entry.fridgeDays > 5) {
    refuse('Cooked food keeps 3 to 5 days in the fridge; the usual is 4 (USDA: 3–4).', 'fridgeDays');
  }
  if (Number.isNaN(new TZDate(2026, 0, 1, entry.timeZone).getTime())) {
    refuse('This time zone is not known. Write it like Europe/Oslo.', 'timeZone');
  }
  await changeHousehold(context.tx, { ...entry, unitsSaid: true });
  if (entry.energyFactors !== context.household.energyFactors)
    await keepFoodFacts(context.tx, context.reference, entry.energyFactors);
  // The dates in force of what is in the fridge follow the new rule at once; the labels keep what they said.
  if (entry.fridgeDays !== context.household.fridgeDays)
    await refoldStock({ ...context, household: { ...context.household, ...entry } });
}

/** The household says its measures for the first time. */
export const sayUnits = async ({ tx }: Context, { unitSet }: { unitSet: UnitSet }): Promise<void> => {
  await changeHousehold(tx, { unitSet, unitsSaid: true });
};
