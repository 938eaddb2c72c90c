import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { DogSheet } from '@/features/dogs/DogSheet';
import { dogForm, dogHistory, dogView, foodGroups } from '@/features/dogs/queries';
import { dogFormNameSchema } from '@/features/dogs/schema';
import { AvoidForm } from '@/features/dogs/forms/AvoidForm';
import { BowlLinesForm } from '@/features/dogs/forms/BowlLinesForm';
import { DaysOffForm } from '@/features/dogs/forms/DaysOffForm';
import { GoalForm } from '@/features/dogs/forms/GoalForm';
import { History } from '@/features/dogs/forms/History';
import { LifeForm } from '@/features/dogs/forms/LifeForm';
import { MealsForm } from '@/features/dogs/forms/MealsForm';
import { OtherwiseForm } from '@/features/dogs/forms/OtherwiseForm';
import { RationForm } from '@/features/dogs/forms/RationForm';
import { RulesForm } from '@/features/dogs/forms/RulesForm';
import { WeighForm } from '@/features/dogs/forms/WeighForm';
import { sure } from '@/core/sure';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Dog' };

export default async function Page({ params }: { params: Promise<{ id: string; form: string }> }) {
  const given = await params;
  const id = idInAddress.safeParse(given.id);
  const asked = dogFormNameSchema.safeParse(given.form);
  const view = id.success && asked.success ? await dogView(id.data) : undefined;
  if (!view || !asked.success) notFound();
  switch (asked.data) {
    case 'facts': {
      const form = sure(await dogForm(view.dog.id));
      return <DogSheet form={form} key={JSON.stringify(form.entry)} />;
    }
    case 'ration':
      return <RationForm view={view} />;
    case 'goal':
      return <GoalForm view={view} />;
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
    case 'days':
      return <DaysOffForm view={view} />;
    case 'history':
      return <History view={view} history={await dogHistory(view.dog.id)} />;
  }
}
