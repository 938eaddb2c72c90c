import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { PlanOnPaper } from '@/features/plans/PlanOnPaper';
import { keptPlan, planRows } from '@/features/plans/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Plan on paper' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const plan = id.success ? await keptPlan(id.data) : undefined;
  if (!plan) notFound();
  return <PlanOnPaper plan={plan} rows={await planRows(plan.id)} />;
}
