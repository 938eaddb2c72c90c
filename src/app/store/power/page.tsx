import { powerView } from '@/features/store/power/queries';
import { PowerCut } from '@/features/store/power/PowerCut';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Power cut' };

export default async function Page() {
  const view = await powerView();
  return <PowerCut key={`${view.cut?.id} ${view.cut?.isAway}`} view={view} />;
}
