import { newRecipeForm } from '@/features/recipes/start/queries';
import { RecipeSheet } from '@/features/recipes/RecipeSheet';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'A new recipe' };

export default async function Page() {
  return <RecipeSheet form={await newRecipeForm()} />;
}
