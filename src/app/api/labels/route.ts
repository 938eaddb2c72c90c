import { z } from 'zod';
import { packIdsSchema } from '@/core/label/asked';
import { sheetOf } from '@/core/label/sheets';
import { labelsPdf } from '@/features/labels/pdf';
import { labelsOf } from '@/features/labels/queries';

export const dynamic = 'force-dynamic';

/** What is asked for in the address: packs by their holdings, a sheet, its first free place, and what the printer is off. */
const askedSchema = z.object({
  packs: packIdsSchema,
  sheet: z.string().max(20),
  first: z.coerce.number().int().min(1).max(40).default(1),
  right: z.coerce.number().min(-10).max(10).default(0),
  down: z.coerce.number().min(-10).max(10).default(0),
});

/** The labels of packs as a PDF, to be looked at and printed. */
export async function GET(request: Request): Promise<Response> {
  const url = new URL(request.url);
  const asked = askedSchema.safeParse(Object.fromEntries(url.searchParams));
  const sheet = asked.success ? sheetOf(asked.data.sheet) : undefined;
  if (!asked.success || !sheet) return new Response('Which packs, and on which sheet of labels?', { status: 400 });
  const { packs: ids, first, right, down } = asked.data;
  const labels = await labelsOf({ ids, asked: `http://${request.headers.get('host') ?? url.host}` });
  if (labels.length === 0) return new Response('None of these packs is here any more.', { status: 404 });
  const pdf = await labelsPdf(labels, {
    sheet,
    first: Math.min(first, sheet.columns * sheet.rows),
    offset: { right, down },
  });
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="labels.pdf"',
      'cache-control': 'no-store',
    },
  });
}
