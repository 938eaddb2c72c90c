import { z } from 'zod';
import { house } from '@/data/house';

export const dynamic = 'force-dynamic';

const asked = z.object({ q: z.string().max(80) });

/** Foods for what has been typed so far, with their measures: everyday forms first. */
export async function GET(request: Request): Promise<Response> {
  const query = asked.safeParse({ q: new URL(request.url).searchParams.get('q') ?? '' });
  if (!query.success) return Response.json([]);
  const { reference } = await house();
  const foods = reference.index.search(query.data.q, 8);
  return Response.json(foods.map((food) => ({ food, measures: reference.measures.get(food.ndb) ?? [] })));
}
