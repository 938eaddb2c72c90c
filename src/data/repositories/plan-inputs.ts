import 'server-only';
import { asIfHere } from '@/core/dog/days-off';
import { addDays, type LocalDate } from '@/core/calendar/local-date';
import { homeEnergyOn, mealsOn } from '@/core/dog/meals';
import type { PlanInputs } from '@/core/plan/inputs';
import type { PlanEntry } from '@/core/plan/plan-entry';
import { proteinOf } from '@/core/recipe/protein';
import { uncountedOf } from '@/core/recipe/uncounted';
import { coverOf, kcalCovered } from '@/core/stock/cover';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readAvoided } from './avoided';
import { readDogs, type StoredDog } from './dogs';
import { readFoodsByKey } from './foods';
import { readEquipment } from './equipment';
import { readLots } from './lots';
import { readPromised } from './promised';
import { readPlaces, type Household } from './household';
import { readDatingNow } from './shelf-rules';
import { readLearned, readPots } from './pots';
import { readLatestVersions } from './recipes';
import { readStock, type StoredPack } from './stock';
import { sourceOf } from './sources';
import { sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

/** How far ahead the stock is played against the dogs' days: no household's freezer reaches further (common practice). */
const COVERED_DAYS = 60;

interface Here {
  readonly tx: Tx;
  readonly reference: Reference;
  readonly household: Household;
  readonly today: LocalDate;
}

/** kcal that the stock holds for each dog on each day, first expired first out. */
async function coveredBy({ tx, reference, today }: Here, dogs: readonly StoredDog[], stock: StoredPack[]) {
  if (stock.length === 0) return {};
  const avoided = await readAvoided(tx, reference, dogs, today);
  const days = new Map(dogs.map((dog): [number, number] => [dog.id, homeEnergyOn(asIfHere(dog), today)]));
  return kcalCovered(
    coverOf(
      dogs.map((dog) => ({ dogId: dog.id, mealsOn: (index) => mealsOn(dog, addDays(today, index)) })),
      COVERED_DAYS,
      stock.map((pack) => ({ ...sourceOf(pack, days), notFor: avoided.dogsNotFor({ holdingId: pack.holdingId }) })),
      today,
    ),
  );
}

/** Everything that a plan stands on, as it is now; `entry` brings along the foods that it swaps in, `planId` says which plan it is. */
export async function readPlanInputs(here: Here, entry?: PlanEntry, planId?: number): Promise<PlanInputs> {
  const { tx, reference, household, today } = here;
  const versions = await readLatestVersions(tx, reference);
  const dogs = await readDogs(tx);
  const pots = await readPots(
    tx,
    versions.map((version) => version.recipeId),
  );
  const learned = await readLearned(tx);
  const stock = await readStock(tx);
  const lots = await readLots(tx);
  const freezers = (await readPlaces(tx)).filter((place) => place.kind === 'freezer');
  const sized = freezers.filter((place) => place.capacityMl !== null);
  // Beside a size, what lies in freezers without one takes none of it.
  const counted = sized.length > 0 ? sized : freezers;
  const swapped = (entry?.batches ?? []).flatMap((batch) => Object.values(batch.swaps ?? {}));
  return {
    today,
    tomorrow: addDays(today, 1),
    set: household.unitSet,
    factors: household.energyFactors,
    dating: await readDatingNow(tx, reference.shelfLives),
    hazards: reference.hazards,
    profiles: reference.profiles,
    names: Object.fromEntries(
      dogs.flatMap((dog) =>
        dog.avoids.flatMap(({ what }) =>
          what.kind === 'food' ? [[what.ndb, reference.foods.get(what.ndb)?.name ?? ''] as const] : [],
        ),
      ),
    ),
    recipes: versions.map((version) => ({
      id: version.recipeId,
      versionId: version.id,
      name: version.name,
      protein: proteinOf(version.lines),
      written: version.written,
      components: version.components,
      uncounted: uncountedOf(version.entry.lines, household.unitSet),
      cupGrams: version.cupGrams,
      pots: pots.get(version.recipeId) ?? [],
      learned: learned.of(version.recipeId),
    })),
    dogs,
    equipment: await readEquipment(tx),
    freezer: {
      capacity: sized.length > 0 ? addUp(sized, (place) => sure(place.capacityMl)) : undefined,
      used: addUp(
        [...stock, ...lots].filter((held) => counted.some(({ id }) => id === held.placeId)),
        (held) => held.grams,
      ),
    },
    lots: lots.map(({ holdingId, key, name, grams, place, safeUntil, bestBy, receivedOn, blocked }) => ({
      holdingId,
      key,
      name,
      grams,
      place,
      safeUntil,
      bestBy,
      receivedOn,
      blocked,
    })),
    promised: await readPromised(tx, reference),
    planId,
    foods: [...(await readFoodsByKey(tx, reference, swapped)).values()],
    covered: await coveredBy(here, dogs, stock),
  };
}
