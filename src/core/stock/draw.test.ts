import { FRESH } from '../../../tests/fixtures/dating';
import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { coverOf } from './cover';
import { drawMeal, fitFor, inOrderOfUse, insteadOf, type Source } from './draw';

const DAY = '2026-11-25' as LocalDate;
const meals = (kcal: number) => [{ kcal }];
const pack = (code: string, over: Partial<Source> = {}): Source => ({
  key: code,
  code,
  grams: 1000,
  density: 1.2,
  waterPerGram: 0,
  place: 'fridge',
  keeps: FRESH,
  opened: false,
  short: false,
  ...over,
});

// Order of use: handbook 11 (common practice, no source).
test('oldest use-by first, opened before closed, short before full, warm before all, unsafe never', () => {
  const order = inOrderOfUse(
    [
      pack('V10', { safeUntil: addDays(DAY, 3) }),
      pack('V9', { safeUntil: addDays(DAY, 3) }),
      pack('V8', { safeUntil: addDays(DAY, 3), short: true }),
      pack('V7', { safeUntil: addDays(DAY, 3), opened: true }),
      pack('V6', { safeUntil: addDays(DAY, 1) }),
      pack('V5', { safeUntil: addDays(DAY, -1) }),
      pack('V3', { safeUntil: addDays(DAY, 1), blocked: true }),
      pack('G1', { place: 'cupboard', bestBy: addDays(DAY, 300), waterPerGram: 2.7 }),
      pack('G2', { place: 'freezer', bestBy: addDays(DAY, -2) }),
      pack('today', { place: 'warm' }),
      pack('V4', { grams: 0 }),
    ],
    DAY,
  );
  expect(order.map((source) => source.code)).toEqual(['today', 'G2', 'V6', 'V7', 'V8', 'V9', 'V10', 'G1']);
});

test('a meal goes on into the next pack, and a crumb goes along', () => {
  const { drawn, missing } = drawMeal(1200, [pack('V1', { grams: 300 }), pack('V2', { grams: 710 })]);
  expect(drawn.map(({ code, grams }) => [code, grams])).toEqual([
    ['V1', 300],
    ['V2', 710],
  ]);
  expect(missing).toBe(0);
});

test('dry food tells the water to put back', () => {
  const { drawn } = drawMeal(500, [pack('G1', { density: 5, waterPerGram: 2.73 })]);
  expect(drawn[0]).toMatchObject({ grams: 100, water: 273 });
});

test('what nobody can give is said', () => {
  expect(drawMeal(1200, [pack('V1', { grams: 500 })]).missing).toBeCloseTo(600, 6);
  expect(drawMeal(1200, []).missing).toBe(1200);
});

test('a meal never draws more than there is, nor strays from its energy', () => {
  const sources = fc.array(
    fc.record({ grams: fc.integer({ min: 1, max: 2000 }), density: fc.double({ min: 0.6, max: 6, noNaN: true }) }),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(fc.double({ min: 20, max: 4000, noNaN: true }), sources, (kcal, list) => {
      const packs = list.map((each, index) => pack(`V${index}`, each));
      const { drawn, missing } = drawMeal(kcal, packs);
      for (const part of drawn)
        expect(part.grams).toBeLessThanOrEqual(packs.find(({ key }) => key === part.key)!.grams);
      const got = drawn.reduce((sum, part) => sum + part.kcal, 0);
      if (missing > 0) expect(got + missing).toBeCloseTo(kcal, 6);
      else expect(Math.abs(got - kcal)).toBeLessThanOrEqual(Math.max(kcal * 0.031, 7));
    }),
  );
});

test('a dog eats its own packs and those for anybody', () => {
  expect(fitFor([pack('V1', { dogId: 1 }), pack('V2', { dogId: 2 }), pack('V3')], 1).map(({ code }) => code)).toEqual([
    'V1',
    'V3',
  ]);
});

