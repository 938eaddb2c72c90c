import { rehydrated, writeWater } from './rehydrate';

test('dry and water make what is fed: 2000 g at 74 % water, 536 g dry and 1464 mL (handbook 10)', () => {
  const dried = { density: (1.2 * 2000) / 536, waterPerGram: 1464 / 536 };
  expect(rehydrated(1.2 * 2000, dried)).toEqual({ dry: 536, water: 1464, asFed: 2000 });
  const meal = rehydrated(300, dried);
  expect(meal.asFed).toBe(meal.dry + meal.water);
  // 300 kcal are 250 g as they were before they were dried.
  expect(Math.abs(meal.asFed - 250)).toBeLessThanOrEqual(2);
});

test('water as a cook measures it, in the household’s cup', () => {
  expect(writeWater(125, 'metric')).toBe('125 mL, ½ cup');
  expect(writeWater(355, 'us')).toBe('355 mL, 1½ cups');
  expect(writeWater(9, 'metric')).toBe('9 mL');
});
