import { z } from 'zod';
import type { FoundLines } from '@/core/recipe/found-line';
import { MOST_LINES } from '@/core/recipe/free-line';
import { linesOf } from '@/core/recipe/kitchen-lines';
import { house } from '@/data/house';
import { readKitchen } from '@/data/repositories/foods';
import { readHousehold } from '@/data/repositories/household';
import { readJson } from '@/doors/body';
import { tellWhile } from '@/doors/told';
import { reader } from '@/data/reading/reader';

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
 * household of that set would. Says meanwhile how many are read. It changes nothing.
 */
export async function POST(request: Request): Promise<Response> {
  const sent = await readJson(request, LONGEST);
  if (!sent.ok)
    return Response.json({ problem: sent.status === 413 ? TOO_MUCH : 'This is no text.' }, { status: sent.status });
  const body = asked.safeParse(sent.value);
  if (!body.success) return Response.json({ problem: TOO_MUCH }, { status: 400 });
  const { text, room, units } = body.data;
  const { lines, rest } = linesOf(text, room);
  const { db, reference } = await house();
  const kitchen = await db.transaction(
    async (tx) => readKitchen(tx, reference, units ?? (await readHousehold(tx)).unitSet, lines),
    { accessMode: 'read only' },
  );
  return tellWhile<FoundLines | { problem: string }>(
    request,
    async ({ signal, tell }) => {
      const found = await reader().lines(kitchen, lines, { signal, onRead: (read) => tell(read, lines.length) });
      return { lines: found, rest: [...lines.slice(found.length), ...rest].join('\n') };
    },
    { problem: 'Hodman stumbled over these lines. They are as you typed them.' },
  );
}
