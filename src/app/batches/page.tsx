import { z } from 'zod';
import { BatchList } from '@/features/batches/BatchList';
import { batchRows } from '@/features/batches/list/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Batches' };

const fromSchema = z.coerce.number().int().min(0).catch(0);

export default async function Page({ searchParams }: { searchParams: Promise<{ from?: string }> }) {
  const from = fromSchema.parse((await searchParams).from ?? 0);
  const view = await batchRows(from);
  return <BatchList view={view} older={view.more ? from + view.rows.length : undefined} />;
}
