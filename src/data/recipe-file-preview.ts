import 'server-only';
import type { Answer } from '@/core/problem';
import type { TakenFile } from '@/core/recipe/files/taken';
import { takeRecipes } from './commands/recipe-files';
import { contextFor, Refusal } from './commands/run';
import type { Database } from './database';
import type { Reference } from './reference/reference';

/** Carries what was read out of a transaction that is taken back. */
class TakenBack extends Error {
  constructor(readonly file: TakenFile) {
    super('taken back');
  }
}

/** What would become of a file if it were taken: it is, in a transaction that is then taken back. Nothing is stored. */
export async function previewRecipeFile(
  house: { readonly db: Database; readonly reference: Reference; readonly now: Date },
  text: string,
): Promise<Answer<TakenFile>> {
  try {
    return await house.db.transaction(async (tx) => {
      throw new TakenBack(await takeRecipes(await contextFor(tx, house.reference, house.now), { text }));
    });
  } catch (error) {
    if (error instanceof TakenBack) return { ok: true, value: error.file };
    if (error instanceof Refusal) return { ok: false, problems: error.problems };
    throw error;
  }
}
