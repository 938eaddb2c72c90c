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
