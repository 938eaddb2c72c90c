import fc from 'fast-check';
import { DEEPEST_CHAIN, depthOf, recipesWithin, takenBy, whyNotTake, type Takes } from './chain';

/** 1 takes 2, 2 takes 3 … */
const chain = (length: number): Takes => new Map(Array.from({ length }, (_, at) => [at + 1, [at + 2]]));

test('a chain is as deep from above as from below', () => {
  expect(depthOf(chain(4), 1)).toBe(4);
  expect(depthOf(chain(4), 5)).toBe(0);
  expect(depthOf(takenBy(chain(4)), 5)).toBe(4);
  expect([...recipesWithin(chain(4), [3])].sort()).toEqual([3, 4, 5]);
});

test('a line that makes the chain too deep is refused, whichever end it is put on', () => {
  const whole = chain(DEEPEST_CHAIN);
  expect(whyNotTake(whole, undefined, 1)).toMatch(/6 recipes would stand in each other, and Hodman reads 5/);
  expect(whyNotTake(whole, undefined, 2)).toBeUndefined();
  // The last of the chain takes one more.
  expect(whyNotTake(whole, DEEPEST_CHAIN + 1, 99)).toMatch(/stand in each other/);
  // Two shorter chains are put together in the middle.
  const two = new Map([...chain(3), [11, [12]], [12, [13]]]);
  expect(whyNotTake(two, 4, 11)).toMatch(/6 recipes/);
  expect(whyNotTake(two, 4, 12)).toBeUndefined();
});

test('a circle is refused, and one that is there already ends', () => {
  expect(whyNotTake(chain(2), 3, 1)).toMatch(/stand in itself/);
  expect(whyNotTake(new Map(), 1, 1)).toMatch(/stand in itself/);
  const ring: Takes = new Map([
    [1, [2]],
    [2, [1]],
  ]);
  expect(depthOf(ring, 1)).toBe(Infinity);
  expect(whyNotTake(ring, undefined, 1)).toMatch(/stand in each other/);
});

test('whatever is built line by line with its leave never goes deeper', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(11), fc.nat(11)), { maxLength: 60 }), (lines) => {
      const takes = new Map<number, Set<number>>();
      for (const [id, other] of lines)
        if (whyNotTake(takes, id, other) === undefined) takes.set(id, (takes.get(id) ?? new Set()).add(other));
      for (const id of takes.keys()) expect(depthOf(takes, id)).toBeLessThanOrEqual(DEEPEST_CHAIN);
    }),
  );
});
