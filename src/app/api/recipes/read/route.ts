import { now } from '@/data/clock';
import { LARGEST_FILE } from '@/data/commands/recipe-files';
import { house } from '@/data/house';
import { previewRecipeFile } from '@/data/recipe-file-preview';
import { readText } from '@/doors/body';

export const dynamic = 'force-dynamic';

/** A file of letters beyond ASCII has more bytes than letters; past these it is not read on. */
const MOST_BYTES = 5_000_000;

/** What would become of a file of recipes if it were taken. It changes nothing. */
export async function POST(request: Request): Promise<Response> {
  const sent = await readText(request, MOST_BYTES);
  const refused = (message: string, status: number) =>
    Response.json({ ok: false, problems: [{ field: 'text', message }] }, { status });
  if (!sent.ok && sent.status === 400) return refused('This file is no text.', 400);
  if (!sent.ok || sent.text.length > LARGEST_FILE)
    return refused(`This file is too large. Hodman reads up to ${LARGEST_FILE / 1e6} MB of recipes.`, 413);
  return Response.json(await previewRecipeFile({ ...(await house()), now: now() }, sent.text));
}
