import { wasteView } from '@/features/store/waste/queries';
import { Waste } from '@/features/store/waste/Waste';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Not eaten' };

export default async function Page() {
  return <Waste view={await wasteView()} />;
}
