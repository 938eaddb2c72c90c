import { recipesView } from '@/features/recipes/queries';
import { RecipeList } from '@/features/recipes/RecipeList';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipes' };

export default async function Page() {
  return <RecipeList view={await recipesView()} />;
}
