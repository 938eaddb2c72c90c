import { idInAddress } from '@/core/schema';
import { pageQuery } from '@/data/page';
import { readPhoto } from '@/data/repositories/diary';

export const dynamic = 'force-dynamic';

const photoOf = pageQuery(({ db }, id: number) => readPhoto(db, id));

/** A photograph of the diary. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idInAddress.safeParse((await params).id);
  const photo = id.success ? await photoOf(id.data) : undefined;
  if (!photo) return new Response('There is no such photograph.', { status: 404 });
  return new Response(new Uint8Array(photo), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, no-cache' },
  });
}
