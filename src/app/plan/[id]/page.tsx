import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { orUnread, Unreadable } from '@/core/unreadable';
import { UnreadPage } from '@/ui/Unread';
import { PlanInHand } from '@/features/plans/PlanInHand';
import { PlanRoom } from '@/features/plans/PlanRoom';
import { keptPlan, openPlanView } from '@/features/plans/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Plan' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  if (!id.success) notFound();
  const view = await openPlanView(id.data);
  if (view) return <PlanRoom key={id.data} view={view} />;
  const plan = await orUnread(keptPlan(id.data));
  if (!plan) notFound();
  if (plan instanceof Unreadable) return <UnreadPage what={plan.what} />;
  return <PlanInHand plan={plan} />;
}
