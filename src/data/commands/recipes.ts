import 'server-only';
import { desc, eq } from 'drizzle-orm';
import { foodKey, type KnownFood } from '@/core/food/food';
import type { Problem } from '@/core/problem';
import { readSpan } from '@/core/quantity/typed';
import { readTemperature } from '@/core/quantity/temperature';
import type { UnitSet } from '@/core/quantity/units';
import { checkRecipe, isBlank, isWords, readLines } from '@/core/recipe/entry';
import type { ComponentEntry, RecipeEntry } from '@/core/recipe/entry-schema';
import { whyNotTake } from '@/core/recipe/chain';
import { codeLetter } from '@/core/stock/code';
import { readFoodsByKey } from '../repositories/foods';
import { keepFoodFacts } from '../repositories/food-facts';
import { readTakes } from '../repositories/recipes';
import { component, line, recipe, recipeVersion } from '../schema/recipes';
import { need, Refusal, refuse, type Context } from './run';
import { nth, sure } from '@/core/sure';

/** Stores a recipe: a new one, or the next version of one. A version that was cooked from is never touched. */
export async function saveRecipe(
  context: Context,
  input: { id?: number; entry: RecipeEntry },
): Promise<{ recipeId: number }> {
  const { tx, now, household } = context;
  const { entry } = input;
  const known = await foodsOf(context, input);
  const { each } = readLines(entry.lines, (key) => known.get(key), household.unitSet);
  const problems: Problem[] = each.flatMap((read, index) =>
    !read || read.ok ? [] : [{ field: `lines.${index}.${read.problem.field}`, message: read.problem.message }],
  );
  const name = checkRecipe(
    entry.name,
    entry.lines.filter((line) => !isWords(line) && !isBlank(line)),
  );
  if (!name.ok) problems.push(name.problem);
  const components = (entry.components ?? [{ name: 'pot' }]).map((each, index) =>
    readComponent(each, index, problems, household.unitSet),
  );
  if (entry.lines.some((each) => (each.component ?? 0) >= components.length))
    problems.push({ message: 'A line stands in a component that is not here.', field: 'lines' });
  if (problems.length > 0) throw new Refusal(...problems);

  const recipeId = input.id ?? (await newRecipe(context, need(name)));
  const renamed = await tx
    .update(recipe)
    .set({ name: need(name), shape: entry.shape || null })
    .where(eq(recipe.id, recipeId))
    .returning({ id: recipe.id });
  if (renamed.length === 0) refuse('This recipe is not here any more.');
  const latest = await latestOf(context, recipeId);
  const [version] = await tx
    .insert(recipeVersion)
    .values({
      recipeId,
      number: (latest?.number ?? 0) + 1,
      note: entry.note?.trim() || null,
      preview: entry.preview ?? null,
      createdAt: now,
    })
    .returning({ id: recipeVersion.id });
  const made = await tx
    .insert(component)
    .values(components.map((each, position) => ({ ...each, versionId: sure(version).id, position })))
    .returning({ id: component.id });
  await tx.insert(line).values(
    await Promise.all(
      entry.lines.map(async (typed, position) => {
        const read = each[position];
        const own = read?.ok ? read.value : undefined;
        const { kind, id } = foodKey(typed.ndb);
        return {
          componentId: nth(made, typed.component ?? 0).id,
          position,
          amount: typed.amount.trim(),
          quantity: own?.quantity ?? null,
          grams: own?.line.grams ?? null,
          foodNdb: own && kind === 'table' ? typed.ndb : null,
          supplyId: own && kind === 'supply' ? id : null,
          sourceVersionId: own && kind === 'recipe' ? sure(await latestOf(context, id)).id : null,
          preparation: typed.preparation?.trim() || null,
          part: typed.part,
          moment: typed.moment,
          basis: own?.line.basis ?? ('batch' as const),
          refuse: own?.line.refuse ?? 0,
          strained: own?.line.strained ?? false,
          bone: own?.line.bone
            ? { ...own.line.bone, ...(typed.bone?.trim() ? { typed: typed.bone.trim() } : {}) }
            : null,
          state: own?.line.state ?? ('raw' as const),
          per: own?.line.per ?? null,
          choice: own?.line.choice ?? null,
        };
      }),
    ),
  );
  await keepFoodFacts(tx, context.reference, household.energyFactors);
  return { recipeId };
}

/** The foods that a recipe names, the recipe itself never among them. */
async function foodsOf(
  { tx, reference }: Context,
  input: { id?: number; entry: RecipeEntry },
): Promise<ReadonlyMap<string, KnownFood>> {
  const takes = await readTakes(tx);
  const problems = input.entry.lines.flatMap(({ ndb }, index): Problem[] => {
    const { kind, id } = foodKey(ndb);
    const message = kind === 'recipe' ? whyNotTake(takes, input.id, id) : undefined;
    return message === undefined ? [] : [{ field: `lines.${index}.ndb`, message }];
  });
  if (problems.length > 0) throw new Refusal(...problems);
  return readFoodsByKey(
    tx,
    reference,
    input.entry.lines.map((each) => each.ndb),
  );
}

function readComponent(entry: ComponentEntry, index: number, problems: Problem[], set: UnitSet) {
  const at = (field: string) => `components.${index}.${field}`;
  const name = entry.name.trim();
  if (name === '') problems.push({ field: at('name'), message: 'What is cooked in this vessel?' });
  const number = (text: string | undefined, field: string, least: number, most: number, message: string) => {
    if ((text ?? '').trim() === '') return null;
    const read = readSpan(sure(text));
    if (read.ok && read.value.low >= least && read.value.low <= most) return read.value.low;
    problems.push({ field: at(field), message });
    return null;
  };
  const degrees = (): number | null => {
    if ((entry.celsius ?? '').trim() === '') return null;
    const read = readTemperature(sure(entry.celsius), set);
    if (read.ok) return read.value;
    problems.push({ field: at('celsius'), message: read.problem.message });
    return null;
  };
  const minutes = number(entry.minutes, 'minutes', 1, 2880, 'Minutes, from 1 to 2880.');
  return {
    name: name || 'pot',
    vessel: entry.vessel?.trim() || null,
    method: entry.method?.trim() || null,
    minutes: minutes === null ? null : Math.round(minutes),
    celsius: degrees(),
  };
}

async function latestOf({ tx }: Context, recipeId: number) {
  const [latest] = await tx
    .select({ id: recipeVersion.id, number: recipeVersion.number })
    .from(recipeVersion)
    .where(eq(recipeVersion.recipeId, recipeId))
    .orderBy(desc(recipeVersion.number))
    .limit(1);
  return latest;
}

async function newRecipe({ tx, now }: Context, name: string): Promise<number> {
  const taken = await tx.select({ letter: recipe.letter }).from(recipe);
  const letter = codeLetter(
    name,
    taken.map((row) => row.letter),
  );
  const [made] = await tx.insert(recipe).values({ name, letter, createdAt: now }).returning({ id: recipe.id });
  return sure(made).id;
}
