import { BuyForSeveral } from '@/features/plans/buy/BuyForSeveral';
import { BUY_DAYS, buyView } from '@/features/plans/buy/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'To buy' };

export default async function Page({ searchParams }: { searchParams: Promise<{ days?: string | string[] }> }) {
  const asked = Number((await searchParams).days);
  return <BuyForSeveral spans={BUY_DAYS} view={await buyView(BUY_DAYS.find((days) => days === asked) ?? 14)} />;
}
