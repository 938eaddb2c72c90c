import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { orUnread, Unreadable } from '@/core/unreadable';
import { UnreadPage } from '@/ui/Unread';
import { batchView } from '@/features/batches/queries';
import { RunSheet } from '@/features/batches/RunSheet';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Batch' };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const id = idInAddress.safeParse((await params).id);
  const view = id.success ? await orUnread(batchView(id.data)) : undefined;
  if (!view) notFound();
  if (view instanceof Unreadable) return <UnreadPage what={view.what} />;
  return <RunSheet view={view} asked={(await searchParams).step} key={view.id} />;
}
