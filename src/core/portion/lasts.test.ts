import { inCups, kcalADay, lastsOf } from './lasts';

test('how long a pot lasts: together, and for each alone (arithmetic)', () => {
  expect(lastsOf(2310, [863.2, 291.8])).toEqual({ together: 2, alone: [2310 / 863.2, 2310 / 291.8] });
  expect(lastsOf(1000, [500, 0])).toEqual({ together: 2, alone: [2, undefined] });
  expect(lastsOf(1000, [])).toEqual({ together: undefined, alone: [] });
});

test('cups to an eighth by a cup that was weighed; none where nobody weighed one', () => {
  // 863.2 g at 240 g a cup are 3.597: 3 5/8 (arithmetic).
  expect(inCups(863.2, 240)).toBe('3⅝ cups');
  expect(inCups(120, 240)).toBe('½ cup');
  expect(inCups(240, 240)).toBe('1 cup');
  expect([inCups(863.2, undefined), inCups(3, 240)]).toEqual([undefined, undefined]);
});

test('days that so many kcal last for dogs that eat by the gram (by hand)', () => {
  // 863.2 g and 291.8 g a day of 1.2 kcal/g are 1386 kcal: 2772 kcal are two days.
  const aDay = kcalADay([{ gramsADay: 863.2 }, { gramsADay: 291.8 }], 1.2);
  expect(aDay).toBeCloseTo(1386, 9);
  expect(lastsOf(2772, [aDay]).together).toBeCloseTo(2, 9);
  expect(lastsOf(2772, [kcalADay([], 1.2)]).together).toBeUndefined();
});
