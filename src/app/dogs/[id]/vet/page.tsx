import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { vetRangeSchema } from '@/core/vet/range';
import { vetView } from '@/features/dogs/vet/queries';
import { VetPages } from '@/features/dogs/vet/VetPages';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'For the vet' };

interface Asked {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function Page({ params, searchParams }: Asked) {
  const id = idInAddress.safeParse((await params).id);
  const asked = vetRangeSchema.safeParse(await searchParams);
  const view = id.success ? await vetView(id.data, asked.success ? asked.data : { from: '', to: '' }) : undefined;
  if (!view) notFound();
  return <VetPages key={`${view.from} ${view.to}`} view={view} />;
}
