import { z } from 'zod';
import { foodKey } from '../../food/food';
import { labelSchema } from '../../food/label';
import { measureSchema } from '../../food/measures';
import { recipeEntrySchema, type RecipeEntry } from '../entry-schema';
import { sure } from '../../sure';

/** Hodman's own file: recipes as typed, with the labels and weighed measures that their lines stand on. */
export const hodmanFileSchema = z.object({
  hodman: z.literal('recipes'),
  version: z.literal(1),
  recipes: z.array(z.object({ key: z.string().max(10), entry: z.unknown() })).max(500),
  supplies: z
    .array(z.object({ key: z.string().max(10), name: z.string().trim().min(1).max(120), label: labelSchema }))
    .max(500),
  measures: z.array(z.object({ food: z.string().max(10) }).extend(measureSchema.shape)).max(5000),
});
export type HodmanFile = z.infer<typeof hodmanFileSchema>;

/**
 * A file of these recipes, with only the supplies and measures that they name. Nothing of them is lost. Keys are counted
 * anew within the file, so that the same recipes are the same file whichever house they come from.
 */
export function writeHodmanFile(
  recipes: readonly { readonly key: string; readonly entry: RecipeEntry }[],
  supplies: HodmanFile['supplies'],
  measures: HodmanFile['measures'],
): HodmanFile {
  const used = new Set(recipes.flatMap(({ entry }) => entry.lines.map((line) => line.ndb)));
  const named = supplies.filter((supply) => used.has(supply.key));
  const keys = new Map<string, string>([
    ...recipes.map(({ key }, index) => [key, `R${index + 1}`] as const),
    ...named.map(({ key }, index) => [key, `L${index + 1}`] as const),
  ]);
  return {
    hodman: 'recipes',
    version: 1,
    recipes: recipes.map(({ key, entry }) => ({ key: sure(keys.get(key)), entry: withKeys(entry, keys) })),
    supplies: named.map((supply) => ({ ...supply, key: sure(keys.get(supply.key)) })),
    measures: measures
      .filter((measure) => used.has(measure.food))
      .map((measure) => ({ ...measure, food: keys.get(measure.food) ?? measure.food })),
  };
}

/** A recipe of the file in its shape, or the sentences that say where it is not. */
export function readEntry(entry: unknown): { readonly entry: RecipeEntry } | { readonly problems: readonly string[] } {
  const read = recipeEntrySchema.safeParse(entry);
  if (read.success) return { entry: read.data };
  return {
    problems: read.error.issues.slice(0, 5).map(({ path, message }) => {
      const [first, place, field] = path;
      const where =
        first === 'lines' && typeof place === 'number'
          ? `line ${place + 1}${field === undefined ? '' : `, ${String(field)}`}`
          : path.map(String).join(' ') || 'the recipe';
      return `${where}: ${message}`;
    }),
  };
}

/** Entries with their keys of supplies and recipes replaced; a key of this file that stands for nothing is let go. */
export const withKeys = (entry: RecipeEntry, keys: ReadonlyMap<string, string>): RecipeEntry => ({
  ...entry,
  lines: entry.lines.map((line) => ({
    ...line,
    ndb: foodKey(line.ndb).kind === 'table' ? line.ndb : (keys.get(line.ndb) ?? ''),
  })),
});

/** The recipes in an order in which each stands after those that it takes; what waits for ever is left over. */
export function inOrderOfNeed<T extends { readonly key: string; readonly entry: RecipeEntry }>(
  recipes: readonly T[],
): { readonly ordered: readonly T[]; readonly stuck: readonly T[] } {
  const keys = new Set(recipes.map((recipe) => recipe.key));
  const ordered: T[] = [];
  let waiting = [...recipes];
  for (;;) {
    const done = new Set(ordered.map((recipe) => recipe.key));
    const ready = waiting.filter(({ entry }) => entry.lines.every(({ ndb }) => !keys.has(ndb) || done.has(ndb)));
    if (ready.length === 0) return { ordered, stuck: waiting };
    ordered.push(...ready);
    waiting = waiting.filter((recipe) => !ready.includes(recipe));
  }
}
