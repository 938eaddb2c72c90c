import Papa from 'papaparse';
import { idInAddress } from '@/core/schema';
import { vetFileName } from '@/core/vet/pages';
import { vetRangeSchema } from '@/core/vet/range';
import { sheetAsRows } from '@/core/vet/sheet';
import { vetPdf } from '@/features/dogs/vet/pdf';
import { vetView } from '@/features/dogs/vet/queries';

export const dynamic = 'force-dynamic';

/** The pages for a dog's vet as a PDF, to be looked at and printed, or as CSV with all their rows. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idInAddress.safeParse((await params).id);
  const { as, ...rest } = Object.fromEntries(new URL(request.url).searchParams);
  const asked = vetRangeSchema.safeParse(rest);
  const view = id.success && asked.success ? await vetView(id.data, asked.data) : undefined;
  if (!view) return new Response('Which dog?', { status: 404 });
  if (!view.made) return new Response(view.problems.map(({ message }) => message).join(' '), { status: 400 });
  const { sheet, range } = view.made;
  const file = (kind: 'pdf' | 'csv', how: 'inline' | 'attachment') => ({
    'content-disposition': `${how}; filename*=UTF-8''${encodeURIComponent(vetFileName(view.dog.name, range, kind))}`,
    'cache-control': 'no-store',
  });
  if (as === 'csv')
    return new Response(Papa.unparse(sheetAsRows(sheet), { newline: '\r\n', escapeFormulae: true }), {
      headers: { 'content-type': 'text/csv; charset=utf-8', ...file('csv', 'attachment') },
    });
  return new Response(new Uint8Array(await vetPdf(sheet)), {
    headers: { 'content-type': 'application/pdf', ...file('pdf', 'inline') },
  });
}
