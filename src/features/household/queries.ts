import 'server-only';
import type { Equipment } from '@/core/plan/equipment';
import type { UnitSet } from '@/core/quantity/units';
import { reading } from '@/data/reading';
import { readEquipment } from '@/data/repositories/equipment';
import { readFoodsByKey } from '@/data/repositories/foods';
import { readMeanings } from '@/data/repositories/pantry';
import { readPlaces, type Place } from '@/data/repositories/household';

export async function householdView() {
  const { db, household, reference } = await reading();
  const { unitSet, energyFactors, fridgeDays, timeZone } = household;
  const own = await readMeanings(db);
  const known = await readFoodsByKey(
    db,
    reference,
    own.flatMap(({ ndb }) => ndb ?? []),
  );
  const meanings = own.flatMap(({ words, ndb }) => {
    const food = known.get(ndb ?? '');
    return food ? [{ words, known: food }] : [];
  });
  return { unitSet, energyFactors, fridgeDays, timeZone, meanings, kitchen: await kitchenView(db) };
}

/** What limits a plan: the places with their size, and the things of the kitchen. */
export interface KitchenView {
  readonly places: readonly Pick<Place, 'id' | 'kind' | 'name' | 'capacityMl'>[];
  readonly equipment: readonly Equipment[];
}

async function kitchenView(db: Parameters<typeof readPlaces>[0]): Promise<KitchenView> {
  const places = await readPlaces(db);
  return {
    places: places.map(({ id, kind, name, capacityMl }) => ({ id, kind, name, capacityMl })),
    equipment: await readEquipment(db),
  };
}

export type HouseholdView = Awaited<ReturnType<typeof householdView>>;

/** The household's measures, and whether it has said them. */
export async function unitsView(): Promise<{ set: UnitSet; said: boolean }> {
  const { household } = await reading();
  return { set: household.unitSet, said: household.unitsSaid };
}
