import type { Kitchen } from '@/core/recipe/kitchen-lines';
import { threadHere } from '../fixtures/reading';
import { BUDGET, NobodyWaits, reading, type ReadingThread } from './reading';
import { loadReference } from '../reference/reference';

const reference = loadReference();
const kitchen: Kitchen = { set: 'metric', own: [], named: [], known: [] };
const begun: ReturnType<typeof threadHere>[] = [];
const start = () => {
  const each = threadHere(reference, 'hang');
  begun.push(each);
  return each.thread;
};
beforeEach(() => begun.splice(0));

const short = { ...BUDGET, line: 40, file: 40 };

test('lines are read in order, the kitchen is told once, and how many are read is said', async () => {
  const said: number[] = [];
  const found = await reading(start).lines(kitchen, ['100 g kale', '2 cups nothing at all'], {
    onRead: (read) => said.push(read),
  });
  expect(found.map(({ entry }) => entry.ndb)).toEqual(['11233', '']);
  expect(said).toEqual([1, 2]);
  expect(begun).toHaveLength(1);
  expect(begun[0]!.asked.map((each) => Object.keys(each)[0])).toEqual(['kitchen', 'line', 'line']);
});

test('a line that takes too long stays words; its thread is ended and the next lines are read by another', async () => {
  const found = await reading(start, short).lines(kitchen, ['100 g kale', 'hang', '100 g kale']);
  expect(found.map(({ entry }) => [entry.ndb, entry.words ?? false, entry.aside ?? ''])).toEqual([
    ['11233', false, ''],
    ['', true, 'reading it took too long'],
    ['11233', false, ''],
  ]);
  expect(found[1]!.entry.preparation).toBe('hang');
  expect(begun.map((each) => each.isEnded())).toEqual([true, false]);
});

test('past the time of a request what is left is not read', async () => {
  const found = await reading(start, { ...short, request: 0 }).lines(kitchen, ['hang', '100 g kale']);
  expect(found.length).toBeLessThan(2);
});

test('two who ask take turns, line by line', async () => {
  const one = reading(start);
  const order: string[] = [];
  const ask = (name: string) =>
    one.lines({ ...kitchen }, ['1 g kale', '2 g kale', '3 g kale'], { onRead: () => order.push(name) });
  const [first, second] = await Promise.all([ask('a'), ask('b')]);
  expect(order).toEqual(['a', 'b', 'a', 'b', 'a', 'b']);
  expect(first.map(({ grams }) => grams)).toEqual([1, 2, 3]);
  expect(second.map(({ grams }) => grams)).toEqual([1, 2, 3]);
});

test('nothing is read on once nobody waits, and whoever waits behind is not kept', async () => {
  const gone = new AbortController();
  const one = reading(start);
  const left = one.lines(kitchen, ['1 g kale', '2 g kale', '3 g kale'], {
    signal: gone.signal,
    onRead: () => gone.abort(),
  });
  await expect(left).rejects.toBeInstanceOf(NobodyWaits);
  expect(begun[0]!.asked.filter((each) => 'line' in each)).toHaveLength(1);
  await expect(one.lines(kitchen, ['4 g kale'])).resolves.toHaveLength(1);
});

test('a file is taken apart there too, and one that takes too long is refused in words', async () => {
  const one = reading(start, short);
  expect(await one.file('{"a":1}')).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining('no recipe') as string },
  });
  expect(await one.file('"hang"')).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining('took too long') as string, field: 'text' },
  });
  expect(await one.file('{')).toMatchObject({
    ok: false,
    problem: { message: expect.stringContaining('no JSON') as string },
  });
});

test('a thread that dies fails what was asked of it, and the next question begins another', async () => {
  let fail: (error: unknown) => void = () => undefined;
  let starts = 0;
  const dying = (): ReadingThread => {
    starts += 1;
    const each = threadHere(reference, 'hang');
    return {
      ...each.thread,
      on: (event, told) => {
        if (event === 'error') fail = told;
        each.thread.on(event, told);
      },
      postMessage: (question) => {
        if ('line' in question && question.line === 'die') fail(new Error('out of memory'));
        else each.thread.postMessage(question);
      },
    };
  };
  const one = reading(dying);
  await expect(one.lines(kitchen, ['die'])).rejects.toThrow('out of memory');
  await expect(one.lines(kitchen, ['1 g kale'])).resolves.toHaveLength(1);
  expect(starts).toBe(2);
});
