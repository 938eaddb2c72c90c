import type { TaskState } from './cook-day';
import { cookedOtherwise } from './next-time';

const START = new Date('2026-11-26T10:00:00Z');
const cooked = (load: number, minutes: number): TaskState => ({
  key: `cook.0.${load}`,
  kind: 'cook',
  title: 'cooks',
  component: 0,
  load,
  minutes: 40,
  hands: 0,
  after: [],
  brings: [],
  state: 'done',
  at: new Date(START.getTime() + minutes * 60_000),
  timer: { startedAt: START, minutes: 40 },
  readingId: load,
});
const of = (minutes: number | undefined, ...took: number[]) =>
  cookedOtherwise({ tasks: took.map((each, load) => cooked(load, each)) }, [
    { name: 'pot', ...(minutes === undefined ? {} : { minutes }) },
  ]);

test('40 min were short: its loads took 52 on the mean', () => {
  expect(of(40, 50, 54)).toEqual([{ component: 0, name: 'pot', said: 40, minutes: 52, loads: 2, spread: 4 }]);
});

test('about as long as the recipe says teaches nothing; where nothing is said, everything does', () => {
  expect(of(40, 42)).toEqual([]);
  expect(of(20, 22)).toEqual([]);
  expect(of(40, 30)).toMatchObject([{ minutes: 30 }]);
  expect(of(undefined, 33)).toMatchObject([{ said: undefined, minutes: 33 }]);
  expect(of(40)).toEqual([]);
});
