import 'server-only';
import { and, eq, isNull } from 'drizzle-orm';
import { readFrozen, type FrozenEntry } from '@/core/learned/beside';
import type { ComponentEntry } from '@/core/recipe/entry-schema';
import { struckObservation } from '../schema/household';
import { readLatestVersion } from '../repositories/recipes';
import { saveRecipe } from './recipes';
import { writeMeasured } from '../repositories/measured-here';
import { need, refuse, type Context } from './run';

/** An observation does not count any more, or counts again. Said twice it is said once. */
export async function strikeObservation(
  { tx, now }: Context,
  { key, isStruck }: { key: string; isStruck: boolean },
): Promise<void> {
  if (isStruck) await tx.insert(struckObservation).values({ key, at: now }).onConflictDoNothing();
  else
    await tx
      .update(struckObservation)
      .set({ countedAgainAt: now })
      .where(and(eq(struckObservation.key, key), isNull(struckObservation.countedAgainAt)));
}

/** How long something took to freeze through is written down beside what was reckoned. */
export async function noteFrozen({ tx, now }: Context, { entry }: { entry: FrozenEntry }): Promise<void> {
  const { of, hours, reckoned } = need(readFrozen(entry));
  await writeMeasured(tx, { kind: 'frozen', of, value: hours, reckoned, at: now });
}

/** Minutes of components by their place, and a note, become the recipe's next version. */
export async function writeMinutes(
  context: Context,
  recipeId: number,
  minutes: readonly { readonly component: number; readonly minutes: number }[],
  note = '',
): Promise<{ number: number }> {
  const latest =
    (await readLatestVersion(context.tx, context.reference, recipeId)) ?? refuse('This recipe is not here any more.');
  const components: ComponentEntry[] = (
    latest.entry.components ??
    latest.components.map(({ name, vessel, minutes: own }) => ({
      name,
      ...(vessel === undefined ? {} : { vessel }),
      ...(own === undefined ? {} : { minutes: String(own) }),
    }))
  ).map((component, place) => {
    const learned = minutes.find((each) => each.component === place);
    return learned ? { ...component, minutes: String(learned.minutes) } : component;
  });
  if (minutes.some(({ component }) => component >= components.length))
    refuse('The recipe has other vessels by now. Look at its sheet.', 'minutes');
  await saveRecipe(context, {
    id: recipeId,
    entry: { ...latest.entry, components, ...(note === '' ? {} : { note }) },
  });
  return { number: latest.number + 1 };
}

/** What its pots agree on is written into a recipe's next version, for the component of that name. */
export async function writeAgreedMinutes(
  context: Context,
  input: { recipeId: number; name: string; minutes: number },
): Promise<{ number: number }> {
  const latest =
    (await readLatestVersion(context.tx, context.reference, input.recipeId)) ??
    refuse('This recipe is not here any more.');
  const component = latest.components.findIndex(({ name }) => name === input.name);
  if (component < 0) refuse('The recipe has other vessels by now. Look at its sheet.');
  return writeMinutes(context, input.recipeId, [{ component, minutes: input.minutes }]);
}
