import { z } from 'zod';
import { house } from '@/data/house';
import { searchFoods } from '@/data/repositories/foods';

export const dynamic = 'force-dynamic';

const asked = z.object({ q: z.string().max(80) });

/** Foods for what has been typed so far, with their measures: the household's own first, then everyday forms. */
export async function GET(request: Request): Promise<Response> {
  const query = asked.safeParse({ q: new URL(request.url).searchParams.get('q') ?? '' });
  if (!query.success) return Response.json([]);
  const { db, reference } = await house();
  return Response.json(await searchFoods(db, reference, query.data.q, 8));
}
