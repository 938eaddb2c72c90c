import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { printView } from '@/features/recipes/queries';
import { RecipePrint } from '@/features/recipes/RecipePrint';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipe on paper' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const view = id.success ? await printView(id.data) : undefined;
  if (!view) notFound();
  return <RecipePrint view={view} />;
}
