import { sql } from 'drizzle-orm';
import { contextFor, runCommand } from '../commands/run';
import { savePlace } from '../commands/kitchen';
import { demoDatabase } from '../fixtures/database';
import { emptyOnServer, freshOnServer, testServer } from '../fixtures/on-server';
import { docsOfSchema } from '../open-data/docs';
import { tablesOf, type Asks } from '../open-data/tables';
import { tablesAsCsv, writeOpenData } from '../open-data/write';
import { loadReference } from '../reference/reference';
import { readAllPlaces } from '../repositories/household';
import { again } from './again';
import { atOneMoment, openServer, takeIn } from './server';

const AT = '2026-11-25T12:00:00Z';
const server = testServer();

test('what could not be is done again, a few times; anything else is thrown as it came', async () => {
  const busy = Object.assign(new Error('busy'), { code: '40001' });
  let tried = 0;
  const until = (fine: number) => () => {
    tried += 1;
    return tried < fine ? Promise.reject(new Error('failed query', { cause: busy })) : Promise.resolve('done');
  };
  expect(await again(until(4))).toBe('done');
  expect(tried).toBe(4);
  tried = 0;
  await expect(again(() => (tried++, Promise.reject(new Error('no'))))).rejects.toThrow('no');
  expect(tried).toBe(1);
});

// `npm test` starts a server where Debian's PostgreSQL is installed, and says so where it is not.
(server === undefined ? describe.skip : describe)('on a server', () => {
  const home = server ?? '';

  test('many at once are as if one came after the other: a press that is sent twice is done once, a count is exact', async () => {
    const db = await freshOnServer(home);
    const reference = loadReference();
    const house = { db, reference, now: new Date(AT) };
    const press = (id: string, name: string) =>
      runCommand(house, { id, kind: 'place', input: name }, (context) =>
        savePlace(context, { kind: 'freezer', name, size: '' }),
      );
    const twice = await Promise.all(Array.from({ length: 6 }, () => press('the-same-press', 'Chest')));
    expect(twice.filter((each) => each.ok)).toHaveLength(6);
    expect((await readAllPlaces(db)).filter(({ name }) => name === 'Chest')).toHaveLength(1);
    // Each reads what is there and writes one more: without isolation some would be lost.
    const count = () =>
      db.transaction(async (tx) => {
        const { rows } = await tx.execute<{ days: number }>(sql`select fridge_days days from household`);
        await tx.execute(sql`update household set fridge_days = ${(rows[0]?.days ?? 0) + 1}`);
      });
    await Promise.all(Array.from({ length: 8 }, count));
    const { rows } = await db.execute<{ days: number }>(sql`select fridge_days days from household`);
    expect(rows[0]?.days).toBe(4 + 8);
    expect((await contextFor(db, reference, new Date(AT))).household).toMatchObject({ cookedFridgeDays: 12 });
  });

  test('one Hodman at a time, and a server that is not there is said in words', async () => {
    const url = await emptyOnServer(home);
    const { database, close } = await openServer(url, { timeZone: 'Europe/Oslo' });
    expect(await readAllPlaces(database)).toHaveLength(3);
    await expect(openServer(url, { timeZone: 'Europe/Oslo' })).rejects.toThrow('Another Hodman has the database');
    await expect(openServer('postgresql://nobody@127.0.0.1:1/none', { timeZone: 'Europe/Oslo' })).rejects.toThrow(
      /does not answer \(/,
    );
    await close();
  });

  test('the demo moves by open data from here to a server, and is equal there', async () => {
    const before = await demoDatabase(AT, loadReference());
    const url = await emptyOnServer(home);
    await takeIn(url, await writeOpenData(before.$client, docsOfSchema(), new Date(AT)));
    const contentOf = async (asks: Asks) =>
      Object.fromEntries([...(await tablesAsCsv(asks, await tablesOf(asks)))].map(([name, { csv }]) => [name, csv]));
    const [was, is] = [await contentOf(before.$client), await atOneMoment(url, contentOf)];
    for (const name of Object.keys(was)) expect([name, is[name]]).toEqual([name, was[name]]);
    await expect(takeIn(url, await writeOpenData(before.$client, docsOfSchema(), new Date(AT)))).rejects.toThrow(
      /already/,
    );
    // One of an older Hodman is not empty because migrations are still to come.
    const { database, close } = await openServer(url, { timeZone: 'Europe/Oslo' });
    await database.execute(
      sql`delete from drizzle.__drizzle_migrations where created_at = (select max(created_at) from drizzle.__drizzle_migrations)`,
    );
    await close();
    await expect(takeIn(url, await writeOpenData(before.$client, docsOfSchema(), new Date(AT)))).rejects.toThrow(
      /already/,
    );
  });
});
