import 'server-only';
import { eq, sql } from 'drizzle-orm';
import { withDegrees } from '@/core/quantity/temperature';
import { foodKey } from '@/core/food/food';
import { readLabel } from '@/core/food/label';
import type { RecipeEntry } from '@/core/recipe/entry-schema';
import { inOrderOfNeed, readEntry, withKeys, type HodmanFile } from '@/core/recipe/files/hodman-file';
import type { ReadFile, TakenFile, TakenRecipe } from '@/core/recipe/files/taken';
import { readPantry } from '../repositories/pantry';
import { readLatestVersions } from '../repositories/recipes';
import { ownMeasure, supply } from '../schema/recipes';
import { saveRecipe } from './recipes';
import { Refusal, type Context } from './run';
import { sure } from '@/core/sure';

/** Takes the recipes of a file that was read. A recipe is taken whole or not at all; the others are taken. */
export async function takeRecipes(context: Context, read: ReadFile): Promise<TakenFile> {
  if (read.kind === 'own') return takeOwn(context, read.file);
  const recipes: TakenRecipe[] = [];
  for (const { entry, said } of read.recipes) recipes.push(await attempt(context, entry, said));
  await gatherStatistics(context, recipes.length);
  return { recipes, said: read.said };
}

/** After a large file the tables are other than what the planner of queries knows of them. */
const gatherStatistics = async ({ tx }: Context, recipes: number): Promise<void> => {
  if (recipes > 20) await tx.execute(sql`analyze`);
};

/** Saves one recipe inside a savepoint: what refuses it leaves nothing behind. */
async function attempt(
  context: Context,
  entry: RecipeEntry,
  said: readonly string[],
): Promise<TakenRecipe & { id?: number }> {
  const about = {
    name: entry.name || 'a recipe without a name',
    lines: entry.lines.length,
    words: entry.lines.filter((line) => line.words).length,
  };
  try {
    const { recipeId } = await context.tx.transaction((tx) => saveRecipe({ ...context, tx }, { entry }));
    return { ...about, fate: 'taken', said, id: recipeId };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const problems = error.problems.map(({ field, message }) => {
      const place = /^lines\.(\d+)/.exec(field ?? '')?.[1];
      return place === undefined ? message : `line ${Number(place) + 1}: ${message}`;
    });
    return { ...about, fate: 'refused', said: [...said, ...problems] };
  }
}

async function takeOwn(context: Context, file: HodmanFile): Promise<TakenFile> {
  const { keys, said } = await takeSupplies(context, file.supplies);
  await takeMeasures(context, file.measures, keys);
  const taken: TakenRecipe[] = [];
  const readable: { key: string; entry: RecipeEntry }[] = [];
  for (const { key, entry } of file.recipes) {
    const read = readEntry(entry);
    if ('entry' in read) readable.push({ key, entry: read.entry });
    else taken.push({ name: nameIn(entry), fate: 'refused', lines: 0, words: 0, said: read.problems });
  }
  const here = await readLatestVersions(context.tx, context.reference);
  const { ordered, stuck } = inOrderOfNeed(readable);
  for (const { key, entry } of ordered) {
    const own = inCelsius(withKeys(entry, keys));
    const same = here.find((version) => isSame(version.entry, own));
    const result = same
      ? {
          name: own.name,
          lines: own.lines.length,
          words: 0,
          fate: 'here already' as const,
          said: [],
          id: same.recipeId,
        }
      : await attempt(context, own, []);
    if (result.id !== undefined) keys.set(key, `R${result.id}`);
    taken.push(result);
  }
  for (const { entry } of stuck)
    taken.push({
      name: entry.name,
      fate: 'refused',
      lines: entry.lines.length,
      words: 0,
      said: ['It takes itself as a line, by way of others or at once.'],
    });
  await gatherStatistics(context, taken.length);
  return { recipes: taken, said };
}

/** A file says its temperatures in °C, whatever this household reads them in. */
const inCelsius = (entry: RecipeEntry): RecipeEntry =>
  entry.components === undefined
    ? entry
    : {
        ...entry,
        components: entry.components.map((each) =>
          each.celsius === undefined ? each : { ...each, celsius: withDegrees(each.celsius, 'metric') },
        ),
      };

const nameIn = (entry: unknown): string => {
  const name = typeof entry === 'object' && entry !== null && 'name' in entry ? entry.name : undefined;
  return typeof name === 'string' && name !== '' ? name.slice(0, 80) : 'a recipe without a name';
};

/** Same once what was never typed is left aside. */
const isSame = (a: RecipeEntry, b: RecipeEntry): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
const sorted = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, each]) => each !== undefined && each !== '' && each !== false)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, each]) => [key, sorted(each)]),
  );
};

async function takeSupplies({ tx, now, reference }: Context, supplies: HodmanFile['supplies']) {
  const here = (await readPantry(tx, reference)).supplies;
  const keys = new Map<string, string>();
  const said: string[] = [];
  for (const { key, name, label } of supplies) {
    const read = readLabel(label);
    if (!read.ok) {
      said.push(`The label of ${name} is left out: ${read.problem.message}`);
      continue;
    }
    const same = here.find(
      (each) => each.name === name && JSON.stringify(sorted(each.label)) === JSON.stringify(sorted(label)),
    );
    const [made] = same ? [same] : await tx.insert(supply).values({ name, label, createdAt: now }).returning();
    if (same?.archived) await tx.update(supply).set({ archivedAt: null }).where(eq(supply.id, same.id));
    keys.set(key, `L${sure(made).id}`);
  }
  return { keys, said };
}

/** What this kitchen has weighed itself stands; what it has not is taken over. */
async function takeMeasures({ tx, now }: Context, measures: HodmanFile['measures'], keys: ReadonlyMap<string, string>) {
  const rows = measures
    .filter(({ food }) => foodKey(food).kind === 'table' || keys.has(food))
    .map(({ food, unit, grams }) => ({ foodKey: keys.get(food) ?? food, unit, grams, createdAt: now }));
  if (rows.length > 0) await tx.insert(ownMeasure).values(rows).onConflictDoNothing();
}
