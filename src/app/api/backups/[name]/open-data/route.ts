import { pathOfBackup, readBackups } from '@/data/backups';
import { openDataOf } from '@/data/open-data/of-backup';

export const dynamic = 'force-dynamic';

/** What is in a backup, as open data: a zip of CSV and JSON. */
export async function GET(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const path = pathOfBackup(name);
  if (path === undefined || !readBackups().some((each) => each.name === name))
    return new Response('There is no such backup.', { status: 404 });
  try {
    const zip = await openDataOf(path, request.signal);
    const file = name.replace(/\.tar\.gz$/, '') + '-open-data.zip';
    return new Response(zip, { headers: { 'content-disposition': `attachment; filename="${file}"` } });
  } catch (error) {
    console.error(error);
    return new Response('This backup could not be opened.', { status: 409 });
  }
}
