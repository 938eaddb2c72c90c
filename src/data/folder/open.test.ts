import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { NewerFolder, wrap } from '../database';
import { place } from '../schema/household';
import { backupFolder, backupsIn, makeBackup } from './backup';
import { insideOf } from './inside';
import { lookAt, writable } from './look';
import { openFolder, type HowToOpen, type OpenFolder } from './open';
import { FolderRefused } from './refused';
import { restoreInto } from './restore';
import { whyNoRoom } from './room';

const folders: string[] = [];
const newFolder = () => {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-folder-'));
  folders.push(folder);
  return folder;
};
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

const AT = new Date('2026-11-28T09:30:12Z');
const how: HowToOpen = { timeZone: 'Europe/Oslo', check: insideOf, now: () => AT };
const opened = async <T>(folder: string, work: (open: OpenFolder) => Promise<T>, more: Partial<HowToOpen> = {}) => {
  const open = await openFolder(folder, { ...how, ...more });
  try {
    return await work(open);
  } finally {
    await open.client.close();
  }
};
const addPlace = ({ client }: OpenFolder, name: string) =>
  wrap(client).insert(place).values({ kind: 'freezer', name, position: 9 });
const places = async ({ client }: OpenFolder) =>
  (await wrap(client).select({ name: place.name }).from(place)).map(({ name }) => name);

/** A whole folder with a place of its own, closed; made once and copied. */
let whole: string;
beforeAll(async () => {
  whole = newFolder();
  await opened(whole, (open) => addPlace(open, 'Chest'));
});
const copied = () => {
  const folder = newFolder();
  cpSync(whole, folder, { recursive: true });
  return folder;
};

/** What stands in a folder, names and sizes, so that a refusal can be seen to change nothing. */
const listed = (folder: string) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => `${join(entry.parentPath, entry.name)} ${readFileSync(join(entry.parentPath, entry.name)).length}`)
    .sort();

test('what is kept is there when the folder is opened again', async () => {
  expect(await opened(copied(), places)).toContain('Chest');
});

test.each<[string, (folder: string) => void, RegExp]>([
  [
    'without its PG_VERSION',
    (folder) => rmSync(join(folder, 'pg/PG_VERSION')),
    /no whole database: PG_VERSION is missing/,
  ],
  [
    'without its log and its control file',
    (folder) => {
      rmSync(join(folder, 'pg/pg_wal'), { recursive: true });
      rmSync(join(folder, 'pg/global/pg_control'));
    },
    /global\/pg_control, pg_wal are missing/,
  ],
  [
    'of another PostgreSQL',
    (folder) => writeFileSync(join(folder, 'pg/PG_VERSION'), '17\n'),
    /made by PostgreSQL 17, and this Hodman reads 18/,
  ],
  [
    'whose control file is cut off',
    (folder) => writeFileSync(join(folder, 'pg/global/pg_control'), 'half'),
    /pg_control is cut off/,
  ],
  [
    'that is an empty folder named pg',
    (folder) => {
      rmSync(join(folder, 'pg'), { recursive: true });
      mkdirSync(join(folder, 'pg'));
    },
    /PG_VERSION, global\/pg_control, base, pg_wal are missing/,
  ],
  [
    'that holds somebody’s letters',
    (folder) => {
      rmSync(join(folder, 'pg'), { recursive: true });
      writeFileSync(join(folder, 'letter.txt'), 'Dear');
    },
    /other things in .*\(letter\.txt\).*Choose an empty folder/,
  ],
  [
    'whose database is gone beside its backups',
    (folder) => {
      rmSync(join(folder, 'pg'), { recursive: true });
      mkdirSync(join(folder, 'backups'));
      writeFileSync(join(folder, 'backups/hodman-2026-11-27T09-30-12Z.tar.gz'), 'x');
    },
    /The database is gone from .*npm run restore/,
  ],
])('a folder %s is refused in words and not touched', async (_, spoil, said) => {
  const folder = copied();
  spoil(folder);
  const before = listed(folder);
  await expect(openFolder(folder, how)).rejects.toThrow(said);
  await expect(openFolder(folder, how)).rejects.toBeInstanceOf(FolderRefused);
  expect(listed(folder)).toEqual(before);
});

test('a database that PostgreSQL cannot open is refused with its newest backup', async () => {
  const folder = copied();
  const control = join(folder, 'pg/global/pg_control');
  writeFileSync(control, Buffer.alloc(8192, 7));
  mkdirSync(backupFolder(folder));
  writeFileSync(join(backupFolder(folder), 'hodman-2026-11-27T09-30-12Z.tar.gz'), 'x');
  await expect(openFolder(folder, how)).rejects.toThrow(
    /does not open.*newest backup is of 2026-11-27 09:30 UTC.*npm run restore hodman-2026-11-27T09-30-12Z\.tar\.gz/,
  );
  expect(readFileSync(control).equals(Buffer.alloc(8192, 7))).toBe(true);
});

test('a folder of a newer Hodman is refused', async () => {
  const folder = copied();
  await opened(folder, ({ client }) =>
    client.query("insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9999999999999)"),
  );
  await expect(openFolder(folder, how)).rejects.toBeInstanceOf(NewerFolder);
});

test('a first database that was only half made is made anew: it is all there or not at all', async () => {
  const folder = newFolder();
  const killed = openFolder(folder, { ...how, fill: () => Promise.reject(new Error('killed')) });
  await expect(killed).rejects.toThrow('killed');
  expect(lookAt(folder)).toBe('new');
  expect(existsSync(join(folder, 'pg.making'))).toBe(true);
  const fill: HowToOpen['fill'] = async (database) => {
    await database.insert(place).values({ kind: 'freezer', name: 'Filled', position: 9 });
  };
  expect(await opened(folder, places, { fill })).toContain('Filled');
  expect(readdirSync(folder)).toEqual(['pg']);
});

