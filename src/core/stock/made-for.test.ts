import { addDays, type LocalDate } from '../calendar/local-date';
import { restingEnergy } from '../dog/resting-energy';
import { homeEnergyOn } from '../dog/meals';
import { grams } from '../quantity/units';
import type { Dog } from '../dog/dog';
import { madeForOf, sayMadeFor } from './made-for';

const TODAY = '2026-11-27' as LocalDate;
const THEN = addDays(TODAY, -20);
const dog = (weights: readonly (readonly [LocalDate, number])[]): Dog & { id: number } => ({
  id: 1,
  name: 'Wren',
  birthDate: '2022-01-01' as LocalDate,
  neutered: true,
  litters: [],
  weighIns: weights.map(([date, mass]) => ({ date, grams: grams(mass) })),
  rations: [{ from: addDays(TODAY, -300), work: 'none', proneToGain: false, method: { kind: 'table' }, extras: [] }],
  slots: [
    { id: 1, name: 'breakfast', clock: '07:30' },
    { id: 2, name: 'supper', clock: '18:00' },
  ],
  bowlLines: [],
});

test('a pack of a whole day at 8 kg is seven eighths of one at 9.5 kg', () => {
  const own = dog([
    [addDays(TODAY, -200), 8000],
    [addDays(TODAY, -2), 9500],
  ]);
  const kcal = homeEnergyOn(own, THEN);
  // Energy goes with the weight to the power 0.75 (NRC 2006): (8 / 9.5)^0.75 is 0.879.
  expect(restingEnergy(grams(8000)) / restingEnergy(grams(9500))).toBeCloseTo(0.879, 3);
  expect(sayMadeFor({ kcal, packedOn: THEN }, own, TODAY, 'metric')).toBe(
    'made for Wren at 8 kg: at 9.5 kg a full one is ⅞ of a day',
  );
});

test('the same day within 3 % is the same day; another ration is said by its kcal', () => {
  const same = dog([[addDays(TODAY, -200), 8000]]);
  expect(sayMadeFor({ kcal: 500, packedOn: THEN }, same, TODAY, 'metric')).toBeUndefined();
  const [first] = same.rations;
  const changed = { ...same, rations: [first!, { ...first!, from: addDays(TODAY, -5), work: 'moderate' as const }] };
  expect(sayMadeFor({ kcal: homeEnergyOn(same, THEN), packedOn: THEN }, changed, TODAY, 'metric')).toMatch(
    /^made for a day of \d+ kcal: of \d+ kcal a full one is /,
  );
});

test('what is for anybody, or was found, was made for nobody’s weight', () => {
  const own = dog([
    [addDays(TODAY, -200), 8000],
    [addDays(TODAY, -2), 9500],
  ]);
  const pack = { dogId: 1, found: undefined, labelGrams: 400, density: 1.2, packedOn: THEN };
  expect(madeForOf([own], TODAY, 'metric')(pack)).toMatch(/at 9.5 kg/);
  expect(madeForOf([own], TODAY, 'metric')({ ...pack, dogId: undefined })).toBeUndefined();
  expect(madeForOf([own], TODAY, 'metric')({ ...pack, found: { recipeId: 1 } })).toBeUndefined();
});
