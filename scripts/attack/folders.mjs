import { cpSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { seeded } from './random.mjs';
import { begin, newFolder, start } from './server.mjs';

const filesIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name));

/** What can go wrong with a folder on a disk; each says what it did. */
const FAULTS = [
  (file) => {
    rmSync(file);
    return 'removed';
  },
  (file) => {
    truncateSync(file, Math.floor(statSync(file).size / 2));
    return 'cut in half';
  },
  (file) => {
    truncateSync(file, 0);
    return 'emptied';
  },
  (file, random) => {
    const bytes = readFileSync(file);
    for (let at = 0; at < Math.min(64, bytes.length); at++) bytes[random.below(bytes.length)] ^= 255;
    writeFileSync(file, bytes);
    return 'spoilt';
  },
];

/** Files that a start may take away or make anew whatever else is wrong. */
const MAY_GO =
  /postmaster\.(pid|opts)|owner\.|pg\.before|replorigin_checkpoint|pg_stat|pgstat|pg_internal\.init|pg_wal|pg_snap/;

/** Spoils a file of a whole folder: Hodman opens it all the same or says in words that it does not, and takes nothing away. */
export async function attack(count, seed) {
  const random = seeded(seed + 3);
  const whole = newFolder();
  const first = await start(whole, { demo: true, now: '2026-11-25T12:00:00Z' });
  await first.kill();
  const all = filesIn(join(whole, 'pg'));
  // The few that everything hangs on are as likely as all others together.
  const few = [
    'PG_VERSION',
    'global/pg_control',
    'postgresql.conf',
    'pg_wal',
    'global/pg_filenode.map',
    'pg_xact/0000',
  ];
  const broke = [];
  let opened = 0;
  for (let tried = 0; tried < count; tried++) {
    const folder = newFolder();
    cpSync(whole, folder, { recursive: true, filter: (path) => !path.endsWith('owner.sock') });
    const at = random.chance(0.5) ? random.pick(few) : relative(join(whole, 'pg'), random.pick(all));
    const path = join(folder, 'pg', at);
    const did = statSync(path).isDirectory()
      ? (rmSync(path, { recursive: true }), 'removed')
      : random.pick(FAULTS)(path, random);
    const before = filesIn(folder).map((file) => relative(folder, file));
    const server = await begin(folder, { now: '2026-11-25T12:00:00Z' });
    const up = await server.up();
    if (up) opened += 1;
    else {
      const said = server.printed();
      if (!/no whole database|does not open|made by PostgreSQL|is gone from|is open in another/.test(said))
        broke.push(`${at} ${did}: no word of it: ${said.slice(-200)}`);
      const after = new Set(filesIn(folder).map((file) => relative(folder, file)));
      const gone = before.filter((file) => !after.has(file) && !MAY_GO.test(file));
      if (gone.length > 0) broke.push(`${at} ${did}: took away ${gone.slice(0, 5).join(', ')}`);
    }
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  rmSync(whole, { recursive: true, force: true });
  return { tried: count, said: `${opened} opened all the same`, broke };
}
