import 'server-only';
import { addDays } from '@/core/calendar/local-date';
import { asIfHere, isOffOn } from '@/core/dog/days-off';
import { homeEnergyOn } from '@/core/dog/meals';
import { mealsAhead } from '@/core/stock/meals-ahead';
import type { KeptFrom } from '@/core/stock/avoided';
import type { DogAhead, FeedingRules } from '@/core/stock/cover';
import type { Source } from '@/core/stock/draw';
import { readProteins, type Page } from './page';
import { readRecentProteins } from './repositories/recent-proteins';
import { readAvoided } from './repositories/avoided';
import { readHolds } from './repositories/holds';
import { readBowlsOn, type StoredBowl } from './repositories/bowls';
import { readDogs, type StoredDog } from './repositories/dogs';
import { readStock, type StoredPack } from './repositories/stock';
import { readWarmShares, sourceOf, warmSourceOf, type WarmShare } from './repositories/sources';

/** All that the coming days are played from: who eats what on which day, and what there is. */
export interface Ahead {
  readonly dogs: readonly StoredDog[];
  readonly stock: readonly StoredPack[];
  readonly warm: readonly WarmShare[];
  readonly avoided: KeptFrom;
  /** Each pack and each pot that is eaten today, as a bowl sees it: those that are warm first, then the packs in their order. */
  readonly sources: readonly Source[];
  readonly meals: readonly DogAhead[];
  readonly keeps: FeedingRules;
}

/** Meals of earlier days are looked at no further back than this, in days. */
const DAYS_BACK = 31;

/** Reads what the coming days are played from. `bowls` are those of today, where they were read already. */
export async function readAhead(
  read: Pick<Page, 'db' | 'today' | 'clock' | 'household' | 'reference'>,
  bowls?: readonly StoredBowl[],
): Promise<Ahead> {
  const { db, today, clock, household, reference } = read;
  const stock = await readStock(db);
  // What a pack is of a day asks for the weight of the day on which it was made.
  const [since = today] = [addDays(today, -DAYS_BACK), ...stock.map(({ packedOn }) => packedOn)].sort();
  const dogs = await readDogs(db, undefined, since);
  const fed = bowls ?? (await readBowlsOn(db, today));
  const avoided = await readAvoided(db, reference, dogs, today);
  const warm = await readWarmShares(db, today, household.energyFactors);
  const proteinDays = household.proteinDays ?? undefined;
  const mixed = household.mixedProteins;
  const holds = await readHolds(db, today);
  // Nobody asks for proteins where there is no rule.
  const proteins = proteinDays === undefined && !mixed ? undefined : await readProteins(read);
  const recent = proteins && (await readRecentProteins(db, today, proteinDays ?? 1, proteins));
  const days = new Map(dogs.map((dog): [number, number] => [dog.id, homeEnergyOn(asIfHere(dog), today)]));
  return {
    dogs,
    stock,
    warm,
    avoided,
    sources: [
      ...warm.map((each) => ({
        ...warmSourceOf(each, days),
        protein: proteins?.get(each.recipeId),
        notFor: avoided.dogsNotFor({ batchId: each.batchId }),
      })),
      ...stock.map((pack) => ({
        ...sourceOf(pack, days),
        held: holds.get(pack.holdingId),
        protein: proteins?.get(pack.recipeId),
        notFor: avoided.dogsNotFor({ holdingId: pack.holdingId }),
      })),
    ],
    meals: dogs.map((dog) => {
      const done = new Set(fed.flatMap((bowl) => (bowl.dogId === dog.id ? [bowl.slotId] : [])));
      return {
        dogId: dog.id,
        run: recent?.get(dog.id)?.run,
        hadToday: recent?.get(dog.id)?.today,
        mealsOn: mealsAhead(dog, today, clock, done),
        isOff: (index) => isOffOn(dog, addDays(today, index)),
      };
    }),
    keeps: { proteinDays, mixed },
  };
}
