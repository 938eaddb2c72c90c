import { DOGS, TODAY } from '../../../tests/fixtures/plans';
import { addDays } from '../calendar/local-date';
import type { BatchMeals } from '../dog/filling';
import { homeEnergyOn } from '../dog/meals';
import { weightOn } from '../dog/day-energy';
import { demandOf, unfilledMeals } from './demand';

const batch = (recipeId: number, over: Partial<BatchMeals> = {}): BatchMeals => ({
  recipeId,
  share: 1,
  meals: 'every meal',
  ...over,
});
const whole = (days: number) =>
  DOGS.reduce((sum, dog) => {
    for (let day = 0; day < days; day++) sum += homeEnergyOn(dog, addDays(TODAY, day));
    return sum;
  }, 0);

test('one recipe for every meal is asked for all that the dogs need, each day counted whole', () => {
  const [asked] = demandOf(DOGS, TODAY, [batch(1)]).over(3);
  expect(asked!.need).toBeCloseTo(whole(3), 9);
  expect(asked!.dogDays).toBeCloseTo(6, 9);
  expect(asked!.kgDays).toBeCloseTo(
    [0, 1, 2].reduce(
      (sum, day) => sum + DOGS.reduce((kg, dog) => kg + weightOn(dog, addDays(TODAY, day)) / 1000, 0),
      0,
    ),
    9,
  );
});

test('a part of a day is that part of it', () => {
  const { over } = demandOf(DOGS, TODAY, [batch(1)]);
  expect(over(2.5)[0]!.need).toBeCloseTo((over(2)[0]!.need + over(3)[0]!.need) / 2, 9);
});

test('mornings and the rest of the day: together everything, a grown dog’s two meals half and half', () => {
  const demand = demandOf(DOGS, TODAY, [batch(1, { meals: 'mornings' }), batch(2, { meals: 'after the morning' })]);
  const [morning, rest] = demand.over(2);
  expect(morning!.need + rest!.need).toBeCloseTo(whole(2), 9);
  expect(morning!.dogDays + rest!.dogDays).toBeCloseTo(4, 9);
  const [grown, pup] = demand.byDog(2);
  expect(grown!.byBatch[0]).toBeCloseTo(grown!.byBatch[1]!, 9);
  // A pup of four months has three meals (common practice): one of them in the morning.
  expect(pup!.byBatch[1]! / pup!.byBatch[0]!).toBeCloseTo(2, 9);
});

test('meals that no recipe fills are named', () => {
  expect(unfilledMeals(DOGS, TODAY, [batch(1, { meals: 'mornings' }), batch(2, { meals: 'evenings' })])).toEqual([
    'Pup’s lunch',
  ]);
  expect(unfilledMeals(DOGS, TODAY, [batch(1)])).toEqual([]);
});

test('a meal that the ration gives to a recipe goes to that one alone', () => {
  const fixed = {
    ...DOGS[0]!,
    rations: [
      {
        ...DOGS[0]!.rations[0]!,
        meals: [
          { slotId: 1, fraction: 0.5, recipeId: 2 },
          { slotId: 5, fraction: 0.5 },
        ],
      },
    ],
  };
  const [first, second] = demandOf([fixed], TODAY, [batch(1), batch(2)]).over(1);
  expect(second!.need / first!.need).toBeCloseTo(3, 9);
  expect(unfilledMeals([fixed], TODAY, [batch(1)])).toEqual(['Grown’s breakfast']);
});

test('what the stock holds for a day is taken off, and never more', () => {
  const covered = (of: number) => demandOf([DOGS[0]!], TODAY, [batch(1), batch(2)], () => of).over(2);
  const day = homeEnergyOn(DOGS[0]!, TODAY);
  expect(covered(100)[0]!.need).toBeCloseTo(day - 100, 6);
  expect(covered(100)[0]!.dogDays).toBeCloseTo(1 - 100 / day, 6);
  expect(covered(1e6).map((asked) => asked.need)).toEqual([0, 0]);
});
