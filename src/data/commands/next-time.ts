import 'server-only';
import type { NextTime } from '@/core/batch/steps/cook';
import type { ComponentEntry } from '@/core/recipe/entry-schema';
import { readLatestVersion } from '../repositories/recipes';
import { batchIn } from './batch-at-hand';
import { saveRecipe } from './recipes';
import { refuse, type Context } from './run';

/** Writes what a cook day taught into the next version of its recipe: minutes, and the cook's own words. */
export async function writeNextTime(context: Context, input: NextTime): Promise<{ number: number }> {
  const found = await batchIn(context, input, ['cooking', 'weighed']);
  const latest =
    (await readLatestVersion(context.tx, context.reference, found.recipeId)) ??
    refuse('This recipe is not here any more.');
  const components: ComponentEntry[] = (
    latest.entry.components ??
    latest.components.map(({ name, vessel, minutes }) => ({
      name,
      ...(vessel === undefined ? {} : { vessel }),
      ...(minutes === undefined ? {} : { minutes: String(minutes) }),
    }))
  ).map((component, place) => {
    const learned = input.minutes.find((each) => each.component === place);
    return learned ? { ...component, minutes: String(learned.minutes) } : component;
  });
  if (input.minutes.some(({ component }) => component >= components.length))
    refuse('The recipe has other vessels by now. Look at its sheet.', 'minutes');
  await saveRecipe(context, {
    id: found.recipeId,
    entry: { ...latest.entry, components, ...(input.note === '' ? {} : { note: input.note }) },
  });
  return { number: latest.number + 1 };
}
