import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { supplyForm } from '@/features/recipes/supplies/queries';
import { SupplyForm } from '@/features/recipes/supplies/SupplyForm';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'A label' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const given = id.success ? await supplyForm(id.data) : undefined;
  if (!given) notFound();
  return <SupplyForm given={given} key={given.id} />;
}
