// Everything that must hold, in the order in which it is cheapest to fail; one line at the end adds it all up.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { startPostgres } from './postgres.mjs';
import { install, nextBin } from './prepare.mjs';

// What the tests need of Debian: a browser, and a reader of PDF.
const NEEDED = { chromium: '/usr/bin/chromium', 'poppler-utils': '/usr/bin/pdftotext' };
let passed = 0;
let failed = 0;

function installPackages() {
  const missing = () => Object.keys(NEEDED).filter((name) => !existsSync(NEEDED[name]));
  if (missing().length === 0) return;
  console.log(`Installing ${missing().join(' and ')} from Debian’s packages …`);
  const steps = [
    ['apt-get', ['update', '-qq']],
    ['apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing()]],
  ];
  const done = steps.every(
    ([command, args]) => spawnSync(command, args, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0,
  );
  if (done && missing().length === 0) return;
  console.error(
    `The tests need ${missing().join(' and ')}, and it may not be installed here: run "apt-get install ${missing().join(' ')}" as root, then npm test again.`,
  );
  process.exit(1);
}

/** Runs one step and counts it as one. */
function step(name, command, args, env = {}) {
  console.log(`\n— ${name}`);
  const done = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status === 0) passed++;
  else failed++;
  console.log(`${done.status === 0 ? 'passed' : 'FAILED'}: ${name}`);
  return done.status === 0;
}

/** Runs a test runner that leaves a JSON report, and counts its cases; no report counts as one failure. */
function cases(name, command, args, report, read, env = {}) {
  console.log(`\n— ${name}`);
  rmSync(report, { force: true });
  const done = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  const counted = existsSync(report) ? read(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  failed += counted.failed;
  // A runner that fails without a failed case (a file that does not load) has failed all the same.
  if (done.status !== 0 && counted.failed === 0) failed++;
}

const readJest = (report) => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
});
const readPlaywright = ({ stats }) => ({
  passed: stats.expected + stats.flaky,
  failed: stats.unexpected + stats.skipped,
});
const bin = (name) => `node_modules/.bin/${name}`;

install();
installPackages();
mkdirSync('test-results', { recursive: true });

step('format', bin('prettier'), ['--check', '.', '--log-level', 'warn']);
step('lint', bin('eslint'), ['.', '--max-warnings', '0']);
// Next writes the types of the routes first; where it cannot, tsc says so.
spawnSync(process.execPath, [nextBin, 'typegen'], { stdio: 'ignore' });
step('types', bin('tsc'), ['--noEmit']);
cases(
  'unit and data tests',
  process.execPath,
  [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    '--json',
    '--outputFile=test-results/jest.json',
    '--reporters=default',
  ],
  'test-results/jest.json',
  readJest,
);
// What must hold on a server as well (decision 0062): the way through the house, the ledger's models, what is of a server alone.
const ON_SERVER = 'commands/(sequences|histories|path|run|bowls|clock-back)|data/server';
const postgres = await startPostgres();
if (postgres)
  cases(
    'the same on a PostgreSQL server',
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      'node_modules/jest/bin/jest.js',
      '--json',
      '--outputFile=test-results/jest-server.json',
      '--reporters=default',
      '--testPathPatterns',
      ON_SERVER,
    ],
    'test-results/jest-server.json',
    readJest,
    { HODMAN_TEST_SERVER: postgres.url },
  );
else {
  console.log('\nNOT TRIED on a PostgreSQL server: none is installed (apt-get install postgresql).');
  // In CI it is installed: there nobody would see that line.
  if (process.env.HODMAN_IN_CI) failed++;
}
const built = step('production build', process.execPath, ['scripts/build.mjs']);
if (built) {
  cases(
    'end to end',
    process.execPath,
    ['node_modules/@playwright/test/cli.js', 'test'],
    'test-results/e2e.json',
    readPlaywright,
  );
  if (postgres)
    cases(
      'the path through the house, on the server',
      process.execPath,
      ['node_modules/@playwright/test/cli.js', 'test', 'path.spec'],
      'test-results/e2e.json',
      readPlaywright,
      { DATABASE_URL: postgres.url },
    );
  step('attack, its quick form', process.execPath, ['scripts/attack.mjs', '--quick']);
}

await postgres?.stop();
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
