import 'server-only';
import type { Equipment } from '@/core/plan/equipment';
import type { UnitSet } from '@/core/quantity/units';
import type { AwayThing } from '@/core/away';
import { pageQuery } from '@/data/page';
import { readEquipment, readEquipmentAway } from '@/data/repositories/equipment';
import { readFoodsByKey } from '@/data/repositories/foods';
import { readMeanings } from '@/data/repositories/pantry';
import { readAllPlaces, type Place } from '@/data/repositories/household';

export const householdView = pageQuery(async ({ db, household, reference }) => {
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
});

/** What limits a plan: the places with their size, and the things of the kitchen. */
export interface KitchenView {
  readonly places: readonly Pick<Place, 'id' | 'kind' | 'name' | 'capacityMl'>[];
  readonly equipment: readonly Equipment[];
  /** What was put away. */
  readonly away: { readonly places: readonly AwayThing[]; readonly equipment: readonly AwayThing[] };
}

async function kitchenView(db: Parameters<typeof readAllPlaces>[0]): Promise<KitchenView> {
  const all = await readAllPlaces(db);
  const places = all.filter((place) => place.archivedAt === null);
  return {
    away: {
      places: all.filter((place) => place.archivedAt !== null).map(({ id, name }) => ({ id, name })),
      equipment: await readEquipmentAway(db),
    },
    places: places.map(({ id, kind, name, capacityMl }) => ({ id, kind, name, capacityMl })),
    equipment: await readEquipment(db),
  };
}

export type HouseholdView = Awaited<ReturnType<typeof householdView>>;

/** The household's measures, and whether it has said them. */
export const unitsView = pageQuery(async ({ household }): Promise<{ set: UnitSet; said: boolean }> => {
  return { set: household.unitSet, said: household.unitsSaid };
});
