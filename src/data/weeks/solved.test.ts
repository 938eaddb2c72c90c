import type { SolveMip } from '@/core/weeks/mip';
import { solverHere } from '../../../tests/fixtures/highs';
import { seededWeeks } from '../../../tests/fixtures/weeks';
import { solvedOrWhy } from './solved';

const problem = seededWeeks(3, { days: 14, dogs: 1, recipes: 2 });

test('where the usual time brings no answer a first one is looked for longer, unless the cook has enough', async () => {
  const highs = await solverHere();
  const given: number[] = [];
  let clock = 0;
  // A machine on which nothing is found in less than three seconds, whatever the one is like that this runs on.
  const slow: SolveMip = (mip, limits) => {
    given.push(limits.seconds);
    clock += Math.min(1, limits.seconds);
    return limits.seconds < 3
      ? { cost: undefined, bound: -Infinity, values: undefined, impossible: false }
      : highs(mip, { ...limits, seconds: 60 });
  };
  const solve = (isEnough: () => boolean) =>
    solvedOrWhy(
      problem,
      slow,
      4,
      isEnough,
      () => undefined,
      () => clock,
    );
  expect(solve(() => false).answer?.cooks.length).toBeGreaterThan(0);
  expect(Math.max(...given)).toBeGreaterThan(4);
  given.length = 0;
  expect(solve(() => true)).toMatchObject({ answer: undefined, stopped: true });
  expect(Math.max(...given)).toBeLessThanOrEqual(4);
});
