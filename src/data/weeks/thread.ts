import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';
import { highsSolver } from '@/core/weeks/highs-mip';
import { sure } from '@/core/sure';
import { solvedOrWhy } from './solved';
import type { WeeksQuestion, WeeksSaid } from './job';

const port = sure(parentPort);
const say = (said: WeeksSaid) => port.postMessage(said);

port.on('message', ({ problem, seconds, stop }: WeeksQuestion) => {
  const isEnough = () => Atomics.load(new Int32Array(stop), 0) === 1;
  loadHighs()
    .then((highs) => {
      const solve = highsSolver(highs, { isEnough });
      say({ done: solvedOrWhy(problem, solve, seconds, isEnough, (step, gap) => say({ step, gap })) });
    })
    .catch((error: unknown) => say({ failed: error instanceof Error ? error.message : String(error) }));
});
