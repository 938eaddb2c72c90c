import { eq } from 'drizzle-orm';
import { freshHouse, type TestHouse } from '../fixtures/database';

import { changeHousehold, readHousehold } from '../repositories/household';
import { command } from '../schema/household';
import { refuse, runCommand, type Context } from './run';

let house: TestHouse;
beforeAll(async () => {
  house = await freshHouse('2026-11-25T12:00:00Z');
});
beforeEach(() => house.begin());
afterEach(() => house.undo());

const NOW = new Date('2026-11-25T12:00:00Z');
const asked = (id: string) => ({ id, kind: 'set currency', input: {} });
const setCurrency = ({ tx }: Context) => changeHousehold(tx, { currency: 'NOK' });
const isThere = async (id: string) => (await house.db.select().from(command).where(eq(command.id, id))).length === 1;

test('a command is acknowledged when it is on the disk, and one that was refused asks for nothing', async () => {
  const seen: string[] = [];
  const kept = async () => {
    seen.push((await readHousehold(house.db)).currency);
  };
  const here = { db: house.db, reference: house.reference, now: NOW, kept };
  expect(await runCommand(here, asked('kept-command'), setCurrency)).toMatchObject({ ok: true });
  expect(seen).toEqual(['NOK']);
  await runCommand(here, asked('refused-command'), () => refuse('No.'));
  expect(seen).toHaveLength(1);
});

test('where the log does not come to the disk the command is not acknowledged', async () => {
  const kept = () => Promise.reject(new Error('EIO'));
  const here = { db: house.db, reference: house.reference, now: NOW, kept };
  await expect(runCommand(here, asked('lost-command'), setCurrency)).rejects.toThrow('EIO');
});

test('without room nothing is begun, and it is said in words; reading goes on', async () => {
  const here = {
    db: house.db,
    reference: house.reference,
    now: NOW,
    noRoom: () => 'The disk is full: delete something.',
  };
  const answer = await runCommand(here, asked('roomless-command'), setCurrency);
  expect(answer).toEqual({
    ok: false,
    problems: [{ message: 'Nothing was changed. The disk is full: delete something.' }],
  });
  expect(await isThere('roomless-command')).toBe(false);
  expect((await readHousehold(house.db)).currency).not.toBe('NOK');
});

test.each(['53100', 'ENOSPC'])('a disk that fills up meanwhile (%s) undoes the command and says so', async (code) => {
  const here = { db: house.db, reference: house.reference, now: NOW };
  const answer = await runCommand(here, asked(`full-${code}`), async (context) => {
    await setCurrency(context);
    throw Object.assign(new Error('could not extend file'), { code });
  });
  expect(answer).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringMatching(/the disk is full/) as string }],
  });
  expect((await readHousehold(house.db)).currency).not.toBe('NOK');
  expect(await isThere(`full-${code}`)).toBe(false);
});
