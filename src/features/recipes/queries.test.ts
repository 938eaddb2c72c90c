import { recipeEntrySchema } from '@/core/recipe/entry-schema';
import { saveRecipe } from '@/data/commands/recipes';
import { contextFor } from '@/data/commands/run';
import { serve } from '@/data/fixtures/served';
import { recipeForm, recipeRows } from './queries';

const NOON = '2026-11-25T12:00:00Z';

test('the form of a stored recipe, kept unchanged, makes a version that weighs and holds the same', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const before = await recipeRows();
  for (const row of before) {
    const form = (await recipeForm(row.recipeId))!;
    expect(recipeEntrySchema.safeParse(form.entry).success).toBe(true);
    await saveRecipe(await contextFor(db, reference, new Date(NOON)), { id: row.recipeId, entry: form.entry });
  }
  const after = await recipeRows();
  expect(after.map((row) => row.version)).toEqual([2, 2, 2]);
  expect(after.map((row) => row.sheet.kcal)).toEqual(before.map((row) => row.sheet.kcal));
  expect(after.map((row) => row.lines)).toEqual(before.map((row) => row.lines));
  expect(await recipeForm(999)).toBeUndefined();
});

test('the venison of the boatyard is the worked example: 2834.56 kcal (issue 2)', async () => {
  await serve(NOON, { demo: true });
  const [venison] = await recipeRows();
  expect(venison!.sheet.kcal).toBeCloseTo(2834.56, 2);
  expect(venison!.mark).toEqual({ word: 'venison', hatch: 'diagonal' });
});
