import 'server-only';
import type { LocalDate } from '@/core/calendar/local-date';
import type { PlaceOffered } from '@/core/plan/list-entry';
import { expectedFood, type ExpectedFood } from '@/core/stock/found';
import { pageQuery } from '@/data/page';
import { readDogs } from '@/data/repositories/dogs';
import { readPlaces } from '@/data/repositories/household';
import { readPots } from '@/data/repositories/pots';
import { readLatestVersions } from '@/data/repositories/recipes';

export interface FoundView {
  readonly today: LocalDate;
  readonly places: readonly PlaceOffered[];
  readonly dogs: readonly { readonly id: number; readonly name: string }[];
  /** What a pack of each recipe is expected to hold; undefined: nobody can say. */
  readonly recipes: readonly {
    readonly id: number;
    readonly name: string;
    readonly expected: ExpectedFood | undefined;
  }[];
}

export const foundView = pageQuery(async ({ db, reference, household, today }): Promise<FoundView> => {
  const versions = await readLatestVersions(db, reference);
  const pots = await readPots(
    db,
    versions.map(({ recipeId }) => recipeId),
  );
  return {
    today,
    places: (await readPlaces(db)).map(({ id, kind, name }) => ({ id, kind, name })),
    dogs: (await readDogs(db)).map(({ id, name }) => ({ id, name })),
    recipes: versions.map(({ recipeId, name, written }) => ({
      id: recipeId,
      name,
      expected: expectedFood(written, pots.get(recipeId) ?? [], household.energyFactors),
    })),
  };
});
