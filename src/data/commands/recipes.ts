import 'server-only';
import { desc, eq } from 'drizzle-orm';
import { checkRecipe, readLineAmount } from '@/core/recipe/entry';
import type { Moment, Part } from '@/core/recipe/recipe';
import { codeLetter } from '@/core/stock/code';
import { component, line, recipe, recipeVersion } from '../schema/recipes';
import { need, Refusal, refuse, type Context } from './run';
import type { Problem } from '@/core/problem';

/** A line as typed: the amount in the cook's words, of a food of the table. */
export interface LineEntry {
  readonly amount: string;
  readonly ndb: string;
  readonly preparation?: string;
  readonly part: Part;
  readonly moment: Moment;
}

export interface RecipeEntry {
  readonly name: string;
  readonly lines: readonly LineEntry[];
}

/** Stores a recipe: a new one, or the next version of one. A version that was cooked from is never touched. */
export async function saveRecipe(
  context: Context,
  input: { id?: number; entry: RecipeEntry },
): Promise<{ recipeId: number }> {
  const { tx, now, household, reference } = context;
  const name = need(checkRecipe(input.entry.name, input.entry.lines));
  const problems: Problem[] = [];
  const lines = input.entry.lines.map((entry, index) => {
    const food = reference.foods.get(entry.ndb);
    if (!food) {
      problems.push({ field: `lines.${index}.ndb`, message: 'Choose a food from the table.' });
      return undefined;
    }
    const read = readLineAmount(entry.amount, food, reference.measures.get(entry.ndb) ?? [], household.unitSet);
    if (!read.ok) problems.push({ field: `lines.${index}.amount`, message: read.problem.message });
    return read.ok ? { entry, ...read.value } : undefined;
  });
  if (problems.length > 0) throw new Refusal(...problems);

  const recipeId = input.id ?? (await newRecipe(context, name));
  if (input.id !== undefined) {
    const renamed = await tx.update(recipe).set({ name }).where(eq(recipe.id, input.id)).returning({ id: recipe.id });
    if (renamed.length === 0) refuse('This recipe is not here any more.');
  }
  const [latest] = await tx
    .select({ number: recipeVersion.number })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(desc(recipeVersion.number))
    .limit(1);
  const [version] = await tx
    .insert(recipeVersion)
    .values({ recipeId, number: (latest?.number ?? 0) + 1, createdAt: now })
    .returning({ id: recipeVersion.id });
  const [pot] = await tx
    .insert(component)
    .values({ versionId: version!.id, position: 0, name: 'pot' })
    .returning({ id: component.id });
  await tx.insert(line).values(
    lines
      .filter((each) => each !== undefined)
      .map(({ entry, quantity, grams }, position) => ({
        componentId: pot!.id,
        position,
        amount: entry.amount.trim(),
        quantity,
        grams,
        foodNdb: entry.ndb,
        preparation: entry.preparation?.trim() || null,
        part: entry.part,
        moment: entry.moment,
        basis: 'batch' as const,
      })),
  );
  return { recipeId };
}

async function newRecipe({ tx, now }: Context, name: string): Promise<number> {
  const taken = await tx.select({ letter: recipe.letter }).from(recipe);
  const letter = codeLetter(
    name,
    taken.map((row) => row.letter),
  );
  const [made] = await tx.insert(recipe).values({ name, letter, createdAt: now }).returning({ id: recipe.id });
  return made!.id;
}
