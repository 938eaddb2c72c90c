import { Begin } from '@/features/household/Begin';
import { houseView } from '@/features/household/queries';
import { todayView } from '@/features/today/queries';
import { Today } from '@/features/today/Today';

export const dynamic = 'force-dynamic';

export default async function Page() {
  const { beginning } = await houseView();
  return beginning ? <Begin view={beginning} /> : <Today view={await todayView()} />;
}
