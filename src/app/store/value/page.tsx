import { valueView } from '@/features/store/value/queries';
import { Value } from '@/features/store/value/Value';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'What it costs' };

export default async function Page() {
  return <Value view={await valueView()} />;
}
