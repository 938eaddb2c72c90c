import { idInAddress } from '@/core/schema';
import { Plan } from '@/features/plans/Plan';
import { planView } from '@/features/plans/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Plan' };

export default async function Page({ searchParams }: { searchParams: Promise<{ recipe?: string | string[] }> }) {
  const asked = idInAddress.safeParse((await searchParams).recipe);
  return <Plan view={await planView()} first={asked.success ? asked.data : undefined} />;
}
