import 'server-only';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Papa from 'papaparse';
import { z } from 'zod';
import type { Food, FoodMeasure } from '@/core/food/food';
import { readFoodRow, type FoodRow } from '@/core/food/rows';
import { indexPhrases, readPhrase, type KitchenWords, type PhraseRow } from '@/core/food/kitchen-words';
import { foldWords } from '@/core/food/fold';
import { addCounts, type CountRow } from '@/core/food/counts';
import { indexFoods, type FoodIndex } from '@/core/food/search';
import { hazardSchema, type Hazard } from '@/core/recipe/hazards';
import { LABEL_ONLY, NUTRIENTS } from '@/core/nutrition/nutrients';
import { profilesSchema, type Profiles } from '@/core/nutrition/profiles';
import { shapeSchema, type NamedShape } from '@/core/recipe/shape';
import { recipeEntrySchema, type RecipeEntry } from '@/core/recipe/entry-schema';
import { MOMENTS, type Moment } from '@/core/recipe/recipe';
import { shelfLifeSchema, type ShelfLives } from '@/core/preserve/shelf-life';

/** The tables in data/, read once and handed to core as arguments. */
export interface Reference {
  readonly foods: ReadonlyMap<string, Food>;
  readonly measures: ReadonlyMap<string, readonly FoodMeasure[]>;
  readonly index: FoodIndex;
  readonly words: KitchenWords;
  readonly shelfLives: ShelfLives;
  readonly hazards: readonly Hazard[];
  readonly profiles: Profiles;
  readonly additions: readonly AdditionRow[];
  readonly shapes: readonly NamedShape[];
  /** Balanced recipes of ours to begin with. */
  readonly examples: readonly RecipeEntry[];
}

/** What may be proposed to close a recipe's gaps: a food, its cap in g per 1000 kcal, and when it goes in. */
export interface AdditionRow {
  readonly ndb: string;
  readonly cap: number;
  readonly moment: Moment;
}

const additionsSchema = z.object({
  supplements: z.array(
    z.object({
      ndb: z.string(),
      name: z.string(),
      calcium_mg: z.number().positive(),
      source: z.string(),
      tspGrams: z.number().positive().optional(),
    }),
  ),
  candidates: z.array(z.object({ ndb: z.string(), cap: z.number().positive(), moment: z.enum(MOMENTS) })),
});

/** A pure substance: nothing but what its row names. */
const pureFood = ({ ndb, name, calcium_mg }: { ndb: string; name: string; calcium_mg: number }): Food => ({
  ndb,
  name,
  group: 'Supplement',
  per100: { ...Object.fromEntries([...NUTRIENTS, ...LABEL_ONLY].map((nutrient) => [nutrient, 0])), calcium_mg },
});

const shelfLivesSchema = z.object({
  rows: z.array(shelfLifeSchema),
  openedDriedDays: z.object({ days: z.number().int().positive(), source: z.string() }),
});

const read = (name: string) => readFileSync(join(/*turbopackIgnore: true*/ process.cwd(), 'data', name), 'utf8');

const readCsv = <Row>(name: string) => Papa.parse<Row>(read(name), { header: true, skipEmptyLines: true }).data;

let loaded: Reference | undefined;

/** The tables, read at the first call and the same from then on. */
export const loadReference = (): Reference => (loaded ??= readReference());

function readReference(): Reference {
  const { supplements, candidates } = additionsSchema.parse(JSON.parse(read('additions.json')));
  const foods = [...readCsv<FoodRow>('food-composition.csv').map(readFoodRow), ...supplements.map(pureFood)];
  const measures = new Map<string, FoodMeasure[]>();
  for (const row of readCsv<{ ndb: string; amount: string; unit: string; grams: string }>('food-measures.csv')) {
    const list = measures.get(row.ndb) ?? [];
    list.push({ amount: Number(row.amount), unit: row.unit, grams: Number(row.grams) });
    measures.set(row.ndb, list);
  }
  addCounts(measures, readCsv<CountRow>('kitchen-counts.csv'));
  for (const { ndb, tspGrams } of supplements) {
    if (tspGrams !== undefined) measures.set(ndb, [{ amount: 1, unit: 'tsp', grams: tspGrams }]);
  }
  const words = indexPhrases(
    readCsv<PhraseRow>('kitchen-words.csv').map(readPhrase),
    foods.flatMap(({ name }) => foldWords(name)),
  );
  return {
    foods: new Map(foods.map((food) => [food.ndb, food])),
    measures,
    words,
    index: indexFoods(foods, words),
    shelfLives: shelfLivesSchema.parse(JSON.parse(read('shelf-lives.json'))),
    additions: candidates,
    examples: z.object({ recipes: z.array(recipeEntrySchema) }).parse(JSON.parse(read('example-recipes.json'))).recipes,
    shapes: z.object({ shapes: z.array(shapeSchema) }).parse(JSON.parse(read('shapes.json'))).shapes,
    profiles: profilesSchema.parse(JSON.parse(read('profiles.json'))),
    hazards: z.object({ rows: z.array(hazardSchema) }).parse(JSON.parse(read('hazards.json'))).rows,
  };
}