describe('cover', () => {
  test('days until no pack is fit, per dog', () => {
    const sources = [
      pack('V1', { dogId: 1, safeUntil: addDays(DAY, 1) }),
      pack('V2', { dogId: 1, place: 'freezer' }),
      pack('V3', { dogId: 2, grams: 400 }),
    ];
    const cover = coverOf(
      [
        { dogId: 1, mealsOn: () => meals(1200) },
        { dogId: 2, mealsOn: () => meals(480) },
      ],
      10,
      sources,
      DAY,
    );
    expect(cover.map(({ coverDays }) => coverDays)).toEqual([2, 1]);
    expect(cover[0]!.days[1]!.drawn[0]!.code).toBe('V2');
  });

  test('a pack that goes off first is not counted for later days', () => {
    const sources = [pack('V1', { safeUntil: DAY }), pack('V2', { safeUntil: DAY })];
    expect(coverOf([{ dogId: 1, mealsOn: () => meals(1200) }], 3, sources, DAY)[0]!.coverDays).toBe(1);
  });

  test('where the stock ends, the days after a gap are gaps, and nobody asks for their meals', () => {
    const asked: number[] = [];
    const mealsOn = (index: number) => {
      asked.push(index);
      return meals(1200);
    };
    const [cover] = coverOf([{ dogId: 1, mealsOn }], 60, [pack('V1', { safeUntil: DAY })], DAY);
    expect(cover!.days.map((day) => day.covered)).toEqual([true, ...Array<boolean>(59).fill(false)]);
    expect(Math.max(...asked)).toBeLessThan(3);
    // A dog that asks for nothing is provided for, with an empty freezer too.
    expect(coverOf([{ dogId: 1, mealsOn: () => [] }], 60, [], DAY)[0]!.coverDays).toBe(60);
  });

  test('more stock never covers fewer days', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 50, max: 3000 }), { maxLength: 12 }),
        fc.integer({ min: 50, max: 3000 }),
        (list, more) => {
          const packs = list.map((grams, index) => pack(`V${index}`, { grams }));
          const days = (sources: Source[]) =>
            coverOf([{ dogId: 1, mealsOn: () => meals(800) }], 40, sources, DAY)[0]!.coverDays;
          expect(days([...packs, pack('V99', { grams: more })])).toBeGreaterThanOrEqual(days(packs));
        },
      ),
    );
  });
});

test('what is kept apart comes together in a bowl: of each its part of the kcal, what one lacks from whatever is next', () => {
  const plate = (place: number, parts: Record<number, number>, usual: number) => ({ of: 7, place, parts, usual });
  const meat = pack('K1', { grams: 500, density: 2, plate: plate(0, { 1: 0.8 }, 0.6) });
  const grain = pack('K2', { grams: 500, density: 1, plate: plate(1, { 1: 0.2 }, 0.4) });
  const other = pack('M1', { grams: 500, density: 1 });
  const grams = (kcal: number, sources: Source[], dogId?: number) =>
    drawMeal(kcal, sources, dogId).drawn.map((part) => [part.code, part.grams]);
  expect(grams(300, [meat, grain, other])).toEqual([
    ['K1', 90],
    ['K2', 120],
  ]);
  expect(grams(300, [meat, grain, other], 1)).toEqual([
    ['K1', 120],
    ['K2', 60],
  ]);
  // Only 30 g of grain are left: the rest of the meal is more meat.
  const short = drawMeal(300, [meat, { ...grain, grams: 30 }, other]);
  expect(short.drawn.map((part) => [part.code, part.grams])).toEqual([
    ['K1', 135],
    ['K2', 30],
  ]);
  expect(short.missing).toBe(0);
  // Another food first is a meal of its own.
  expect(grams(300, [other, meat, grain])).toEqual([['M1', 300]]);
});

test('in the place of a pack goes what its dog may have: not another dog’s, not what it avoids, not what is blocked', () => {
  const others = [
    pack('anybody’s'),
    pack('its own', { dogId: 1 }),
    pack('another dog’s', { dogId: 2 }),
    pack('theirs', { dogIds: [2, 3] }),
    pack('avoided', { notFor: [1] }),
    pack('blocked', { blocked: true }),
    pack('broth', { beside: true }),
  ];
  const codes = (of: Partial<Source>) => insteadOf(of, others).map(({ code }) => code);
  expect(codes({ dogId: 1 })).toEqual(['anybody’s', 'its own']);
  // One for two dogs: what one of them may have.
  expect(codes({ dogIds: [1, 3] })).toEqual(['anybody’s', 'its own', 'theirs', 'avoided']);
  expect(codes({})).toEqual(['anybody’s', 'its own', 'another dog’s', 'theirs', 'avoided']);
});
