import 'server-only';
import { reading } from '@/data/reading';

export async function householdView() {
  const { household } = await reading();
  const { unitSet, energyFactors, fridgeDays, timeZone } = household;
  return { unitSet, energyFactors, fridgeDays, timeZone };
}

export type HouseholdView = Awaited<ReturnType<typeof householdView>>;
