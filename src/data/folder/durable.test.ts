import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { lossyDisk, type Luck } from '../fixtures/lossy-disk';
import { durable } from './durable';

const folders: string[] = [];
const newFolder = () => {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-durable-'));
  folders.push(folder);
  return folder;
};
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

/** The same luck at every run. */
function seeded(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const kept = async (folder: string): Promise<number[]> => {
  await durable(folder).mend();
  const client = await PGlite.create(join(folder, 'pg'));
  const { rows } = await client.query<{ n: number }>('select n from acknowledged order by n');
  await client.close();
  return rows.map(({ n }) => n);
};

/** A database in a folder of which everything is on the disk. */
async function begin() {
  const folder = newFolder();
  mkdirSync(join(folder, 'pg'), { recursive: true });
  const first = await PGlite.create(join(folder, 'pg'));
  await first.exec('create table acknowledged (n int primary key, t text); create table busy (n int)');
  await first.close();
  return { folder, lossy: lossyDisk(folder) };
}

interface Cut {
  readonly folder: string;
  readonly acknowledged: number;
}

test('a power cut at any sync, within checkpoints too: nothing acknowledged is missing', async () => {
  const random = seeded(20261128);
  const { folder, lossy } = await begin();
  const kind = durable(folder, join(folder, 'pg'), lossy.disk);
  const cuts: Cut[] = [];
  let acknowledged = 0;
  let inCheckpoint = false;
  let syncs = 0;
  const cutNow = (luck: Luck) => {
    const into = newFolder();
    lossy.cut(into, luck);
    cuts.push({ folder: into, acknowledged });
  };
  lossy.onSync(() => {
    syncs += 1;
    // Checkpoints sync hundreds of files; logs a few.
    if (random() < (inCheckpoint ? 0.012 : 0.03)) cutNow(() => random() < 0.5);
  });
  const checkpointed = async <T>(work: () => Promise<T>) => {
    inCheckpoint = true;
    const value = await kind.checkpointed(work);
    inCheckpoint = false;
    return value;
  };
  const client = await checkpointed(() => PGlite.create(join(folder, 'pg')));
  for (let n = 1; n <= 90; n++) {
    await client.query('insert into acknowledged values ($1, repeat($2, 400))', [n, String(n)]);
    await client.query('update acknowledged set t = repeat($1, 300) where n % 7 = $2', [String(n), n % 7]);
    await kind.log();
    acknowledged = n;
    if (n % 30 === 0)
      await checkpointed(async () => {
        await client.query('checkpoint');
        // The worst moment: the checkpoint's own record is on the disk, what it stands on is not.
        cutNow((path) => path.endsWith('pg_control'));
      });
  }
  await checkpointed(() => client.close());
  expect(syncs).toBeGreaterThan(200);
  expect(cuts.length).toBeGreaterThan(6);
  for (const cut of cuts) {
    const found = await kept(cut.folder);
    expect(found.slice(0, cut.acknowledged)).toEqual(Array.from({ length: cut.acknowledged }, (_, at) => at + 1));
  }
});

test('without the sync of the log the same cut loses what was acknowledged: the simulation can tell', async () => {
  const { folder, lossy } = await begin();
  const kind = durable(folder, join(folder, 'pg'), lossy.disk);
  const client = await kind.checkpointed(() => PGlite.create(join(folder, 'pg')));
  await client.query("insert into acknowledged values (1, 'one')");
  const into = newFolder();
  lossy.cut(into, () => false);
  await kind.log();
  const synced = newFolder();
  lossy.cut(synced, () => false);
  await client.close();
  expect(await kept(into)).toEqual([]);
  expect(await kept(synced)).toEqual([1]);
});

test('whoever comes while the log is synced waits for a sync that began later', async () => {
  const folder = newFolder();
  mkdirSync(join(folder, 'pg/pg_wal'), { recursive: true });
  const begun: string[] = [];
  let release: () => void = () => undefined;
  const disk = {
    sync: (path: string) => {
      begun.push(path);
      return begun.length === 1 ? new Promise<void>((resolve) => (release = resolve)) : Promise.resolve();
    },
  };
  const one = durable(folder, join(folder, 'pg'), disk);
  const first = one.log();
  // The folder of segments is listed anew, so that the next sync can be seen.
  const second = one.log();
  const third = one.log();
  expect(begun).toHaveLength(0);
  release();
  await Promise.all([first, second, third]);
  expect(second).toBe(third);
  expect(first).not.toBe(second);
});
