import { rotationView } from '@/features/recipes/queries';
import { Rotation } from '@/features/recipes/rotation/Rotation';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipes in turn' };

export default async function Page() {
  return <Rotation view={await rotationView()} />;
}
