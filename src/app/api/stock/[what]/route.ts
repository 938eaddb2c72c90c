import { pageQuery } from '@/data/page';
import { readMovementsFile, readPacksFile } from '@/data/repositories/stock-file';

export const dynamic = 'force-dynamic';

const FILES = { packs: readPacksFile, movements: readMovementsFile } as const;
const isFile = (what: string): what is keyof typeof FILES => Object.hasOwn(FILES, what);

const fileOf = pageQuery(async (read, what: keyof typeof FILES) => ({
  body: await FILES[what](read),
  day: read.today,
}));

/** The stock, or every movement of it, as CSV. */
export async function GET(_request: Request, { params }: { params: Promise<{ what: string }> }): Promise<Response> {
  const { what } = await params;
  if (!isFile(what)) return new Response('There is no such file.', { status: 404 });
  const { body, day } = await fileOf(what);
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${what}-${day}.csv"`,
    },
  });
}
