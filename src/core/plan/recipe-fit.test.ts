import { dogOf } from '../../../tests/fixtures/dogs';
import { recipeOf, TODAY } from '../../../tests/fixtures/plans';
import { addDays } from '../calendar/local-date';
import { grams } from '../quantity/units';
import { namedDog } from '../recipe/preview';
import { measuredRecipe } from './figures';
import { recipeFit } from './recipe-fit';

// 900 g of minced venison and so much water with a lid on (a tenth boils away: common practice), for a pup of 8 kg with 1174 kcal in three meals
// (handbook 13, from memory: above 45 mL/kg a meal is large, above 80 it does not fit).
const pup = {
  ...namedDog(
    {
      ...dogOf(8, TODAY, { name: 'Wren', birthDate: addDays(TODAY, -122) }),
      id: 1,
      expectedAdultWeight: grams(19_000),
    },
    TODAY,
  ),
};
const fitsWith = (water: string, pots: readonly number[] = [], of = pup, recipeId?: number) => {
  const { written } = recipeOf(1, [
    { ndb: '17343', amount: '900 g', part: 'muscle', moment: 'cook' },
    { ndb: '14411', amount: water, part: 'liquid', moment: 'cook' },
  ]);
  const recipe = measuredRecipe(written, pots, '4-9-4');
  return recipeFit(
    recipe,
    written.map((line) => line.grams),
    [of],
    recipeId,
  );
};

test('soup does not fit into a pup, and its own page says so; with less water it is large, then it fits', () => {
  // 157 kcal in 100 g of venison (USDA SR 24, protein 21.78 × 4 + fat 7.13 × 9 = 151.3).
  const kcal = 9 * (21.78 * 4 + 7.13 * 9);
  const mlPerKg = (water: number) => (1174 * (900 + water) * 0.9) / kcal / 3 / 8;
  expect(mlPerKg(1700)).toBeGreaterThan(80);
  expect(fitsWith('1700 g')).toMatchObject({
    isTooMuch: true,
    said: expect.stringContaining(`${Math.round(mlPerKg(1700))} mL for each kg`),
  });
  expect(mlPerKg(700)).toBeGreaterThan(45);
  expect(fitsWith('700 g')).toMatchObject({ isTooMuch: false });
  expect(mlPerKg(300)).toBeLessThan(45);
  expect(fitsWith('300 g')).toBeUndefined();
});

test('the household’s own pots say what a meal weighs; a meal that is always of another recipe is not filled by it', () => {
  expect(fitsWith('700 g', [0.6])).toBeUndefined();
  const elsewhere = { ...pup, meals: pup.meals.map((meal) => ({ ...meal, recipeId: 2 })) };
  expect(fitsWith('1700 g', [], elsewhere, 1)).toBeUndefined();
  expect(fitsWith('1700 g', [], elsewhere, 2)).toBeDefined();
});
