import { idInAddress } from '@/core/schema';
import { PlanRoom } from '@/features/plans/PlanRoom';
import { newPlanView } from '@/features/plans/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Plan' };

interface Asked {
  recipe?: string | string[];
  copy?: string | string[];
}

export default async function Page({ searchParams }: { searchParams: Promise<Asked> }) {
  const { recipe, copy } = await searchParams;
  const id = (asked: string | string[] | undefined) => idInAddress.safeParse(asked).data;
  const copyOf = id(copy);
  return <PlanRoom key={copyOf ?? 'new'} view={await newPlanView(copyOf)} first={id(recipe)} />;
}
