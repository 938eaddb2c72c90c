import 'server-only';
import { foodKey, type KnownFood } from '@/core/food/food';
import type { UnitSet } from '@/core/quantity/units';
import { foldWords } from '@/core/food/fold';
import type { Kitchen } from '@/core/recipe/kitchen-lines';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readMeanings, readPantry, readRecipeNames } from './pantry';
import { readRecipeAsFood } from './recipes';
import { sure } from '@/core/sure';

const spaced = (text: string) => ` ${text.toLowerCase()}`;

/** What is asked for begins a word of the name. */
const names = (name: string, query: string) => spaced(name).includes(spaced(query.trim()));

/** Supplies and recipes of the household by name, then foods of the table, everyday forms first. */
export async function searchFoods(tx: Tx, reference: Reference, query: string, limit: number): Promise<KnownFood[]> {
  const pantry = await readPantry(tx, reference);
  if (query.trim() === '') return [];
  const supplies = pantry.supplies.filter((supply) => !supply.archived && names(supply.name, query));
  const recipes = (await readRecipeNames(tx)).filter((recipe) => names(recipe.name, query)).slice(0, 2);
  const own = supplies.slice(0, 3).flatMap((supply) => pantry.knownOf(`L${supply.id}`) ?? []);
  for (const { id } of recipes) {
    const made = await readRecipeAsFood(tx, reference, id);
    if (made) own.push(made);
  }
  const asked = query.trim().toLowerCase();
  // The house's own kelp is what "kelp" means here; its fish oil is not what "fish" does.
  const begins = ({ food }: KnownFood) =>
    food.name.toLowerCase().startsWith(asked) || sure(food.name.toLowerCase().split(/\s+/).at(-1)).startsWith(asked);
  const table = reference.index.search(query, limit).flatMap((food) => pantry.knownOf(food.ndb) ?? []);
  const later = own.filter((each) => !begins(each));
  const room = limit - Math.min(later.length, 2);
  return [...[...own.filter(begins), ...table].slice(0, room), ...later].slice(0, limit);
}

/** What this kitchen reads these lines with; a recipe is looked up only where a line may name it. */
export async function readKitchen(
  tx: Tx,
  reference: Reference,
  set: UnitSet,
  lines: readonly string[],
): Promise<Kitchen> {
  const pantry = await readPantry(tx, reference, set);
  const said = new Set(lines.flatMap(foldWords));
  const recipes = (await readRecipeNames(tx)).filter(({ name }) => foldWords(name).some((word) => said.has(word)));
  const made: (readonly [string, KnownFood])[] = [];
  for (const { id } of recipes) {
    const known = await readRecipeAsFood(tx, reference, id);
    if (known) made.push([`R${id}`, known]);
  }
  return {
    set,
    own: await readMeanings(tx),
    named: [
      ...pantry.supplies.filter(({ archived }) => !archived).map(({ id, name }) => ({ key: `L${id}`, name })),
      ...recipes.map(({ id, name }) => ({ key: `R${id}`, name })),
    ],
    known: [...pantry.own, ...made],
  };
}

/** Foods, supplies and recipes by their keys; what is not here any more is left out. */
export async function readFoodsByKey(
  tx: Tx,
  reference: Reference,
  keys: Iterable<string>,
): Promise<ReadonlyMap<string, KnownFood>> {
  const pantry = await readPantry(tx, reference);
  const known = new Map<string, KnownFood>();
  for (const key of new Set(keys)) {
    const { kind, id } = foodKey(key);
    const food = kind === 'recipe' ? await readRecipeAsFood(tx, reference, id) : pantry.knownOf(key);
    if (food) known.set(key, food);
  }
  return known;
}
