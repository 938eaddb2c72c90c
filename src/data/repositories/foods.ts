import 'server-only';
import { foodKey, type KnownFood } from '@/core/food/food';
import { matchFood } from '@/core/food/match';
import type { UnitSet } from '@/core/quantity/units';
import { MOST_LINES, readFreeLine } from '@/core/recipe/free-line';
import type { LineEntry } from '@/core/recipe/entry-schema';
import type { FoundLine, FoundLines } from '@/core/recipe/found-line';
import { guessPart } from '@/core/recipe/part-of-food';
import { stateOf } from '@/core/recipe/written';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readPantry, readRecipeNames } from './pantry';
import { readRecipeAsFood } from './recipes';

const spaced = (text: string) => ` ${text.toLowerCase()}`;

/** Letters and figures between single spaces, so that a name is found as whole words: a supply "C" is not in carrots. */
const wholeWords = (text: string) => ` ${(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')} `;

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
  const table = reference.index.search(query, limit).flatMap((food) => pantry.knownOf(food.ndb) ?? []);
  return [...own, ...table].slice(0, limit);
}

const WORDS: LineEntry = { amount: '', ndb: '', preparation: '', part: 'herb', moment: 'cook', words: true };

/** Reads lines as they stand in a notebook, each against the supplies by name and the food table. */
export async function readFreeLines(
  tx: Tx,
  reference: Reference,
  set: UnitSet,
  text: string,
  most = MOST_LINES,
): Promise<FoundLines> {
  const pantry = await readPantry(tx, reference);
  const all = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  return {
    rest: all.slice(most).join('\n'),
    lines: all.slice(0, most).map((line): FoundLine => {
      const free = readFreeLine(line, set);
      const text = line.trim().slice(0, 300);
      const words = { text, entry: { ...WORDS, preparation: text }, known: undefined };
      if (!free || free.food === '') return words;
      const asked = wholeWords(`${free.food} ${free.preparation}`);
      const supply = pantry.supplies.find((each) => !each.archived && asked.includes(wholeWords(each.name)));
      const match = supply ? undefined : matchFood(free.food, free.preparation, reference.index);
      const known = pantry.knownOf(supply ? `L${supply.id}` : (match?.food.ndb ?? ''));
      if (!known) return words;
      return {
        text,
        entry: {
          amount: free.amount,
          ndb: known.food.ndb,
          preparation: [free.food, free.preparation].filter(Boolean).join(', '),
          part: guessPart(known.food),
          moment: supply ? 'stir-in' : 'cook',
          ...(stateOf(known.food.name) === 'cooked' ? { state: 'cooked' as const } : {}),
          ...(match && !match.sure ? { unsure: true } : {}),
        },
        known,
      };
    }),
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
