import { forget, keep, readKept } from './storage';

const set = (storage: unknown) =>
  Object.defineProperty(globalThis, 'sessionStorage', {
    configurable: true,
    get: () => {
      if (storage === 'blocked') throw new Error('SecurityError');
      return storage;
    },
  });
const before = Object.getOwnPropertyDescriptor(globalThis, 'sessionStorage');
afterEach(() => {
  forget('session', 'a');
  if (before) Object.defineProperty(globalThis, 'sessionStorage', before);
  else Reflect.deleteProperty(globalThis, 'sessionStorage');
});

function store(room = Infinity) {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => {
      if (text.length > room) throw new Error('QuotaExceededError');
      kept.set(key, text);
    },
    removeItem: (key: string) => kept.delete(key),
  };
}

test.each([
  ['that keeps', store()],
  ['that blocks it', 'blocked'],
  ['that has none', undefined],
  ['that is full', store(0)],
])('in a browser %s what is kept is read again, and forgotten', (_, storage) => {
  set(storage);
  keep('session', 'a', 'one');
  expect(readKept('session', 'a')).toBe('one');
  keep('session', 'a', 'two');
  expect(readKept('session', 'a')).toBe('two');
  forget('session', 'a');
  expect(readKept('session', 'a')).toBeNull();
});

test('what no longer has room is not what was kept before', () => {
  set(store(3));
  keep('session', 'a', 'one');
  keep('session', 'a', 'three');
  expect(readKept('session', 'a')).toBe('three');
});
