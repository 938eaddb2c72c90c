import fc from 'fast-check';
import { dogOf } from '../../../tests/fixtures/dogs';
import { addDays, type LocalDate } from '../calendar/local-date';
import { energyDensity, grams } from '../quantity/units';
import { servedAt } from './plated';
import { demandsOf, dogDaysFrom, feedingFrom, proposePacks } from './proposals';

const DAY = '2026-11-25' as LocalDate;
const dog = (id: number, kg: number) => ({ ...dogOf(kg, DAY), id });
const DOGS = [dog(1, 20), dog(2, 8)];
const DENSITY = energyDensity(1.2);
const POT = [{ place: 0, density: DENSITY, net: 5000 }];

/** The packs of each share; none of these plans can be refused. */
const propose = (...of: Parameters<typeof proposePacks>) =>
  new Map(
    [...proposePacks(...of)].map(([id, packs]) => {
      if (!packs.ok) throw new Error(packs.problem.message);
      return [id, packs.value] as const;
    }),
  );
const share = (id: number, fate: 'today' | 'fridge' | 'freezer' | 'dry', mass: number, day = DAY) => ({
  id,
  yield: 0,
  fate,
  grams: mass,
  day,
});

test('each share goes on where the one before it ended', () => {
  const perDay = dogDaysFrom(DAY, 1, DOGS, servedAt(DENSITY))
    .slice(0, 2)
    .map((each) => each.grams);
  const whole = Math.round(perDay[0]! + perDay[1]!);
  const packs = propose(
    { firstDay: DAY, days: 4, yields: POT, shares: [share(1, 'fridge', whole), share(2, 'freezer', whole)] },
    DOGS,
  );
  expect(packs.get(1)!.map((pack) => pack.dogId)).toEqual([1, 2]);
  expect(packs.get(2)!.map((pack) => pack.dogId)).toEqual([1, 2]);
});

test('what is eaten warm takes the first day, so that the fridge begins with the second', () => {
  const days = dogDaysFrom(DAY, 1, DOGS, servedAt(DENSITY));
  const packs = propose(
    {
      firstDay: DAY,
      days: 4,
      yields: POT,
      shares: [share(1, 'today', 300), share(2, 'fridge', Math.round(days[2]!.grams))],
    },
    DOGS,
  );
  expect(packs.has(1)).toBe(false);
  expect(packs.get(2)!.map((pack) => pack.dogId)).toEqual([1]);
});

test('a batch that is cooked later than planned is fed from the day it was divided', () => {
  expect(feedingFrom(DAY, addDays(DAY, 2))).toBe(addDays(DAY, 2));
  expect(feedingFrom(addDays(DAY, 2), DAY)).toBe(addDays(DAY, 2));
});

test('a dry share is cut by dry weight and density, and still sums to the gram', () => {
  const dried = { dry: grams(612.4), density: energyDensity(4.4) };
  const packs = propose(
    { firstDay: DAY, days: 3, yields: POT, shares: [{ ...share(1, 'dry', 2200), dried }] },
    DOGS,
  ).get(1)!;
  expect(packs.reduce((sum, pack) => sum + pack.grams, 0)).toBe(612);
});

test('what is left of a share is packed for the days that its packs do not cover yet', () => {
  const days = dogDaysFrom(DAY, 3, DOGS, servedAt(DENSITY));
  const whole = Math.round(days.slice(0, 4).reduce((sum, each) => sum + each.grams, 0));
  const all = propose({ firstDay: DAY, days: 4, yields: POT, shares: [share(1, 'fridge', whole)] }, DOGS).get(1)!;
  expect(all.map((pack) => pack.dogId)).toEqual([1, 2, 1, 2]);
  const standing = [all[0]!, all[2]!].map(({ dogId, grams: mass }) => ({
    grams: mass,
    ...(dogId === undefined ? {} : { dogId }),
  }));
  const left = propose(
    { firstDay: DAY, days: 4, yields: POT, shares: [{ ...share(1, 'fridge', whole), packs: standing }] },
    DOGS,
  ).get(1)!;
  expect(left.map((pack) => pack.dogId)).toEqual([2, 2]);
  expect([...left, ...standing].reduce((sum, pack) => sum + pack.grams, 0)).toBe(whole);
});

