import { energyOverScale, needsOf, scaleOf, sum } from '@/core/plan/scale';
import { serve } from '@/data/fixtures/served';
import { planView } from './queries';
import { planSchema } from './schema';

test('the plan’s view is enough to scale by: Wren’s fourteen days are 16 899 kcal (issue 2)', async () => {
  await serve('2026-11-25T12:00:00Z', { demo: true });
  const view = await planView();
  const wren = view.dogs.filter((dog) => dog.name === 'Wren');
  const needs = needsOf(wren, view.today, 14);
  expect(Math.round(sum(needs[0]!.byDay))).toBe(16_899);
  const scale = scaleOf(
    sum(needs[0]!.byDay),
    energyOverScale(view.recipes[0]!.written, { dogDays: 14, kgDays: 0, loads: 1 }, view.factors),
  );
  expect(scale.ok && scale.value).toBeCloseTo(16_899 / 2834.56, 3);
  expect(view.dogs.map((dog) => dog.caution !== undefined)).toEqual([true, true, true]);
  // What a server hands to a page must survive the way there.
  expect(JSON.parse(JSON.stringify(view.recipes[0]!.written[0]!.source.food.per100))).toEqual(
    view.recipes[0]!.written[0]!.source.food.per100,
  );
});

test.each([
  { recipeId: 0, dogIds: [1], binding: { by: 'days', days: 5 }, firstDay: '2026-11-26' },
  { recipeId: 1, dogIds: [1.5], binding: { by: 'days', days: 5 }, firstDay: '2026-11-26' },
  { recipeId: 1, dogIds: [1], binding: { by: 'days', days: 'five' }, firstDay: '2026-11-26' },
  { recipeId: 1, dogIds: [1], binding: { by: 'days', days: 5 } },
])('%j has not the shape of a plan', (asked) => {
  expect(planSchema.safeParse(asked).success).toBe(false);
});
