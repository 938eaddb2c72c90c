import 'server-only';
import { asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { FoodMeasure, KnownFood } from '@/core/food/food';
import { supplyAsFood, type Label } from '@/core/food/label';
import { ownMeasure as weighedHere } from '@/core/food/measures';
import type { CannotBeRead } from '@/core/unreadable';
import { isUnread } from '../schema/kept-json';
import type { Phrase } from '@/core/food/kitchen-words';
import type { UnitSet } from '@/core/quantity/units';
import type { Tx } from '../database';
import type { Reference } from '../reference/reference';
import { readHousehold } from './household';
import { additionSetting, meaning, ownMeasure, recipe, supply } from '../schema/recipes';

export interface StoredSupply {
  readonly id: number;
  readonly name: string;
  readonly label: Label;
  readonly archived: boolean;
}

/** What this household can cook with besides recipes: the table with its own measures, and its supplies. */
export interface Pantry {
  readonly supplies: readonly StoredSupply[];
  /** Supplies whose label cannot be read: no food comes of them. */
  readonly unread: readonly CannotBeRead[];
  /** A food or supply by its key, the household's own measures first; undefined for what is not here. */
  readonly knownOf: (key: string) => KnownFood | undefined;
  /** What `knownOf` knows beyond the table: supplies, and foods with measures of this household. */
  readonly own: readonly (readonly [key: string, known: KnownFood])[];
  readonly ownMeasures: readonly { readonly foodKey: string; readonly unit: string; readonly grams: number }[];
}

/** `set` is whose spoons and cups its own measures are; without one the household's. */
export async function readPantry(tx: Tx, reference: Reference, set?: UnitSet): Promise<Pantry> {
  const rows = await tx.select().from(supply).orderBy(asc(supply.id));
  const unitSet = set ?? (await readHousehold(tx)).unitSet;
  const read = rows.map((row) => readSupplyRow(row, unitSet));
  const supplies = read.flatMap((each) => ('label' in each ? [each] : []));
  const measures = await tx.select().from(ownMeasure).orderBy(asc(ownMeasure.foodKey), asc(ownMeasure.unit));
  const weighed = new Map<string, FoodMeasure[]>();
  for (const { foodKey, unit, grams } of measures)
    weighed.set(foodKey, [...(weighed.get(foodKey) ?? []), weighedHere(unit, grams, unitSet)]);
  const table = (key: string): KnownFood | undefined => {
    const food = reference.foods.get(key);
    return food && { food, measures: reference.measures.get(key) ?? [] };
  };
  const own = new Map(supplies.map((each) => [`L${each.id}`, supplyAsFood(each, unitSet)]));
  for (const [key, ours] of weighed) {
    const known = own.get(key) ?? table(key);
    if (known) own.set(key, { ...known, measures: [...ours, ...known.measures] });
  }
  return {
    supplies,
    unread: read.flatMap((each) => ('label' in each ? [] : [each])),
    own: [...own],
    ownMeasures: measures,
    knownOf: (key) => own.get(key) ?? table(key),
  };
}

/** What this household means by its own words, as phrases that go before all others. */
export const readMeanings = async (tx: Tx): Promise<Phrase[]> =>
  (await tx.select().from(meaning).orderBy(asc(meaning.words))).map(({ words, foodKey }) => ({
    words,
    ndb: foodKey,
    ask: [],
    note: '',
    own: true,
  }));

/** The recipes that may be lines of another one, by name. */
export const readRecipeNames = (tx: Tx): Promise<{ id: number; name: string }[]> =>
  tx.select({ id: recipe.id, name: recipe.name }).from(recipe).where(isNull(recipe.archivedAt)).orderBy(asc(recipe.id));

/** The recipes that were put away. */
export const readRecipesAway = (tx: Tx): Promise<{ id: number; name: string }[]> =>
  tx
    .select({ id: recipe.id, name: recipe.name })
    .from(recipe)
    .where(isNotNull(recipe.archivedAt))
    .orderBy(asc(recipe.id));

/** A supply, or why its label cannot be read. */
function readSupplyRow(row: typeof supply.$inferSelect, set: UnitSet): StoredSupply | CannotBeRead {
  const { id, name, label } = row;
  const unread = (why: string): CannotBeRead => ({ kind: 'supply', id, name, why });
  if (isUnread(label)) return unread(label.why);
  try {
    // A label may have its shape and still say what nobody can reckon with.
    supplyAsFood({ id, name, label }, set);
  } catch (error) {
    return unread(error instanceof Error ? error.message : String(error));
  }
  return { id, name, label, archived: row.archivedAt !== null };
}

/** One supply, or why it cannot be read; undefined where there is none. */
export const readSupply = async (tx: Tx, id: number): Promise<StoredSupply | CannotBeRead | undefined> => {
  const [row] = await tx.select().from(supply).where(eq(supply.id, id));
  return row && readSupplyRow(row, (await readHousehold(tx)).unitSet);
};

export const readAdditionSettings = (tx: Tx): Promise<(typeof additionSetting.$inferSelect)[]> =>
  tx.select().from(additionSetting).orderBy(asc(additionSetting.foodKey));
