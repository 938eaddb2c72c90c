import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pinSchema } from '@/core/household/pin';
import { beginSession, endSessions, hasPin, isIn, newTicket, setPin, spendTicket, tryPin, visitors } from './book';

let folder: string;
const DAY = 86_400_000;
const now = Date.parse('2026-11-25T12:00:00Z');

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'hodman-door-'));
  process.env.HODMAN_DATA = folder;
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const fileText = () => readFileSync(join(folder, 'door.json'), 'utf8');
/** What another process would read. */
const fromDisk = (ask: () => unknown) => {
  (globalThis as unknown as Record<symbol, unknown>)[Symbol.for('hodman door')] = undefined;
  return ask();
};

test('a PIN is kept as its hash, by this user alone, and read again after a start', async () => {
  expect(hasPin()).toBe(false);
  expect(await tryPin('730158', 'a', now)).toBe('wrong');
  await setPin('730158');
  expect(fileText()).not.toContain('730158');
  expect(statSync(join(folder, 'door.json')).mode & 0o077).toBe(0);
  expect(fromDisk(hasPin)).toBe(true);
  expect(await tryPin(' 730158 ', 'a', now)).toBe('right');
  expect(await tryPin('730159', 'a', now)).toBe('wrong');
});

test('many at once are many: of a hundred guesses in one moment three are looked at, and a right one among the rest is not', async () => {
  await setPin('730158');
  const answers = await Promise.all(
    Array.from({ length: 100 }, (_, index) =>
      tryPin(index === 50 ? '730158' : `1${String(index).padStart(5, '0')}`, 'b', now),
    ),
  );
  expect(answers.filter((each) => each === 'wrong')).toHaveLength(3);
  expect(answers.filter((each) => each === 'right')).toHaveLength(0);
  // Another address is not held up by it, until there are too many in all.
  expect(await tryPin('730158', 'c', now)).toBe('right');
  for (const from of ['d', 'e', 'f', 'g', 'h', 'i', 'j']) await tryPin('111222', from, now);
  expect(await tryPin('730158', 'k', now)).toMatchObject({ wait: expect.any(Number) as number });
});

test('who came in is known by a cookie that the file does not hold, is listed, and can be ended', () => {
  const token = beginSession('Bo’s phone', '192.168.1.30', now);
  const other = beginSession('', '192.168.1.31', now);
  expect(fileText()).not.toContain(token);
  expect(isIn(token, now)).toBe(true);
  for (const wrong of [undefined, '', 'x', `${token}x`, token.slice(1)]) expect(isIn(wrong, now)).toBe(false);
  expect(visitors(now).map(({ name }) => name)).toEqual(['a device', 'Bo’s phone']);
  endSessions(visitors(now)[1]!.id);
  expect([isIn(token, now), isIn(other, now)]).toEqual([false, true]);
  expect(fromDisk(() => isIn(other, now))).toBe(true);
  endSessions();
  expect(isIn(other, now)).toBe(false);
});

test('who was not there for half a year comes in anew; who is there stays', () => {
  const token = beginSession('old', 'a', now);
  expect(isIn(token, now + 170 * DAY)).toBe(true);
  expect(isIn(token, now + 340 * DAY)).toBe(true);
  expect(isIn(token, now + 521 * DAY)).toBe(false);
});

test('another PIN sends everybody out', async () => {
  const token = beginSession('phone', 'a', now);
  const ticket = newTicket(now);
  await setPin('730158');
  expect(isIn(token, now)).toBe(false);
  expect(spendTicket(ticket, now)).toBe(false);
});

test('a code lets in once, and for some minutes', () => {
  const ticket = newTicket(now);
  expect(spendTicket(`${ticket}x`, now)).toBe(false);
  expect(spendTicket(ticket, now)).toBe(true);
  expect(spendTicket(ticket, now)).toBe(false);
  const late = newTicket(now);
  expect(spendTicket(late, now + 5 * 60_000 + 1)).toBe(false);
});

test('a file that is spoilt lets nobody in', () => {
  const token = beginSession('phone', 'a', now);
  writeFileSync(join(folder, 'door.json'), '{"pin":7');
  expect(fromDisk(() => isIn(token, now))).toBe(false);
  expect(hasPin()).toBe(false);
});

test('a PIN that is guessed first is refused in words', () => {
  for (const pin of ['12345', '123456', '654321', '111111', '112112', 'abcdef', '1234567890123'])
    expect([pin, pinSchema.safeParse(pin).success]).toEqual([pin, false]);
  for (const pin of ['730158', ' 730158 ', '004417'])
    expect([pin, pinSchema.safeParse(pin).success]).toEqual([pin, true]);
});
