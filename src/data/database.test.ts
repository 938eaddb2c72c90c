import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { dayIn, type LocalDate } from '@/core/calendar/local-date';
import { dayEnergy } from '@/core/dog/day-energy';
import { mealsOn } from '@/core/dog/meals';
import { legSum } from '@/core/stock/ledger';
import { migrateToLatest, migrationsFolder, wrap } from './database';
import { loadDemo } from './demo/boatyard';
import { FolderInUse, ownFolder } from './owner';
import { loadReference } from './reference/reference';
import { readDogs } from './repositories/dogs';
import { readLatestMovements, readStock } from './repositories/stock';
import { freshDatabase, openedFor } from './fixtures/database';

test('an older database, with data in it, is brought up to date', async () => {
  const client = await openedFor(PGlite.create());
  const first = readdirSync(migrationsFolder())
    .filter((name) => name.endsWith('.sql'))
    .sort()[0]!;
  const ground = readFileSync(join(migrationsFolder(), first), 'utf8');
  await client.exec(ground);
  // Marks the first migration as done, the way Drizzle's migrator keeps it.
  const journal = JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  await client.exec(`create schema drizzle; create table drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint);
    insert into drizzle.__drizzle_migrations (hash, created_at) values ('ground', ${journal.entries[0]!.when});
    insert into dog (name, mark, birth_date, neutered, created_at) values ('Old', 0, '2020-01-01', true, now());
    insert into weigh_in (dog_id, day, grams, created_at) values (1, '2026-11-01', 20000, now());
    insert into ration (dog_id, from_day, work, prone_to_gain, own_factor, home_fraction, created_at)
      values (1, '2026-11-01', 'none', false, 1.4, 0.5, now());
    insert into meal_slot (dog_id, name, clock, position) values (1, 'supper', '18:00', 0);
    insert into ration_slot (ration_id, slot_id, fraction) values (1, 1, 1);
    insert into movement (kind, at, day) values ('found', now(), '2026-11-25');
    insert into leg (movement_id, account, amount) values (1, 'found', -10), (1, 'lost', 10);`);
  const db = wrap(client);
  await migrateToLatest(db);
  expect((await db.execute<{ n: number }>(sql`select count(*)::int n from leg`)).rows[0]!.n).toBe(2);
  await expect(db.execute(sql`delete from leg`)).rejects.toThrow();
  // A factor of its own and half a day of bought food keep their meaning: 0.7 × RER of 20 kg (NRC 2006: 662.0).
  const [old] = await readDogs(db);
  expect(dayEnergy(old!, '2026-11-25' as LocalDate).homeKcal).toBeCloseTo(0.7 * 662.0, 0);
  expect(mealsOn(old!, '2026-11-25' as LocalDate).map((meal) => meal.name)).toEqual(['supper']);
  await migrateToLatest(db);
});

test('a folder has one owner; after it is gone the next takes over at once', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-owner-'));
  const first = await ownFolder(folder);
  await expect(ownFolder(folder)).rejects.toThrow(FolderInUse);
  await new Promise((resolve) => first.close(resolve));
  const second = await ownFolder(folder);
  second.close();
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
      const db = await freshDatabase();
      await loadDemo(db, loadReference(), new Date(instant));
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
