import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { OneBowl } from '@/features/today/bowl/OneBowl';
import { todayView } from '@/features/today/queries';

export const dynamic = 'force-dynamic';

/** One dog's bowl alone, large: a phone beside it on the counter. */
export default async function Page({ params }: { params: Promise<{ dogId: string }> }) {
  const id = idInAddress.safeParse((await params).dogId);
  const view = await todayView();
  const dog = view.dogs.find((each) => each.id === id.data);
  if (!dog) notFound();
  return <OneBowl key={dog.id} view={view} dog={dog} />;
}
