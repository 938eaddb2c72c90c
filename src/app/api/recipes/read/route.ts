import { writeFixed } from '@/core/quantity/write';
import { now } from '@/data/clock';
import { LARGEST_FILE } from '@/data/commands/recipe-files';
import { house } from '@/data/house';
import { previewRecipeFile } from '@/data/recipe-file-preview';

export const dynamic = 'force-dynamic';

/** What would become of a file of recipes if it were taken. It changes nothing. */
export async function POST(request: Request): Promise<Response> {
  const length = Number(request.headers.get('content-length') ?? 0);
  const text = length > 4 * LARGEST_FILE ? undefined : await request.text();
  if (text === undefined || text.length > LARGEST_FILE) {
    const size = writeFixed(Math.max(length, text?.length ?? 0) / 1e6, 1);
    const message = `This file is ${size} MB. Hodman reads up to ${LARGEST_FILE / 1e6} MB of recipes.`;
    return Response.json({ ok: false, problems: [{ field: 'text', message }] });
  }
  return Response.json(await previewRecipeFile({ ...(await house()), now: now() }, text));
}
