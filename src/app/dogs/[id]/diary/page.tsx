import { notFound } from 'next/navigation';
import { readLocalDate } from '@/core/calendar/local-date';
import { idInAddress } from '@/core/schema';
import { Diary } from '@/features/dogs/diary/Diary';
import { diaryView } from '@/features/dogs/diary/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Diary' };

interface Asked {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ day?: string | string[] }>;
}

export default async function Page({ params, searchParams }: Asked) {
  const id = idInAddress.safeParse((await params).id);
  const { day } = await searchParams;
  const view = id.success
    ? await diaryView(id.data, typeof day === 'string' ? readLocalDate(day) : undefined)
    : undefined;
  if (!view) notFound();
  return <Diary key={view.day} view={view} />;
}
