import fc from 'fast-check';
import { deviation, mean as meanOf } from 'd3-array';
import type { LocalDate } from '../calendar/local-date';
import { agreedMinutes, learnedFigure, observationKey, strikeSchema, type Observation } from './figure';

const seen = (values: readonly number[], struck: readonly number[] = []): Observation[] =>
  values.map((value, index) => ({
    key: observationKey('pot', index),
    day: '2026-11-25' as LocalDate,
    said: '',
    value,
    isStruck: struck.includes(index),
  }));

test('property: mean and spread are those of a statistics library, of what was not struck out', () => {
  const values = fc.array(fc.double({ min: 1, max: 200, noNaN: true }), { minLength: 1, maxLength: 20 });
  fc.assert(
    fc.property(values, fc.integer({ min: 0, max: 19 }), (all, gone) => {
      const kept = all.filter((_, index) => index !== gone);
      const { mean, spread, of } = learnedFigure(seen(all, [gone]));
      expect(of).toBe(kept.length);
      if (kept.length === 0) expect(mean).toBeUndefined();
      else expect(mean).toBeCloseTo(meanOf(kept)!, 6);
      if (kept.length < 2) expect(spread).toBeUndefined();
      else expect(spread).toBeCloseTo(deviation(kept)!, 6);
    }),
  );
});

test('one that lies far from the others is named, and struck out nothing is; of three nobody says which is wrong', () => {
  expect(learnedFigure(seen([86, 87, 85, 86, 41])).far).toEqual(['pot:4']);
  expect(learnedFigure(seen([86, 87, 85, 86, 41], [4])).far).toEqual([]);
  expect(learnedFigure(seen([86, 87, 41])).far).toEqual([]);
  expect(learnedFigure(seen([86, 87, 85, 88, 84])).far).toEqual([]);
});

test('pots that are all alike make nothing of a hair’s breadth', () => {
  expect(learnedFigure(seen([80, 80, 80, 80.5])).far).toEqual([]);
});

test('a next version is offered where two pots agree with each other and not with the recipe', () => {
  const of = (...values: number[]) => learnedFigure(seen(values));
  expect(agreedMinutes(of(44, 46), 30)).toBe(45);
  expect(agreedMinutes(of(44, 46), undefined)).toBe(45);
  expect(agreedMinutes(of(44, 46), 44)).toBeUndefined();
  expect(agreedMinutes(of(30, 60), 20)).toBeUndefined();
  expect(agreedMinutes(of(45), 30)).toBeUndefined();
  expect(agreedMinutes(of(), 30)).toBeUndefined();
});

test('only what can be observed is struck out', () => {
  expect(strikeSchema.safeParse({ key: 'pot:12', isStruck: true }).success).toBe(true);
  expect(strikeSchema.safeParse({ key: 'purse:12', isStruck: true }).success).toBe(false);
});
