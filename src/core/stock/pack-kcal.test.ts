import { bowlOff, kcalOfAll, packKcal } from './pack-kcal';

test('what a pack holds, and by how much a bowl was off once its pot was put right (by hand)', () => {
  expect(packKcal({ grams: 450, density: 1.2 })).toBeCloseTo(540, 9);
  // 400 g were fed as 500 kcal; at 1.2 kcal/g they were 480.
  expect(bowlOff({ kcal: 500, grams: 400 }, 1.2)).toBeCloseTo(-20, 9);
  // Under half a percent, or a kcal, nobody is told.
  expect(bowlOff({ kcal: 500, grams: 400 }, 1.255)).toBeUndefined();
  expect(bowlOff({ kcal: 10, grams: 10 }, 1.09)).toBeUndefined();
});

test('of food of which nobody knows the kcal a sum is at least that, not less', () => {
  expect(kcalOfAll([{ kcal: 540 }, { kcal: 60 }])).toEqual({ kcal: 600, isAtLeast: false });
  expect(kcalOfAll([{ kcal: 540 }, { kcal: undefined }])).toEqual({ kcal: 540, isAtLeast: true });
});
