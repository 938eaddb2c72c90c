import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';
import { highsSolver } from '@/core/weeks/highs-mip';
import { sure } from '@/core/sure';
import { gapOf, STEPS } from '@/core/weeks/solve';
import { solvedOrWhy, type WeeksAt } from './solved';
import type { WeeksQuestion, WeeksSaid } from './job';

const [, OUTLINE] = STEPS;
const port = sure(parentPort);
const say = (said: WeeksSaid) => port.postMessage(said);

port.on('message', ({ problem, seconds, stop }: WeeksQuestion) => {
  const isEnough = () => Atomics.load(new Int32Array(stop), 0) === 1;
  loadHighs()
    .then((highs) => {
      let at: WeeksAt | undefined;
      const tell = (next: WeeksAt) => {
        at = next;
        say(next);
      };
      const solve = highsSolver(highs, {
        isEnough,
        // Of the steps beside it the cost is another: days alone, or days that are fixed.
        onCost: (cost, bound) => at?.step === OUTLINE && tell({ ...at, gap: gapOf(cost, bound) }),
      });
      say({ done: solvedOrWhy(problem, solve, seconds, isEnough, tell) });
    })
    .catch((error: unknown) => say({ failed: error instanceof Error ? error.message : String(error) }));
});
