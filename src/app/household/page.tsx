import { Household } from '@/features/household/Household';
import { householdView, networkView } from '@/features/household/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Household' };

export default async function Page() {
  return <Household view={await householdView()} network={await networkView()} />;
}
