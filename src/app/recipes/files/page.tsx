import { idInAddress } from '@/core/schema';
import { RecipeFiles } from '@/features/recipes/files/RecipeFiles';
import { filesView } from '@/features/recipes/queries';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Recipes as files' };

export default async function Page({ searchParams }: { searchParams: Promise<{ recipe?: string }> }) {
  const asked = idInAddress.safeParse((await searchParams).recipe);
  const view = await filesView();
  const first = view.recipes.find((recipe) => asked.success && recipe.id === asked.data)?.id;
  return <RecipeFiles view={view} first={first} />;
}
