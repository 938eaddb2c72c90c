import { packIdsSchema } from '@/core/label/asked';
import { penLabelsOf } from '@/features/labels/queries';

export const dynamic = 'force-dynamic';

/** What is written by hand on packs, and what a print would change. */
export async function GET(request: Request): Promise<Response> {
  const asked = packIdsSchema.safeParse(new URL(request.url).searchParams.get('packs'));
  if (!asked.success) return new Response('Which packs?', { status: 400 });
  return Response.json(await penLabelsOf(asked.data), { headers: { 'cache-control': 'no-store' } });
}
