import 'server-only';
import type { CommandResult } from '@/core/problem';
import type { TakenFile } from '@/core/recipe/files/taken';
import { takeRecipes } from './commands/recipe-files';
import { tryCommand } from './commands/run';
import type { Database } from './database';
import type { Reference } from './reference/reference';

/** What would become of a file if it were taken: it is, in a transaction that is then taken back. Nothing is stored. */
export const previewRecipeFile = (
  house: { readonly db: Database; readonly reference: Reference; readonly now: Date },
  text: string,
): Promise<CommandResult<TakenFile>> => tryCommand(house, (context) => takeRecipes(context, { text }));
