import { BatchList } from '@/features/batches/BatchList';
import { batchRows } from '@/features/batches/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Batches' };

export default async function Page() {
  return <BatchList rows={await batchRows()} />;
}
