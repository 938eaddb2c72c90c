import { now } from '@/data/clock';
import type { CommandResult } from '@/core/problem';
import { LARGEST_FILE } from '@/core/recipe/files/apart';
import type { TakenFile } from '@/core/recipe/files/taken';
import { house } from '@/data/house';
import { previewRecipeFile } from '@/data/recipe-file';
import { readText } from '@/doors/body';
import { tellWhile } from '@/doors/told';
import { reader } from '@/data/reading/reader';

export const dynamic = 'force-dynamic';

/** A file of letters beyond ASCII has more bytes than letters; past these it is not read on. */
const MOST_BYTES = 5_000_000;

/** What would become of a file of recipes if it were taken; meanwhile how many lines are read. It changes nothing. */
export async function POST(request: Request): Promise<Response> {
  const sent = await readText(request, MOST_BYTES);
  const refused = (message: string, status: number) =>
    Response.json({ ok: false, problems: [{ field: 'text', message }] }, { status });
  if (!sent.ok && sent.status === 400) return refused('This file is no text.', 400);
  if (!sent.ok || sent.text.length > LARGEST_FILE)
    return refused(`This file is too large. Hodman reads up to ${LARGEST_FILE / 1e6} MB of recipes.`, 413);
  const here = await house();
  return tellWhile<CommandResult<TakenFile>>(
    request,
    (how) => previewRecipeFile({ ...here, now: now() }, reader(), sent.text, how),
    { ok: false, problems: [{ field: 'text', message: 'Hodman stumbled over this file and took nothing of it.' }] },
  );
}
