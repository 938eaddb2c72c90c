import { openAsBlob } from 'node:fs';
import { readBackups, pathOfBackup } from '@/data/backups';

export const dynamic = 'force-dynamic';

/** A backup as a file to take home. */
export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const path = pathOfBackup(name);
  if (path === undefined || !readBackups().some((each) => each.name === name))
    return new Response('There is no such backup.', { status: 404 });
  const file = await openAsBlob(path);
  return new Response(file.stream(), {
    headers: {
      'content-type': 'application/gzip',
      'content-length': String(file.size),
      'content-disposition': `attachment; filename="${name}"`,
    },
  });
}
