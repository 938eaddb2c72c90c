import { z } from 'zod';
import { MOST_LINES } from '@/core/recipe/free-line';
import { house } from '@/data/house';
import { readFreeLines } from '@/data/repositories/foods';
import { readHousehold } from '@/data/repositories/household';

export const dynamic = 'force-dynamic';

/** A megabyte holds more lines than any kitchen; more is refused before it is read. */
const asked = z.object({
  text: z.string().max(1_000_000),
  room: z.number().int().min(0).max(MOST_LINES),
  units: z.enum(['us', 'metric']).optional(),
});

/**
 * Lines as they stand in a notebook, each with the food that it was matched with. `units` reads them as a
 * household of that set would. It changes nothing.
 */
export async function POST(request: Request): Promise<Response> {
  const body = asked.safeParse(await request.json().catch(() => undefined));
  if (!body.success) return Response.json({ problem: 'That is too much text at once.' }, { status: 400 });
  const { db, reference } = await house();
  const set = body.data.units ?? (await readHousehold(db)).unitSet;
  return Response.json(await readFreeLines(db, reference, set, body.data.text, body.data.room));
}
