import { storeView } from '@/features/store/queries';
import { Store } from '@/features/store/Store';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Store' };

export default async function Page({ searchParams }: { searchParams: Promise<{ pack?: string | string[] }> }) {
  const { pack } = await searchParams;
  return <Store view={await storeView(typeof pack === 'string' && pack !== '' ? pack.slice(0, 12) : undefined)} />;
}
