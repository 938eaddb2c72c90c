import { BeginKitchen } from '@/features/household/BeginKitchen';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'What your kitchen has' };

export default function Page() {
  return <BeginKitchen />;
}
