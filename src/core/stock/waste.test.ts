import fc from 'fast-check';
import { addDays, type LocalDate } from '../calendar/local-date';
import { reasonOf, wasteByMonth, type Wasted } from './waste';

const DAY = '2026-11-25' as LocalDate;

test.each([
  ['left in the bowl', 'thrown', 'left in the bowl'],
  ['power cut', 'thrown', 'power cut'],
  ['mould on it', 'thrown', 'spoiled or past its date'],
  ['crumbs', 'thrown', 'spoiled or past its date'],
  ['recalled by the shop', 'thrown', 'recalled or a dog was ill'],
  ['Otto was sick after it', 'thrown', 'recalled or a dog was ill'],
  ['dropped on the floor', 'thrown', 'other words'],
  [undefined, 'thrown', 'nobody said'],
  ['not there when the fridge was counted', 'lost', 'not found'],
] as const)('%s, %s: %s', (why, became, reason) => expect(reasonOf({ why, became })).toBe(reason));

test('every gram that was not eaten is in one month and one reason, and what came back in none', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          back: fc.boolean(),
          day: fc.integer({ min: -200, max: 0 }),
          why: fc.constantFrom(undefined, 'power cut', 'mould', 'dropped'),
          became: fc.constantFrom('thrown' as const, 'lost' as const),
          grams: fc.integer({ min: 1, max: 5000 }),
        }),
        { maxLength: 30 },
      ),
      (acts) => {
        const wasted = acts.flatMap(({ back, day, grams, ...act }): Wasted[] => {
          const own = { ...act, day: addDays(DAY, day), grams, kcal: grams * 1.2 };
          return back ? [own, { ...own, grams: -grams, kcal: -grams * 1.2 }] : [own];
        });
        const stays = acts.filter(({ back }) => !back).reduce((sum, { grams }) => sum + grams, 0);
        const months = wasteByMonth(wasted);
        expect(months.reduce((sum, { grams }) => sum + grams, 0)).toBeCloseTo(stays, 6);
        expect(months.reduce((sum, { kcal }) => sum + kcal, 0)).toBeCloseTo(stays * 1.2, 4);
        expect(months.map(({ month }) => month)).toEqual([...months.map(({ month }) => month)].sort().reverse());
      },
    ),
  );
});

// Worked by hand: 400 g that cost 3.10, a jar of 90 g without a price, and a pack of 250 g that cost 2.00 and came back.
test('the money of a month is that of what has a price, at least; what came back costs nothing', () => {
  const day = '2026-11-20' as LocalDate;
  const thrown = { day, why: 'mould', became: 'thrown' as const };
  const back = { ...thrown, grams: 250, kcal: 300, minor: 200 };
  const [month] = wasteByMonth([
    { ...thrown, grams: 400, kcal: 500, minor: 310 },
    { ...thrown, grams: 90, kcal: 0 },
    back,
    { ...back, grams: -250, kcal: -300, minor: -200 },
  ]);
  expect(month).toMatchObject({ minor: 310, isAtLeast: true, grams: 490 });
  expect(wasteByMonth([{ ...thrown, grams: 90, kcal: 0 }])[0]).toMatchObject({ minor: undefined, isAtLeast: true });
});
