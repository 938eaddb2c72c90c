import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { orUnread, Unreadable } from '@/core/unreadable';
import { UnreadPage } from '@/ui/Unread';
import { printView } from '@/features/recipes/queries';
import { RecipePrint } from '@/features/recipes/RecipePrint';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipe on paper' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const view = id.success ? await orUnread(printView(id.data)) : undefined;
  if (!view) notFound();
  if (view instanceof Unreadable) return <UnreadPage what={view.what} />;
  return <RecipePrint view={view} />;
}
