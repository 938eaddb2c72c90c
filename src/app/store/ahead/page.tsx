import { aheadView } from '@/features/store/ahead/queries';
import { WeeksAhead } from '@/features/store/ahead/WeeksAhead';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Eight weeks ahead' };

export default async function Page() {
  return <WeeksAhead view={await aheadView()} />;
}
