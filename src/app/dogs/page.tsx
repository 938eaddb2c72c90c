import { DogList } from '@/features/dogs/DogList';
import { dogsView } from '@/features/dogs/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Dogs' };

export default async function Page() {
  return <DogList view={await dogsView()} />;
}
