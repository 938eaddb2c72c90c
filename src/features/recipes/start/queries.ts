import 'server-only';
import type { KnownFood } from '@/core/food/food';
import type { RecipeEntry } from '@/core/recipe/entry-schema';
import { pageQuery, type Page } from '@/data/page';
import { lookingOf, withTemperatures, type RecipeForm } from '../queries';

/** A balanced recipe of ours to begin with. */
export interface ExampleRecipe {
  readonly entry: RecipeEntry;
  readonly foods: readonly KnownFood[];
}

export interface NewRecipeForm extends RecipeForm {
  readonly examples: readonly ExampleRecipe[];
}

export const newRecipeForm = pageQuery(async (read): Promise<NewRecipeForm> => ({
  ...(await lookingOf(read)),
  id: undefined,
  version: undefined,
  entry: { name: '', lines: [] },
  foods: [],
  pots: [],
  examples: examplesOf(read),
}));

const examplesOf = ({ reference, household }: Page): ExampleRecipe[] =>
  reference.examples.map((entry) => ({
    entry: withTemperatures(entry, household.unitSet),
    foods: [...new Set(entry.lines.map((line) => line.ndb))].flatMap((ndb) => {
      const food = reference.foods.get(ndb);
      return food ? [{ food, measures: reference.measures.get(ndb) ?? [] }] : [];
    }),
  }));
