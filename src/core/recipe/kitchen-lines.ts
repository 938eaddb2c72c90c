import type { Food, FoodMeasure, KnownFood } from '../food/food';
import type { KitchenWords, Phrase } from '../food/kitchen-words';
import type { FoodIndex } from '../food/search';
import type { UnitSet } from '../quantity/units';
import { LONGEST_LINE, MOST_LINES } from './free-line';
import type { LineReader } from './found-line';

/** What a kitchen has of its own, as plain data: it goes to the thread that reads lines. */
export interface Kitchen {
  readonly set: UnitSet;
  readonly own: readonly Phrase[];
  readonly named: readonly { readonly key: string; readonly name: string }[];
  /** Supplies, recipes, and the foods of the table that this kitchen has measures of. */
  readonly known: readonly (readonly [key: string, known: KnownFood])[];
}

/** The tables that every kitchen reads with. */
export interface LineTables {
  readonly words: KitchenWords;
  readonly index: Pick<FoodIndex, 'exactly'>;
  readonly foods: ReadonlyMap<string, Food>;
  readonly measures: ReadonlyMap<string, readonly FoodMeasure[]>;
}

/** What `readFoundLine` reads with, put together from the tables and the kitchen's own. */
export function readerOf(tables: LineTables, { set, own, named, known }: Kitchen): LineReader {
  const here = new Map(known);
  return {
    set,
    words: tables.words,
    index: tables.index,
    own,
    named,
    knownOf: (key) => {
      const food = tables.foods.get(key);
      return here.get(key) ?? (food && { food, measures: tables.measures.get(key) ?? [] });
    },
  };
}

/**
 * The lines of a text, as many as a recipe has room for, and what is not read with them: lines beyond that, and what a
 * line has beyond its longest.
 */
export function linesOf(text: string, most = MOST_LINES): { readonly lines: string[]; readonly rest: string[] } {
  const all = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const lines = all.slice(0, most);
  const cut = lines.flatMap((line) => {
    const behind = line.trim().slice(LONGEST_LINE).trim();
    return behind === '' ? [] : [behind];
  });
  return { lines, rest: [...cut, ...all.slice(most)] };
}
