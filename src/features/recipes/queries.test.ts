import { balanceOf } from '@/core/nutrition/balance';
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

test('the venison of the boatyard is the worked example with its additions: 2834.56 kcal and two spoons of oil', async () => {
  await serve(NOON, { demo: true });
  const [venison] = (await recipesView()).rows;
  // Issue 2, by hand from USDA SR 24; 20 g more rapeseed oil and 4.6 g of fish oil by its label, each g of fat 9 kcal.
  expect(venison!.sheet.kcal).toBeCloseTo(2834.56 + 20 * 9 + 4.6 * 9, 2);
  expect(venison!.protein).toEqual({ word: 'venison', hatch: 'diagonal' });
});

// AAFCO 2016, growth and reproduction (data/profiles.json): what the pup gets too.
test('the boatyard’s pots hold what a pup needs; the pollock is short on purpose, and says so', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const growth = reference.profiles.profiles.find((each) => each.id === 'aafco-growth')!;
  const off = async (id: number) => {
    const { lines, note } = (await readLatestVersion(db, reference, id))!;
    const { rows } = balanceOf(lines, reference.profiles.nutrients, growth, '4-9-4');
    return {
      note,
      names: rows.flatMap((row) => (row.verdict === 'short' || row.verdict === 'over' ? [row.name] : [])),
    };
  };
  expect((await off(1)).names).toEqual([]);
  expect((await off(3)).names).toEqual([]);
  const pollock = await off(2);
  expect(pollock.names).toEqual(expect.arrayContaining(['calcium', 'zinc', 'copper']));
  expect(pollock.note).toMatch(/Short of calcium, zinc and copper on purpose/);
});

test('what a US kitchen typed in °F comes back in °F, on the sheet and on paper, and can be kept again', async () => {
  const { db, reference } = await serve(NOON, { demo: true });
  const context = await contextFor(db, reference, new Date(NOON));
  await saveHousehold(context, { ...context.household, fridgeDays: 4, unitSet: 'us', timeZone: 'Europe/Oslo' });
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
