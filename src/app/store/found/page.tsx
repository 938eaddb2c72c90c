import { foundView } from '@/features/store/found/queries';
import { Found } from '@/features/store/found/Found';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Found in the freezer' };

export default async function Page() {
  return <Found view={await foundView()} />;
}
