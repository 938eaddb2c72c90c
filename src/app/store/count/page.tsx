import { Count } from '@/features/store/count/Count';
import { countView } from '@/features/store/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Count' };

export default async function Page({ searchParams }: { searchParams: Promise<{ place?: string | string[] }> }) {
  const { place } = await searchParams;
  const view = await countView(typeof place === 'string' ? Number(place) : undefined);
  return <Count key={view.place?.placeId} view={view} />;
}
