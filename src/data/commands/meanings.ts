import 'server-only';
import { eq } from 'drizzle-orm';
import { foldWords } from '@/core/food/fold';
import { foodKey } from '@/core/food/food';
import { readPantry, readRecipeNames } from '../repositories/pantry';
import { meaning } from '../schema/recipes';
import { refuse, type Context } from './run';

/** Remembers which food this household means by its words; said anew, the new meaning holds. */
export async function saveMeaning(
  { tx, now, reference }: Context,
  input: { words: string; key: string },
): Promise<{ words: string }> {
  const words = foldWords(input.words).join(' ');
  if (words === '') refuse('Which words?', 'words');
  const { kind, id } = foodKey(input.key);
  const known =
    kind === 'recipe'
      ? (await readRecipeNames(tx)).some((each) => each.id === id)
      : (await readPantry(tx, reference)).knownOf(input.key) !== undefined;
  if (!known) refuse('Choose a food first.', 'key');
  await tx
    .insert(meaning)
    .values({ words, foodKey: input.key, createdAt: now })
    .onConflictDoUpdate({ target: meaning.words, set: { foodKey: input.key, createdAt: now } });
  return { words };
}

/** Forgets what words mean here: they ask again. Recipes keep what they were read as. */
export async function forgetMeaning({ tx }: Context, input: { words: string }): Promise<void> {
  await tx.delete(meaning).where(eq(meaning.words, input.words));
}
