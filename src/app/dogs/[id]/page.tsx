import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { DogPage } from '@/features/dogs/DogPage';
import { dogView } from '@/features/dogs/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Dog' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const view = id.success ? await dogView(id.data, 'lately') : undefined;
  if (!view) notFound();
  return <DogPage view={view} />;
}
