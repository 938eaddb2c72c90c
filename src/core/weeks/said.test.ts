import { usualAsk } from './ask';
import { isFree, unstored, withMoved, withSaid } from './said';

const ask = usualAsk([1], [1, 2], undefined);
const [A, B] = ['2026-12-05', '2026-12-09'];

test('what is said of a day takes the place of what was said; of a day of which nothing is said any more nothing stays', () => {
  const said = withSaid(withSaid(ask, A, [{ recipeId: 1, potfuls: 2 }]), A, null);
  expect(said.said).toEqual([{ day: A, pots: null }]);
  expect(withSaid(said, A, undefined).said).toEqual([]);
  expect(ask.said).toEqual([]);
});

test('a cook day is moved whole; part of a pot is one, and moved to where it is nothing is said', () => {
  const moved = withMoved(ask, A, B, [
    { recipeId: 1, potfuls: 2 },
    { recipeId: 2, potfuls: 0.3 },
  ]);
  expect(moved.said).toEqual([
    { day: A, pots: null },
    {
      day: B,
      pots: [
        { recipeId: 1, potfuls: 2 },
        { recipeId: 2, potfuls: 1 },
      ],
    },
  ]);
  expect(withMoved(ask, A, A, [])).toBe(ask);
  expect([
    isFree({ cookable: true, pots: [] }),
    isFree({ cookable: true, pots: [1] }),
    isFree({ cookable: false, pots: [] }),
  ]).toEqual([true, false, false]);
});

test('what was typed stays until it is stored; what somebody else stored shows', () => {
  const stored = { cover: '3', litres: '60', said: [{ day: A, pots: null }] };
  expect(unstored({ cover: '4', litres: '60' }, stored)).toEqual({ cover: '4' });
  expect(unstored({ said: [{ pots: null, day: A }] }, stored)).toEqual({});
  expect(unstored({ said: [] }, stored)).toEqual({ said: [] });
});