test('packs of every share sum to it, for any division', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 20_000 }),
      fc.integer({ min: 0, max: 20_000 }),
      fc.integer({ min: 0, max: 5000 }),
      (fridge, freezer, today) => {
        const shares = [share(1, 'today', today), share(2, 'fridge', fridge), share(3, 'freezer', freezer)].filter(
          (each) => each.grams > 0,
        );
        const packs = propose({ firstDay: DAY, days: 5, yields: POT, shares }, DOGS);
        for (const each of shares) {
          if (each.fate !== 'today')
            expect(packs.get(each.id)!.reduce((sum, pack) => sum + pack.grams, 0)).toBe(each.grams);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('the demand of a day is what the dogs still get of it', () => {
  const demands = demandsOf({ from: DAY, today: DAY, days: 3 }, DOGS, servedAt(DENSITY), (id) => (id === 1 ? 0.5 : 0));
  const full = demandsOf({ from: DAY, today: DAY, days: 3 }, DOGS, servedAt(DENSITY), () => 1);
  expect(demands.map((each) => each.daysAfterCooking)).toEqual([0, 1, 2]);
  expect(demands[0]!.grams).toBeLessThan(full[0]!.grams / 2);
  expect(demands[1]!.grams).toBe(full[1]!.grams);
  const later = demandsOf({ from: addDays(DAY, 5), today: DAY, days: 2 }, DOGS, servedAt(DENSITY), () => 1);
  expect(later.map((each) => each.daysAfterCooking)).toEqual([5, 6]);
});

test('with a warm share of the same day the first day is fed; of an earlier day than the first feeding it is not', () => {
  // A pup eats more every day, so that a pack's weight tells its day.
  const pup = { ...dog(1, 8), birthDate: addDays(DAY, -122), expectedAdultWeight: grams(19_000) };
  const days = dogDaysFrom(DAY, 3, [pup], servedAt(DENSITY)).map((each) => Math.round(each.grams));
  expect(days[1]).toBeGreaterThan(days[0]!);
  const firstPack = (firstDay: LocalDate) =>
    propose({ firstDay, days: 4, yields: POT, shares: [share(1, 'today', 50), share(2, 'fridge', 5000)] }, [pup]).get(
      2,
    )![0]!.grams;
  // Eaten warm today: the fridge begins with tomorrow. Fed from tomorrow on, nothing of those days is eaten yet.
  expect(Math.abs(firstPack(DAY) - days[1]!)).toBeLessThanOrEqual(1);
  expect(Math.abs(firstPack(addDays(DAY, 1)) - days[1]!)).toBeLessThanOrEqual(1);
  expect(Math.abs(firstPack(addDays(DAY, 2)) - days[2]!)).toBeLessThanOrEqual(1);
});

test('a pack that was split: what is missing of the dog’s day is the next pack, and the whole still sums', () => {
  const whole = propose({ firstDay: DAY, days: 2, yields: POT, shares: [share(1, 'fridge', 1800)] }, DOGS).get(1)!;
  const half = Math.round(whole[0]!.grams / 2);
  const packs = [{ dogId: 1, grams: half }];
  const rest = propose({ firstDay: DAY, days: 2, yields: POT, shares: [{ ...share(1, 'fridge', 1800), packs }] }, DOGS);
  expect(rest.get(1)![0]).toMatchObject({ dogId: 1, grams: whole[0]!.grams - half });
  expect(rest.get(1)!.reduce((sum, pack) => sum + pack.grams, 0)).toBe(1800 - half);
});
