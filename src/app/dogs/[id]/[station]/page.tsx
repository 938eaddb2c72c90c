import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { DogSheet } from '@/features/dogs/DogSheet';
import { dogForm, dogHistory, dogView, foodGroups } from '@/features/dogs/queries';
import { stationSchema } from '@/features/dogs/schema';
import { AvoidForm } from '@/features/dogs/stations/AvoidForm';
import { BowlLinesForm } from '@/features/dogs/stations/BowlLinesForm';
import { History } from '@/features/dogs/stations/History';
import { LifeForm } from '@/features/dogs/stations/LifeForm';
import { MealsForm } from '@/features/dogs/stations/MealsForm';
import { OtherwiseForm } from '@/features/dogs/stations/OtherwiseForm';
import { RationForm } from '@/features/dogs/stations/RationForm';
import { RulesForm } from '@/features/dogs/stations/RulesForm';
import { WeighForm } from '@/features/dogs/stations/WeighForm';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Dog' };

export default async function Page({ params }: { params: Promise<{ id: string; station: string }> }) {
  const given = await params;
  const id = idInAddress.safeParse(given.id);
  const station = stationSchema.safeParse(given.station);
  const view = id.success && station.success ? await dogView(id.data) : undefined;
  if (!view || !station.success) notFound();
  switch (station.data) {
    case 'facts': {
      const form = (await dogForm(view.dog.id))!;
      return <DogSheet form={form} key={JSON.stringify(form.entry)} />;
    }
    case 'ration':
      return <RationForm view={view} />;
    case 'rules':
      return <RulesForm view={view} />;
    case 'meals':
      return <MealsForm view={view} />;
    case 'otherwise':
      return <OtherwiseForm view={view} />;
    case 'weigh':
      return <WeighForm view={view} history={await dogHistory(view.dog.id)} />;
    case 'avoid':
      return <AvoidForm view={view} groups={await foodGroups()} />;
    case 'bowl':
      return <BowlLinesForm view={view} />;
    case 'life':
      return <LifeForm view={view} />;
    case 'history':
      return <History view={view} history={await dogHistory(view.dog.id)} />;
  }
}
