import { notFound } from 'next/navigation';
import { readLocalDate } from '@/core/calendar/local-date';
import { idInAddress } from '@/core/schema';
import { Eaten } from '@/features/dogs/eaten/Eaten';
import { eatenView } from '@/features/dogs/eaten/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'As eaten' };

interface Asked {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ to?: string | string[] }>;
}

export default async function Page({ params, searchParams }: Asked) {
  const id = idInAddress.safeParse((await params).id);
  const { to } = await searchParams;
  const view = id.success
    ? await eatenView(id.data, typeof to === 'string' ? readLocalDate(to) : undefined)
    : undefined;
  if (!view) notFound();
  return <Eaten view={view} />;
}
