import { grams } from '../quantity/units';
import { energyKnown, energyOf, macrosOf } from './energy';

const food = (name: string, per100: Record<string, number>, over = {}) => ({
  name,
  group: 'Vegetables',
  per100,
  ...over,
});
const whole = food('known', { protein_g: 10, fat_g: 5, carbohydrate_g: 20, fiber_g: 4 });
const line = (of: ReturnType<typeof food>, mass: number) => ({ food: of, grams: grams(mass) });

// Handbook 3: NFE = carbohydrate − fibre, never below 0; fibre that was not measured counts as 0 for energy.
test('unknown fibre counts as none, and fibre above the carbohydrate never makes it negative', () => {
  const unknown = food('no fibre', { protein_g: 10, fat_g: 5, carbohydrate_g: 20 });
  expect(macrosOf([line(unknown, 100)]).nfe).toBe(20);
  expect(macrosOf([line(whole, 100)]).nfe).toBe(16);
  expect(macrosOf([line(food('all fibre', { carbohydrate_g: 3, fiber_g: 9 }), 100)]).nfe).toBe(0);
  expect(energyOf([line(whole, 100)], '4-9-4')).toBeCloseTo(40 + 45 + 64, 9);
  expect(energyKnown([line(unknown, 100)], '4-9-4').unknown).toEqual([]);
});

test('a food without one of its macronutrients makes the energy at least what is said; a pinch does not', () => {
  const bag = food('base mix', { protein_g: 12 });
  expect(energyKnown([line(whole, 300), line(bag, 100)], '4-9-4')).toEqual({ coverage: 0.75, unknown: ['base mix'] });
  // 0.2 g could bring 1.8 kcal at the most, of 447 kcal: under half a percent.
  expect(energyKnown([line(whole, 300), line(bag, 0.2)], '4-9-4')).toEqual({ coverage: 1, unknown: [] });
});

test('a supply counts by the kcal of its own label, whatever the factors', () => {
  const bag = food('base mix', { energy_kcal: 360 }, { labelEnergy: true as const });
  for (const factors of ['4-9-4', 'modified', 'table'] as const)
    expect(energyOf([line(bag, 200)], factors)).toBeCloseTo(720, 9);
  expect(energyKnown([line(bag, 200)], '4-9-4').unknown).toEqual([]);
});
