import { DogSheet } from '@/features/dogs/DogSheet';
import { newDogForm } from '@/features/dogs/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'A new dog' };

export default async function Page() {
  return <DogSheet form={await newDogForm()} />;
}
