import { seededWeeks } from '../../../tests/fixtures/weeks';
import { WeeksJob, type WeeksQuestion, type WeeksSaid } from './job';
import type { WeeksDone } from './solved';

const PROBLEM = seededWeeks(1, { days: 14 });
const DONE: WeeksDone = {
  answer: { cooks: [], eats: {}, gap: 0 },
  inTheWay: [],
  ways: [],
  unsure: false,
  stopped: false,
};

/** Threads that say what the test wants, when it wants. */
function threads() {
  const begun: {
    asked: WeeksQuestion[];
    say: (said: WeeksSaid) => void;
    fail: (error: unknown) => void;
    ended: boolean;
  }[] = [];
  const start = () => {
    const own: (typeof begun)[number] = { asked: [], say: () => undefined, fail: () => undefined, ended: false };
    begun.push(own);
    return {
      postMessage: (question: WeeksQuestion) => void own.asked.push(question),
      on: (event: 'message' | 'error', told: (said: unknown) => void) => {
        if (event === 'message') own.say = told;
        else own.fail = told;
      },
      terminate: () => {
        own.ended = true;
      },
    };
  };
  return { begun, job: new WeeksJob(start, () => 1000) };
}

const nothingKept = () => Promise.resolve();

test('it runs, says its step and gap, keeps the answer and is idle', async () => {
  const { begun, job } = threads();
  const kept: WeeksDone[] = [];
  job.solve(PROBLEM, 10, (done) => Promise.resolve(void kept.push(done)));
  expect(job.at).toMatchObject({ is: 'running', since: 1000, seconds: 10 });
  const soFar = [{ day: 3, pots: [{ recipeId: 1, potfuls: 2 }] }];
  begun[0]!.say({ step: 'what each dog eats on each day', gap: 0.04, soFar });
  expect(job.at).toMatchObject({ step: 'what each dog eats on each day', gap: 0.04, soFar });
  begun[0]!.say({ done: DONE });
  await new Promise(setImmediate);
  expect(kept).toEqual([DONE]);
  expect(job.at).toEqual({ is: 'idle' });
  expect(begun[0]!.ended).toBe(true);
});

test('stopped, the thread is told that it is enough, and what it found is kept', async () => {
  const { begun, job } = threads();
  let kept = 0;
  job.solve(PROBLEM, 10, () => Promise.resolve(void kept++));
  expect(Atomics.load(new Int32Array(begun[0]!.asked[0]!.stop), 0)).toBe(0);
  job.enough();
  expect(Atomics.load(new Int32Array(begun[0]!.asked[0]!.stop), 0)).toBe(1);
  expect(job.at).toMatchObject({ is: 'running', stopping: true });
  begun[0]!.say({ done: DONE });
  await new Promise(setImmediate);
  expect(kept).toBe(1);
});

test('asked anew, what ran before is ended and its answer is not kept', async () => {
  const { begun, job } = threads();
  const kept: number[] = [];
  job.solve(PROBLEM, 10, () => Promise.resolve(void kept.push(1)));
  job.solve(PROBLEM, 10, () => Promise.resolve(void kept.push(2)));
  expect(begun[0]!.ended).toBe(true);
  begun[0]!.say({ done: DONE });
  begun[1]!.say({ done: DONE });
  await new Promise(setImmediate);
  expect(kept).toEqual([2]);
});

test('nothing found stays to be read; a thread that dies is said, and so is an answer that cannot be kept', async () => {
  const { begun, job } = threads();
  job.solve(PROBLEM, 10, nothingKept);
  begun[0]!.say({ done: { ...DONE, answer: undefined, ways: [{ is: 'litres', by: 6 }] } });
  expect(job.at).toMatchObject({ is: 'nothing', done: { ways: [{ is: 'litres', by: 6 }] } });
  job.solve(PROBLEM, 10, nothingKept);
  begun[1]!.fail(new Error('out of memory'));
  expect(job.at).toMatchObject({ is: 'failed', why: 'Error: out of memory' });
  job.solve(PROBLEM, 10, () => Promise.reject(new Error('the disk is full')));
  begun[2]!.say({ done: DONE });
  await new Promise(setImmediate);
  expect(job.at).toMatchObject({ is: 'failed' });
});
