import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { orUnread, Unreadable } from '@/core/unreadable';
import { UnreadPage } from '@/ui/Unread';
import { ListOnPhone } from '@/features/plans/ListOnPhone';
import { keptPlan } from '@/features/plans/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Pull and buy' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const plan = id.success ? await orUnread(keptPlan(id.data)) : undefined;
  if (!plan) notFound();
  if (plan instanceof Unreadable) return <UnreadPage what={plan.what} />;
  return <ListOnPhone plan={plan} />;
}
