import { idInAddress } from '@/core/schema';
import { storeView } from '@/features/store/queries';
import { Store } from '@/features/store/Store';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Store' };

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<{ pack?: string | string[]; lot?: string | string[] }>;
}) {
  const { pack, lot } = await searchParams;
  const lotId = idInAddress.safeParse(lot);
  const view = await storeView({
    code: typeof pack === 'string' && pack !== '' ? pack.slice(0, 12) : undefined,
    lotId: lotId.success ? lotId.data : undefined,
  });
  return <Store view={view} />;
}
