import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { mendSchema } from '@/core/unreadable';
import { MendPage } from '@/features/mend/MendPage';
import { mendView } from '@/features/mend/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Mend it' };

export default async function Page({ params }: { params: Promise<{ kind: string; id: string }> }) {
  const { kind, id } = await params;
  const asked = mendSchema.safeParse({ kind, id: idInAddress.safeParse(id).data });
  if (!asked.success) notFound();
  return <MendPage asked={asked.data} what={await mendView(asked.data)} />;
}
