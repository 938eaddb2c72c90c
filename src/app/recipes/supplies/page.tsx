import { suppliesView } from '@/features/recipes/supplies/queries';
import { Supplies } from '@/features/recipes/supplies/Supplies';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Supplies' };

export default async function Page() {
  return <Supplies view={await suppliesView()} />;
}
