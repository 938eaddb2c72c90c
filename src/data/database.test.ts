import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { dayIn } from '@/core/calendar/local-date';
import { legSum } from '@/core/stock/ledger';
import { planEntrySchema } from '@/core/plan/plan-entry';
import { batchGraph, imbalance } from '@/core/batch/graph';
import { migrateToLatest, migrationsFolder, OlderFolder, wrap } from './database';
import { loadDump } from './fixtures/dump';
import { readBatch, readBatchList, type WeighedBatch } from './repositories/batches';
import { loadReference } from './reference/reference';
import { readDogs } from './repositories/dogs';
import { readLatestMovements } from './repositories/movements';
import { readStock } from './repositories/stock';
import { bareClient, demoDatabase } from './fixtures/database';
import { readProteins } from './page';
import { plan } from './schema/batches';

test('a database of version 0.1 is recognised, refused in a sentence, and left as it is', async () => {
  const client = await bareClient();
  await client.exec(`create schema drizzle; create table drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint);
    insert into drizzle.__drizzle_migrations (hash, created_at) values ('ground', 1761000000000), ('later', 1763000000000);
    create table dog (id serial primary key, name text); insert into dog (name) values ('Old');`);
  await expect(migrateToLatest(wrap(client))).rejects.toThrow(OlderFolder);
  const { rows } = await client.query(
    "select (select count(*)::int from dog) dogs, (select count(*)::int from drizzle.__drizzle_migrations) done, to_regclass('batch') batch",
  );
  expect(rows[0]).toEqual({ dogs: 1, done: 2, batch: null });
});

/** Packs that hold food, and their g, in the dump. */
const STOCK_AT_0_2_0 = [22, 12_583];
/** How many migrations there were when the dump was made. */
const AT_0_2_0 = 1;

test('a database made by 0.2.0 opens: what was cooked, packed and fed is what it was', async () => {
  const client = await bareClient();
  const { entries } = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: readonly { readonly tag: string; readonly when: number }[];
  };
  for (const { tag } of entries.slice(0, AT_0_2_0))
    await client.exec(readFileSync(join(migrationsFolder(), `${tag}.sql`), 'utf8'));
  await client.exec(
    `create schema drizzle; create table drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint);`,
  );
  for (const { tag, when } of entries.slice(0, AT_0_2_0))
    await client.query('insert into drizzle.__drizzle_migrations (hash, created_at) values ($1, $2)', [tag, when]);
  await loadDump(client, readFileSync('src/data/fixtures/made-by-0.2.0.json.gz'));
  const db = wrap(client);
  await migrateToLatest(db);
  const dogs = await readDogs(db);
  expect(dogs.map(({ name, badge }) => [name, badge])).toEqual([
    ['Juniper', 0],
    ['Otto', 1],
    ['Wren', 2],
  ]);
  // What a kept plan says in words of its own was said otherwise in 0.2.0.
  const plans = await db.select({ entry: plan.entry }).from(plan);
  expect(plans.length).toBeGreaterThan(0);
  for (const { entry } of plans) expect(planEntrySchema.safeParse(entry)).toMatchObject({ success: true });
  expect((await readProteins({ db })).size).toBeGreaterThan(0);
  const [venison, goat] = await readBatchList(db);
  for (const { id } of [venison!, goat!]) {
    const batch = await readBatch(db, id, '4-9-4');
    if (batch?.state !== 'weighed') throw new Error('it was weighed');
    for (const [key, gap] of imbalance(batchGraph(batch, [], '4-9-4')))
      expect([key, Math.abs(gap) < 1e-6]).toEqual([key, true]);
  }
  // Measured in 0.2.0 on the demo of 25 November 2026.
  expect((await readBatch(db, venison!.id, '4-9-4')) as WeighedBatch).toMatchObject({ whole: { net: 18055 } });
  const stock = await readStock(db);
  expect([stock.length, Math.round(stock.reduce((sum, pack) => sum + pack.grams, 0))]).toEqual(STOCK_AT_0_2_0);
});

test('no repository or command opens a connection of its own: inside a transaction PGlite would hang for ever', () => {
  for (const folder of ['src/data/repositories', 'src/data/commands', 'src/data/demo']) {
    for (const name of readdirSync(folder)) {
      expect(`${name}: ${/from '(\.\.\/house|@\/data\/house)'/.test(readFileSync(join(folder, name), 'utf8'))}`).toBe(
        `${name}: false`,
      );
    }
  }
});

describe('the boatyard', () => {
  test.each(['2026-11-25T05:00:00Z', '2026-11-25T12:00:00Z', '2027-03-28T21:30:00Z'])(
    'is alive at %s',
    async (instant) => {
      const db = await demoDatabase(instant, loadReference());
      const dogs = await readDogs(db);
      expect(dogs.map((dog) => dog.name)).toEqual(['Juniper', 'Otto', 'Wren']);
      const stock = await readStock(db);
      expect(new Set(stock.map((pack) => pack.placeKind))).toEqual(new Set(['fridge', 'freezer', 'cupboard']));
      const today = dayIn(new Date(instant), 'Europe/Oslo');
      expect(stock.filter((pack) => pack.safeUntil !== undefined && pack.safeUntil < today)).toEqual([]);
      const movements = await readLatestMovements(db, 1000);
      expect(movements.filter((movement) => movement.kind === 'fed').length).toBeGreaterThan(10);
      for (const movement of movements) expect(legSum(movement.legs)).toBe(0);
      const ledger = await db.execute<{ drift: number }>(
        sql`select count(*)::int drift from holding h where h.amount <> coalesce((select sum(amount) from leg where holding_id = h.id), 0)`,
      );
      expect(ledger.rows[0]!.drift).toBe(0);
    },
  );
});
