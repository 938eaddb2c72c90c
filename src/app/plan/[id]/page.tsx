import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
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
  const plan = await keptPlan(id.data);
  if (!plan) notFound();
  return <PlanInHand plan={plan} />;
}
