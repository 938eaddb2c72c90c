import 'server-only';
import type { LocalDate } from '@/core/calendar/local-date';
import { addDays } from '@/core/calendar/local-date';
import type { Dog } from '@/core/dog/dog';
import type { Avoid } from '@/core/dog/avoid';
import { vetCaution } from '@/core/dog/stage';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSet } from '@/core/quantity/units';
import type { Hazard } from '@/core/recipe/hazards';
import { proteinMark, type ProteinMark } from '@/core/recipe/protein';
import type { WrittenLine } from '@/core/recipe/written';
import { reading } from '@/data/reading';
import { readDogs } from '@/data/repositories/dogs';
import { USUALLY_KEPT } from '@/core/plan/bind';
import { keptOfPot, readLatestVersions } from '@/data/repositories/recipes';

export interface PlannableRecipe {
  readonly id: number;
  readonly name: string;
  readonly mark: ProteinMark;
  readonly written: readonly (WrittenLine & { readonly quantity: Quantity })[];
  /** g of finished food for each g that goes in, and whether a pot of it was weighed. */
  readonly kept: number;
  readonly measuredPot: boolean;
}

export interface PlannableDog extends Dog {
  readonly id: number;
  readonly mark: number;
  readonly caution: string | undefined;
  readonly cut: string | undefined;
  readonly avoids: readonly Avoid[];
  readonly vetNotes: readonly { readonly hazardId: string }[];
}

export interface PlanView {
  readonly today: LocalDate;
  readonly tomorrow: LocalDate;
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  readonly hazards: readonly Hazard[];
  /** What the foods of the avoid lists are called, by their number. */
  readonly names: Readonly<Record<string, string>>;
  readonly recipes: readonly PlannableRecipe[];
  readonly dogs: readonly PlannableDog[];
}

export async function planView(): Promise<PlanView> {
  const { db, reference, household, today } = await reading();
  const versions = await readLatestVersions(db, reference);
  const dogs = await readDogs(db);
  const kept: (number | undefined)[] = [];
  for (const version of versions) kept.push(await keptOfPot(db, version.recipeId));
  return {
    today,
    tomorrow: addDays(today, 1),
    set: household.unitSet,
    factors: household.energyFactors,
    recipes: versions.map((version, index) => ({
      id: version.recipeId,
      name: version.name,
      mark: proteinMark(version.lines),
      written: version.written,
      kept: kept[index] ?? USUALLY_KEPT,
      measuredPot: kept[index] !== undefined,
    })),
    hazards: reference.hazards,
    names: Object.fromEntries(
      dogs.flatMap((dog) =>
        dog.avoids.flatMap(({ what }) =>
          what.kind === 'food' ? [[what.ndb, reference.foods.get(what.ndb)?.name ?? ''] as const] : [],
        ),
      ),
    ),
    dogs: dogs.map((dog) => ({ ...dog, caution: vetCaution(dog, today) })),
  };
}
