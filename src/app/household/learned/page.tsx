import { LearnedRoom } from '@/features/household/learned/LearnedRoom';
import { learnedView } from '@/features/household/learned/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'What this kitchen has learned' };

export default async function Page() {
  return <LearnedRoom view={await learnedView()} />;
}
