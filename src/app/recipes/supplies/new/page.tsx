import { supplyForm } from '@/features/recipes/supplies/queries';
import { SupplyForm } from '@/features/recipes/supplies/SupplyForm';
import { sure } from '@/core/sure';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'A new label' };

export default async function Page() {
  return <SupplyForm given={sure(await supplyForm(undefined))} />;
}
