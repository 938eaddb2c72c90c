import { notFound } from 'next/navigation';
import { idInAddress } from '@/core/schema';
import { recipeForm } from '@/features/recipes/queries';
import { RecipeSheet } from '@/features/recipes/RecipeSheet';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipe' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const id = idInAddress.safeParse((await params).id);
  const form = id.success ? await recipeForm(id.data) : undefined;
  if (!form) notFound();
  return <RecipeSheet form={form} key={`${form.id}-${form.version}`} />;
}
