import { recipeEntrySchema } from '@/core/recipe/entry-schema';
import { saveHousehold } from '@/data/commands/household';
import { saveRecipe } from '@/data/commands/recipes';
import { contextFor } from '@/data/commands/run';
import { serve } from '@/data/fixtures/served';
import { readLatestVersion } from '@/data/repositories/recipes';
import { printView, recipeForm, recipesView } from './queries';

const NOON = '2026-11-25T12:00:00Z';

test('the form of a stored recipe, kept unchanged, makes a version that weighs and holds the same', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const before = (await recipesView()).rows;
  for (const row of before) {
    const form = (await recipeForm(row.recipeId))!;
    expect(recipeEntrySchema.safeParse(form.entry).success).toBe(true);
    await saveRecipe(await contextFor(db, reference, new Date(NOON)), { id: row.recipeId, entry: form.entry });
  }
  const after = (await recipesView()).rows;
  expect(after.map((row) => row.version)).toEqual([2, 2, 2]);
  expect(after.map((row) => row.sheet.kcal)).toEqual(before.map((row) => row.sheet.kcal));
  expect(after.map((row) => row.lines)).toEqual(before.map((row) => row.lines));
  expect(await recipeForm(999)).toBeUndefined();
});

test('the venison of the boatyard is the worked example: 2834.56 kcal (issue 2)', async () => {
  await serve(NOON, { demo: true });
  const [venison] = (await recipesView()).rows;
  expect(venison!.sheet.kcal).toBeCloseTo(2834.56, 2);
  expect(venison!.protein).toEqual({ word: 'venison', hatch: 'diagonal' });
});

test('what a US kitchen typed in °F comes back in °F, on the sheet and on paper, and can be kept again', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const context = await contextFor(db, reference, new Date(NOON));
  await saveHousehold(context, { ...context.household, unitSet: 'us', timeZone: 'Europe/Oslo' });
  const us = await contextFor(db, reference, new Date(NOON));
  const { entry } = (await recipeForm(1))!;
  const [pot, ...others] = entry.components!;
  const baked = { ...entry, components: [{ ...pot!, celsius: '350' }, ...others] };
  await saveRecipe(us, { id: 1, entry: baked });
  const kept = (await recipeForm(1))!;
  expect(kept.entry.components![0]!.celsius).toBe('350 °F');
  expect(recipeEntrySchema.safeParse(kept.entry).success).toBe(true);
  expect((await printView(1))!.components[0]!.how).toContain('350 °F');
  await saveRecipe(us, { id: 1, entry: kept.entry });
  // 350 °F is 176.67 °C (°C = (°F − 32) × 5/9): a file says it so, and a metric kitchen reads it so.
  expect((await readLatestVersion(db, reference, 1))!.entry.components![0]!.celsius).toBe('176.67 °C');
});
