import { addDays, type LocalDate } from '../calendar/local-date';
import { restingEnergy } from '../dog/resting-energy';
import { homeEnergyOn } from '../dog/meals';
import { grams } from '../quantity/units';
import type { Dog } from '../dog/dog';
import { madeForOf } from './made-for';

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

const heavier = dog([
  [addDays(TODAY, -200), 8000],
  [addDays(TODAY, -2), 9500],
]);
const DENSITY = 1.2;
/** A pack of so many kcal. */
const pack = (kcal: number, over = {}) => ({
  dogId: 1,
  found: undefined,
  labelGrams: kcal / DENSITY,
  density: DENSITY,
  packedOn: THEN,
  ...over,
});
const day = (own: Dog) => homeEnergyOn(own, THEN);

test('a pack of a whole day at 8 kg is seven eighths of one at 9.5 kg', () => {
  // Energy goes with the weight to the power 0.75 (NRC 2006): (8 / 9.5)^0.75 is 0.879.
  expect(restingEnergy(grams(8000)) / restingEnergy(grams(9500))).toBeCloseTo(0.879, 3);
  expect(madeForOf([heavier], TODAY, 'metric')(pack(day(heavier)))).toBe(
    'made for Wren at 8 kg: at 9.5 kg a full one is ⅞ of a day',
  );
});

test('of a pack for several dogs each whose day has changed is said, with its own part', () => {
  const steady = { ...dog([[addDays(TODAY, -200), 8000]]), id: 2, name: 'Otto' };
  const lighter = {
    ...dog([
      [addDays(TODAY, -200), 8000],
      [addDays(TODAY, -2), 6000],
    ]),
    id: 3,
    name: 'Juniper',
  };
  const whole = day(heavier) / DENSITY;
  const split = (parts: readonly (readonly [number, number])[]) =>
    pack(0, { dogId: undefined, split: parts.map(([dogId, part]) => ({ dogId, grams: whole * part })) });
  const say = madeForOf([heavier, steady, lighter], TODAY, 'metric');
  // Half a day at 8 kg is 0.5 · 0.879 = 0.44 at 9.5 kg and 0.5 · (8 / 6)^0.75 = 0.62 at 6 kg.
  expect(
    say(
      split([
        [1, 0.5],
        [2, 1],
        [3, 0.5],
      ]),
    ),
  ).toBe(
    'made for Wren at 8 kg: at 9.5 kg its part is ½ of a day; made for Juniper at 8 kg: at 6 kg its part is ⅝ of a day',
  );
  expect(say(split([[2, 1]]))).toBeUndefined();
});

test('the same day within 3 % is the same day; another ration is said by its kcal', () => {
  const same = dog([[addDays(TODAY, -200), 8000]]);
  expect(madeForOf([same], TODAY, 'metric')(pack(500))).toBeUndefined();
  const [first] = same.rations;
  const changed = { ...same, rations: [first!, { ...first!, from: addDays(TODAY, -5), work: 'moderate' as const }] };
  expect(madeForOf([changed], TODAY, 'metric')(pack(day(same)))).toMatch(
    /^made for Wren’s day of \d+ kcal: of \d+ kcal a full one is /,
  );
});

test('what is for anybody, or was found, was made for nobody’s weight', () => {
  const say = madeForOf([heavier], TODAY, 'metric');
  expect(say(pack(480))).toMatch(/at 9.5 kg/);
  expect(say(pack(480, { dogId: undefined }))).toBeUndefined();
  expect(say(pack(480, { found: { recipeId: 1 } }))).toBeUndefined();
});
