import { StockFile } from '@/features/store/file/StockFile';

export const metadata = { title: 'Stock as a file' };

export default function Page() {
  return <StockFile />;
}
