import { weeksView } from '@/features/weeks/queries';
import { WeeksRoom } from '@/features/weeks/WeeksRoom';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Weeks' };

export default async function Page() {
  return <WeeksRoom view={await weeksView()} />;
}
