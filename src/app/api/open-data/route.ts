import { openDataOf } from '@/data/open-data/of-backup';
import { serverUrl } from '@/data/server/server';

export const dynamic = 'force-dynamic';

/** Everything on a server as open data, as it is now. Where the database runs here it is made of a backup. */
export async function GET(request: Request): Promise<Response> {
  if (serverUrl() === undefined)
    return new Response('Open data is made of a backup here: see Household.', { status: 404 });
  const zip = await openDataOf(undefined, request.signal);
  return new Response(zip, { headers: { 'content-disposition': 'attachment; filename="hodman-open-data.zip"' } });
}
