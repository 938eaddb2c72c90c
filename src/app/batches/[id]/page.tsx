import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { batchView } from '@/features/batches/queries';
import { RunSheet } from '@/features/batches/RunSheet';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Batch' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const view = id.success ? await batchView(id.data) : undefined;
  if (!view) notFound();
  return <RunSheet view={view} key={view.id} />;
}
