// Changes numbers of data/*.json tenfold, one at a time and seeded, and sees whether the table test alone fails.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { register } from 'node:module';

register('../scripts/typescript.mjs', import.meta.url);
const { seeded } = await import('../tests/fixtures/seeded.ts');

const MUTATIONS = 200;
const TEST = 'src/core/tables.test.ts';

/** Every number in a parsed file, by the path that leads to it. */
function* numbersIn(value, path = []) {
  if (typeof value === 'number' && value !== 0) yield path;
  else if (typeof value === 'object' && value !== null)
    for (const [key, each] of Object.entries(value)) yield* numbersIn(each, [...path, key]);
}

const at = (value, path) => path.reduce((within, key) => within[key], value);

function passes(folder) {
  const run = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      'core',
      '--runTestsByPath',
      TEST,
      '--silent',
    ],
    { env: { ...process.env, HODMAN_TABLES: folder }, stdio: 'ignore' },
  );
  return run.status === 0;
}

/** Runs the mutations and prints which survive; the last line is the percentage that was seen. */
export function mutateData() {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-tables-'));
  const files = readdirSync('data').filter((name) => name.endsWith('.json'));
  const original = new Map(files.map((name) => [name, readFileSync(join('data', name), 'utf8')]));
  const reset = () => original.forEach((text, name) => writeFileSync(join(folder, name), text));
  try {
    reset();
    if (!passes(folder)) throw new Error('the table test fails before anything is changed');
    const places = files.flatMap((name) =>
      [...numbersIn(JSON.parse(original.get(name)))].map((path) => ({ name, path })),
    );
    const random = seeded(9);
    let killed = 0;
    for (let mutation = 0; mutation < MUTATIONS; mutation++) {
      const { name, path } = places[Math.floor(random() * places.length)];
      const changed = JSON.parse(original.get(name));
      at(changed, path.slice(0, -1))[path.at(-1)] *= random() < 0.5 ? 10 : 0.1;
      writeFileSync(join(folder, name), JSON.stringify(changed));
      if (passes(folder)) console.log(`survived: ${name} ${path.join('.')}`);
      else killed++;
      reset();
    }
    console.log(`${killed} of ${MUTATIONS} killed, of ${places.length} numbers in ${files.join(', ')}`);
    console.log(`${((killed / MUTATIONS) * 100).toFixed(1)}`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
