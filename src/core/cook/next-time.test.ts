import { cookedTask as cooked } from '../../../tests/fixtures/cooked-task';
import { cookedOtherwise } from './next-time';

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
