import { plainRecipe } from '../../../tests/fixtures/plans';
import type { LocalDate } from '../calendar/local-date';
import { keepingDates } from '../preserve/food-life';
import { rulesOf } from '../../../tests/fixtures/dating';
import { expectedFood, originOfFound, readFound, typedExpected, type FoundEntry } from './found';

const dating = rulesOf();
const TODAY = '2026-11-27' as LocalDate;
const entry: FoundEntry = {
  recipeId: 1,
  kind: 'cooked',
  placeId: 2,
  count: '6',
  grams: '450',
  kcalPer100: '122,5',
  waterPer100: '',
  packedOn: '2026-10-02',
};

test('what is typed of a found pack is read, and every problem stands at its field', () => {
  expect(readFound(entry, TODAY, 'metric')).toEqual({
    ok: true,
    value: { count: 6, grams: 450, density: 1.225, waterPerGram: 0, packedOn: '2026-10-02' },
  });
  const bad = readFound(
    { ...entry, kind: 'freeze-dried', count: '1.5', grams: '0', kcalPer100: '', packedOn: '2026-12-01' },
    TODAY,
    'metric',
  );
  expect(bad.ok ? [] : bad.problems.map(({ field }) => field)).toEqual([
    'count',
    'grams',
    'kcalPer100',
    'waterPer100',
    'packedOn',
  ]);
  const rich = readFound({ ...entry, kcalPer100: '901' }, TODAY, 'metric');
  expect(rich.ok ? [] : rich.problems.map(({ field }) => field)).toEqual(['kcalPer100']);
});

test('with its day it keeps as if it had been sealed here', () => {
  const origin = originOfFound(
    dating,
    { kind: 'cooked', place: 'freezer', packedOn: '2026-10-02' as LocalDate },
    TODAY,
  );
  expect(origin).toEqual({ packedOn: '2026-10-02', since: '2026-10-02', fridgeDaysUsed: 0 });
});

test.each([
  ['cooked', 'freezer'],
  ['raw', 'freezer'],
  ['freeze-dried', 'cupboard'],
  ['dehydrated', 'freezer'],
] as const)('%s food in the %s that nobody can date is at the end of its best, and never fresher', (kind, place) => {
  for (const today of ['2026-11-27', '2026-05-31', '2027-02-28', '2028-02-29'] as LocalDate[]) {
    const origin = originOfFound(dating, { kind, place, packedOn: undefined }, today)!;
    const { bestBy, safeUntil } = keepingDates(dating, { kind, place, ...origin });
    expect(safeUntil).toBeUndefined();
    expect(bestBy! <= today).toBe(true);
  }
});

test('where days are a matter of safety, what nobody can date is thrown away', () => {
  expect(originOfFound(dating, { kind: 'cooked', place: 'fridge', packedOn: undefined }, TODAY)).toBeUndefined();
  expect(originOfFound(dating, { kind: 'dehydrated', place: 'cupboard', packedOn: undefined }, TODAY)).toBeUndefined();
});

test('what a recipe comes to is offered, wet and dry; the kcal of a pot are the same in both', () => {
  const { written } = plainRecipe();
  const expected = expectedFood(written, [], '4-9-4')!;
  // A g of wet food is 1 / (1 + water) g of dry food with its water.
  expect(expected.dry.kcalPerGram / (1 + expected.dry.waterPerGram)).toBeCloseTo(expected.kcalPerGram, 6);
  expect(typedExpected(expected, 'cooked').waterPer100).toBe('');
  expect(Number(typedExpected(expected, 'freeze-dried').kcalPer100)).toBeGreaterThan(
    Number(typedExpected(expected, 'cooked').kcalPer100),
  );
  expect(typedExpected(undefined, 'cooked')).toEqual({ kcalPer100: '', waterPer100: '' });
});
