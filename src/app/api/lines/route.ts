import { z } from 'zod';
import { MOST_LINES } from '@/core/recipe/free-line';
import { house } from '@/data/house';
import { readFreeLines } from '@/data/repositories/foods';
import { readHousehold } from '@/data/repositories/household';
import { readJson } from '@/doors/body';

export const dynamic = 'force-dynamic';

/** Bytes of a body: a megabyte of text, with what JSON writes around it. */
const LONGEST = 1_200_000;
const TOO_MUCH = 'That is too much text at once.';

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
  const sent = await readJson(request, LONGEST);
  if (!sent.ok)
    return Response.json({ problem: sent.status === 413 ? TOO_MUCH : 'This is no text.' }, { status: sent.status });
  const body = asked.safeParse(sent.value);
  if (!body.success) return Response.json({ problem: TOO_MUCH }, { status: 400 });
  const { db, reference } = await house();
  const set = body.data.units ?? (await readHousehold(db)).unitSet;
  return Response.json(await readFreeLines(db, reference, set, body.data.text, body.data.room));
}