test('a database in which nothing was begun is made anew, one with anything in it is not', async () => {
  const folder = copied();
  const unbegun = ({ client }: OpenFolder) => client.exec('delete from shelf_rules; delete from household');
  await opened(folder, unbegun);
  expect(await opened(folder, places)).not.toContain('Chest');
  const begun = copied();
  await opened(begun, async (open) => {
    await unbegun(open);
    await open.client.query("insert into command (id, kind, asked, at) values ('somebody-was-here', 'x', '', now())");
  });
  expect(await opened(begun, places)).toContain('Chest');
});

test('a folder that cannot be written to says so', () => {
  // Nobody may make a folder in there, root neither.
  expect(() => writable('/proc/hodman')).toThrow(/cannot keep its data in \/proc\/hodman: there is no such place/);
  const file = join(newFolder(), 'file');
  writeFileSync(file, '');
  expect(() => writable(join(file, 'inner'))).toThrow(/a part of its path is a file/);
});

test('with too little room nothing is written, and it says what can be deleted', () => {
  const folder = newFolder();
  const free = (bytes: number) => () => ({ bavail: bytes / 4096, bsize: 4096 }) as never;
  expect(whyNoRoom(folder, free(500e6))).toBeUndefined();
  expect(whyNoRoom(folder, free(20e6))).toMatch(
    /The disk is full: 20 MB are free.*Everything can still be read\. Delete/,
  );
  mkdirSync(backupFolder(folder));
  writeFileSync(join(backupFolder(folder), 'hodman-2026-11-27T09-30-12Z.tar.gz'), Buffer.alloc(3_000_000));
  expect(whyNoRoom(folder, free(20e6))).toMatch(/Old backups in .*backups take 3 MB/);
});

test('a backup made while the house is written to is whole, says what is in it, and takes its place again', async () => {
  const folder = copied();
  const { name, inside } = await opened(folder, async (open) => {
    let going = true;
    let written = 0;
    const writing = (async () => {
      while (going) {
        await open.client.query('update household set currency = $1', [`K${(written += 1) % 10}O`]);
        // PGlite answers without ever waiting: nothing else would get its turn.
        await new Promise((resolve) => setImmediate(resolve));
      }
    })();
    const { backup, inside } = await makeBackup(open, backupFolder(folder), AT, insideOf);
    going = false;
    await writing;
    expect(written).toBeGreaterThan(1);
    await addPlace(open, 'Later');
    return { name: backup.name, inside };
  });
  expect(inside).toEqual({ dogs: [], batches: 0, packs: 0, lots: 0, weighIns: 0, diary: 0, last: undefined });
  expect(backupsIn(backupFolder(folder)).map((each) => each.name)).toEqual([name]);

  const copy = readFileSync(join(backupFolder(folder), name));
  const aside = await restoreInto(folder, copy, AT);
  expect(aside).toBe('pg.kept-2026-11-28T09-30-12');
  const now = await opened(folder, places);
  expect([now.includes('Chest'), now.includes('Later')]).toEqual([true, false]);
  // What was there before can be looked at in a folder of its own.
  const other = newFolder();
  cpSync(join(folder, aside!), join(other, 'pg'), { recursive: true });
  expect(await opened(other, places)).toContain('Later');
});

test('a restore that was killed between its two renames is finished at the next start, whatever a checkpoint had begun', async () => {
  const folder = copied();
  const name = await opened(folder, async (open) => {
    const { backup } = await makeBackup(open, backupFolder(folder), AT, insideOf);
    await addPlace(open, 'Later');
    return backup.name;
  });
  const other = newFolder();
  await restoreInto(other, readFileSync(join(backupFolder(folder), name)), AT);
  // The copy is whole, what was there has gone aside, and the copy is not in its place yet.
  cpSync(join(other, 'pg'), join(folder, 'pg.restoring.whole'), { recursive: true });
  mkdirSync(join(folder, 'pg.before'));
  writeFileSync(join(folder, 'pg.before/pg_control'), Buffer.alloc(8192, 7));
  renameSync(join(folder, 'pg'), join(folder, 'pg.kept-2026-11-28T09-30-12'));
  const there = await opened(folder, places);
  expect([there.includes('Chest'), there.includes('Later')]).toEqual([true, false]);
  expect(existsSync(join(folder, 'pg.kept-2026-11-28T09-30-12.before/pg_control'))).toBe(true);
});

test('a file that is no backup takes nothing’s place', async () => {
  const folder = copied();
  const before = readdirSync(folder);
  await expect(restoreInto(folder, Buffer.from('no gzip'), AT)).rejects.toThrow();
  expect(readdirSync(folder)).toEqual(before);
  expect(await opened(folder, places)).toContain('Chest');
  const file = join(folder, 'backup');
  writeFileSync(file, 'no gzip');
  await expect(insideOf(file)).rejects.toThrow();
});

test('a migration is preceded by a backup of what was there', async () => {
  const folder = copied();
  // As if the last migration had still to come; it adds columns, so that they are taken away first.
  await opened(folder, async ({ client }) => {
    await client.exec(
      'delete from drizzle.__drizzle_migrations where created_at = (select max(created_at) from drizzle.__drizzle_migrations)',
    );
    await client.exec('alter table holding drop column keeps_thawed, drop column keeps_opened, drop column folded_by');
  });
  await opened(folder, async (open) => {
    const { rows } = await wrap(open.client).execute(sql`select count(folded_by) from holding`);
    expect(rows).toHaveLength(1);
  });
  const [made] = backupsIn(backupFolder(folder));
  expect(made?.at).toEqual(AT);
});
