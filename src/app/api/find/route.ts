import { z } from 'zod';
import { find } from '@/features/find/queries';

export const dynamic = 'force-dynamic';

const asked = z.string().max(80);

/** Dogs, recipes and packs by what is typed. */
export async function GET(request: Request): Promise<Response> {
  const query = asked.safeParse(new URL(request.url).searchParams.get('q') ?? '');
  return Response.json(query.success ? await find(query.data) : []);
}
