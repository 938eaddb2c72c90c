import { todayView } from '@/features/today/queries';
import { Today } from '@/features/today/Today';

export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Today view={await todayView()} />;
}
