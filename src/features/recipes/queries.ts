import 'server-only';
import type { KnownFood } from '@/core/food/food';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { UnitSet } from '@/core/quantity/units';
import type { Profiles } from '@/core/nutrition/profiles';
import type { Hazard } from '@/core/recipe/hazards';
import { proteinMark, type ProteinMark } from '@/core/recipe/protein';
import { recipeSheet, type RecipeSheet } from '@/core/recipe/sheet';
import type { Moment } from '@/core/recipe/recipe';
import { reading, type Reading } from '@/data/reading';
import { readLatestVersion, readLatestVersions } from '@/data/repositories/recipes';
import type { LineEntry, RecipeEntry } from './schema';

export interface RecipeRow {
  readonly recipeId: number;
  readonly name: string;
  readonly version: number;
  readonly lines: string;
  readonly mark: ProteinMark;
  readonly sheet: RecipeSheet;
}

export async function recipeRows(): Promise<RecipeRow[]> {
  const { db, reference, household } = await reading();
  return (await readLatestVersions(db, reference)).map((version) => ({
    recipeId: version.recipeId,
    name: version.name,
    version: version.number,
    lines: version.lines.map((line) => line.text).join(', '),
    mark: proteinMark(version.lines),
    sheet: recipeSheet(version.lines, household.energyFactors),
  }));
}

export interface RecipeForm {
  readonly id: number | undefined;
  readonly version: number | undefined;
  readonly set: UnitSet;
  readonly factors: EnergyFactors;
  readonly entry: RecipeEntry;
  readonly foods: readonly KnownFood[];
  readonly hazards: readonly Hazard[];
  readonly profiles: Profiles;
  readonly additions: readonly KnownAddition[];
}

/** A food that may be proposed, with its cap in g per 1000 kcal and when it goes in. */
export interface KnownAddition extends KnownFood {
  readonly cap: number;
  readonly moment: Moment;
}

const additionsOf = ({ additions, foods, measures }: Reading['reference']): KnownAddition[] =>
  additions.flatMap(({ ndb, cap, moment }) => {
    const food = foods.get(ndb);
    return food ? [{ food, measures: measures.get(ndb) ?? [], cap, moment }] : [];
  });

export async function newRecipeForm(): Promise<RecipeForm> {
  const { household, reference } = await reading();
  return {
    hazards: reference.hazards,
    profiles: reference.profiles,
    additions: additionsOf(reference),
    id: undefined,
    version: undefined,
    set: household.unitSet,
    factors: household.energyFactors,
    entry: { name: '', lines: [] },
    foods: [],
  };
}

export async function recipeForm(id: number): Promise<RecipeForm | undefined> {
  const { db, reference, household } = await reading();
  const version = await readLatestVersion(db, reference, id);
  if (!version) return undefined;
  return {
    hazards: reference.hazards,
    profiles: reference.profiles,
    additions: additionsOf(reference),
    id,
    version: version.number,
    set: household.unitSet,
    factors: household.energyFactors,
    entry: {
      name: version.name,
      lines: version.lines.map((line): LineEntry => ({
        amount: line.amount,
        ndb: line.food.ndb,
        preparation: line.preparation ?? '',
        part: line.part,
        moment: line.moment,
      })),
    },
    foods: version.lines.map((line) => ({ food: line.food, measures: reference.measures.get(line.food.ndb) ?? [] })),
  };
}
