import 'server-only';
import type { LocalDate } from '@/core/calendar/local-date';
import { addDays } from '@/core/calendar/local-date';
import type { Dog } from '@/core/dog/dog';
import { avoidedIn, sayAvoided, stops } from '@/core/dog/avoid';
import { vetCaution } from '@/core/dog/stage';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSet } from '@/core/quantity/units';
import { checkedLines, hazardsIn, type Hazard } from '@/core/recipe/hazards';
import { proteinMark, type ProteinMark } from '@/core/recipe/protein';
import { everyLine } from '@/core/recipe/bases';
import type { WrittenLine } from '@/core/recipe/written';
import { reading } from '@/data/reading';
import { readDogs } from '@/data/repositories/dogs';
import { readLatestVersions } from '@/data/repositories/recipes';

export interface PlannableRecipe {
  readonly id: number;
  readonly name: string;
  readonly mark: ProteinMark;
  /** What can hurt in it, worst first, one of a kind. */
  readonly hazards: readonly Hazard[];
  readonly written: readonly (WrittenLine & { readonly quantity: Quantity })[];
}

export interface PlannableDog extends Dog {
  readonly id: number;
  readonly mark: number;
  readonly caution: string | undefined;
  /** What each recipe holds that this dog does not get, by the recipe's id. */
  readonly avoided: Readonly<Record<number, { readonly said: string; readonly stops: boolean }>>;
  readonly cut: string | undefined;
  readonly vetNotes: readonly { readonly hazardId: string }[];
}

export interface PlanView {
  readonly today: LocalDate;
  readonly tomorrow: LocalDate;
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  readonly recipes: readonly PlannableRecipe[];
  readonly dogs: readonly PlannableDog[];
}

export async function planView(): Promise<PlanView> {
  const { db, reference, household, today } = await reading();
  const versions = await readLatestVersions(db, reference);
  return {
    today,
    tomorrow: addDays(today, 1),
    set: household.unitSet,
    factors: household.energyFactors,
    recipes: versions.map((version) => ({
      id: version.recipeId,
      name: version.name,
      mark: proteinMark(version.lines),
      hazards: [
        ...new Set(hazardsIn(checkedLines(everyLine(version.written)), reference.hazards).map((hit) => hit.hazard)),
      ],
      written: version.written,
    })),
    dogs: (await readDogs(db)).map((dog) => ({
      ...dog,
      caution: vetCaution(dog, today),
      avoided: Object.fromEntries(
        versions.flatMap((version) => {
          const hits = avoidedIn(
            dog.avoids,
            everyLine(version.written).map((line) => line.food),
            (ndb) => reference.foods.get(ndb)?.name,
          );
          if (hits.length === 0) return [];
          return [[version.recipeId, { said: sayAvoided(hits), stops: hits.some(stops) }] as const];
        }),
      ),
    })),
  };
}
