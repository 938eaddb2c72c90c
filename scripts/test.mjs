// Everything that must hold, in the order in which it is cheapest to fail; one line at the end adds it all up.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { startPostgres } from './postgres.mjs';
import { install, nextBin } from './prepare.mjs';

// What the tests need of Debian: a browser, and a reader of PDF.
const NEEDED = { chromium: '/usr/bin/chromium', 'poppler-utils': '/usr/bin/pdftotext' };
let passed = 0;
let failed = 0;
/** CI ends what takes longer than so many minutes (.ci/run), and then nothing was tried: what may not end by then is not begun. */
const began = Date.now();
const hasTime = (minutes) => (Number(process.env.HODMAN_MINUTES ?? Infinity) - minutes) * 60_000 > Date.now() - began;
const notTried = (what) => console.log(`\nNOT TRIED: ${what}; this machine is slow today.`);

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

const done = (name, isPassed) => {
  if (isPassed) passed++;
  else failed++;
  console.log(`${isPassed ? 'passed' : 'FAILED'}: ${name}`);
  return isPassed;
};

/** Runs one step and counts it as one. */
function step(name, command, args, env = {}) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  return done(name, status === 0);
}

/** A step that others may run beside: what it prints comes in one piece when it is over. */
const beside = (name, command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const from of [child.stdout, child.stderr]) from.on('data', (data) => said.push(data));
    child.once('close', (status) => {
      console.log(`\n— ${name}\n${Buffer.concat(said).toString('utf8').trim()}`);
      resolve(done(name, status === 0));
    });
  });

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
/** What passed only when it was tried again (CI alone does) is said: a fault may lie behind it. */
const readPlaywright = ({ stats }) => {
  if (stats.flaky > 0)
    console.log(`\nPASSED ONLY AT A SECOND TRY: ${stats.flaky} of the end-to-end tests, listed above as flaky.`);
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected + stats.skipped };
};
const bin = (name) => `node_modules/.bin/${name}`;

install();
installPackages();
mkdirSync('test-results', { recursive: true });

// Next writes the types of the routes first; where it cannot, tsc says so.
spawnSync(process.execPath, [nextBin, 'typegen'], { stdio: 'ignore' });
const [, , isTyped] = await Promise.all([
  beside('format', bin('prettier'), ['--check', '.', '--log-level', 'warn']),
  beside('lint', bin('eslint'), ['.', '--max-warnings', '0']),
  beside('types', bin('tsc'), ['--noEmit']),
]);

/** Jest on all processors: by itself it leaves one of them alone, and in CI there are two. */
const jest = (name, report, args = [], env = {}) =>
  cases(
    name,
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      'node_modules/jest/bin/jest.js',
      '--maxWorkers=100%',
      '--json',
      `--outputFile=${report}`,
      '--reporters=default',
      ...args,
    ],
    report,
    readJest,
    env,
  );
jest('unit and data tests', 'test-results/jest.json');
// What must hold on a server as well (decision 0062): the way through the house, the ledger's models, what is of a server alone.
const ON_SERVER = 'commands/(sequences|histories|path|run|bowls|clock-back)|data/server';
const postgres = await startPostgres();
if (postgres)
  jest('the same on a PostgreSQL server', 'test-results/jest-server.json', ['--testPathPatterns', ON_SERVER], {
    HODMAN_TEST_SERVER: postgres.url,
  });
else {
  console.log('\nNOT TRIED on a PostgreSQL server: none is installed (apt-get install postgresql).');
  // In CI it is installed: there nobody would see that line.
  if (process.env.HODMAN_IN_CI) failed++;
}
// What was found to be right above need not be looked at again.
const built = step('production build', process.execPath, ['scripts/build.mjs'], isTyped ? { HODMAN_TYPED: '1' } : {});
if (built) {
  const endToEnd = (name, args, env) =>
    cases(
      name,
      process.execPath,
      ['node_modules/@playwright/test/cli.js', 'test', ...args],
      'test-results/e2e.json',
      readPlaywright,
      env,
    );
  endToEnd('end to end', ['--project', 'short']);
  if (hasTime(20)) endToEnd('end to end, what takes long', ['--project', 'long']);
  else notTried('backups, three weeks, the weeks ahead and the whole day end to end');
  if (hasTime(28)) {
    if (postgres) endToEnd('the path through the house, on the server', ['/path.spec'], { DATABASE_URL: postgres.url });
    step('attack, its quick form', process.execPath, ['scripts/attack.mjs', '--quick']);
  } else notTried('the path on the server end to end, and the attack in its quick form (npm run attack -- --quick)');
}

await postgres?.stop();
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
