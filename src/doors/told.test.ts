import { jest } from '@jest/globals';
import { tellWhile, type Told } from './told';

const asked = (signal?: AbortSignal) => new Request('http://localhost/api/lines', { signal });
const read = async (response: Response) =>
  (await response.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Told<string>);

test('how far it is, then the answer', async () => {
  const response = tellWhile(
    asked(),
    async ({ tell }) => {
      tell(1, 3);
      tell(2, 3);
      return Promise.resolve('done');
    },
    'stumbled',
  );
  // The second word comes too soon after the first.
  expect(await read(response)).toEqual([{ read: 1, of: 3 }, { answer: 'done' }]);
});

test('work that fails is answered in words', async () => {
  const error = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const response = tellWhile(asked(), () => Promise.reject(new Error('no')), 'stumbled');
  expect(await read(response)).toEqual([{ answer: 'stumbled' }]);
  expect(error).toHaveBeenCalled();
  error.mockRestore();
});

test('the work hears that the client has left, by its signal or by its stream', async () => {
  const left = new AbortController();
  const heard: string[] = [];
  const work = (name: string) => async (how: { signal: AbortSignal }) => {
    await new Promise<void>((resolve) => how.signal.addEventListener('abort', () => resolve()));
    heard.push(name);
    return '';
  };
  tellWhile(asked(left.signal), work('signal'), '');
  left.abort();
  await tellWhile(asked(), work('stream'), '').body!.cancel();
  await new Promise((resolve) => setImmediate(resolve));
  expect(heard).toEqual(['signal', 'stream']);
});
