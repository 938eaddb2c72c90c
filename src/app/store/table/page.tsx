import { tableView } from '@/features/store/queries';
import { StockTable } from '@/features/store/table/StockTable';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Store as a table' };

export default async function Page() {
  return <StockTable {...await tableView()} />;
}
