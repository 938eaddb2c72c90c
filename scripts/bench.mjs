// Timings of the built application with the demo data. `npm run bench -- --json` prints them for other programs.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install } from './prepare.mjs';

install();
if (process.argv.includes('mutate-data')) {
  const { mutateData } = await import('../bench/mutate-data.mjs');
  mutateData();
  process.exit(0);
}
build();
const { pages } = await import('../bench/pages.mjs');
const { linesWorst } = await import('../bench/lines-worst.mjs');
const { foodSearch } = await import('../bench/food-search.mjs');
const { firstPaints } = await import('../bench/first-paint.mjs');
const { balance } = await import('../bench/balance.mjs');

const { planKeystroke, planRecompute } = await import('../bench/plan.mjs');

const { roomsOfFiveYears } = await import('../bench/rooms-5y.mjs');
const { withServer } = await import('../bench/house.mjs');

const { linesRead } = await import('../bench/lines-read.mjs');

const { cookDay } = await import('../bench/cook-day.mjs');

const { packing } = await import('../bench/packing.mjs');

const { printing } = await import('../bench/labels.mjs');
const { weeksDry, weeksSix } = await import('../bench/weeks.mjs');

const computed = [
  ...(await cookDay()),
  ...(await packing()),
  ...(await printing()),
  ...(await balance()),
  ...(await planRecompute()),
  ...linesRead(),
  ...(await weeksSix()),
  ...(await weeksDry()),
];

const folder = mkdtempSync(join(tmpdir(), 'hodman-bench-'));
let status = 1;
try {
  const report = [
    ...(await withServer(
      folder,
      'scripts/demo.mjs',
      async (address) => [
        ...(await pages(address)),
        ...(await foodSearch(address)),
        ...(await linesWorst(address)),
        ...(await planKeystroke(address)),
        ...(await firstPaints(address)),
      ],
      // Before supper, whatever the hour: a house in which all are fed has nothing to press.
      { HODMAN_NOW: `${new Date().toISOString().slice(0, 10)}T11:00:00Z` },
    )),
    ...(await roomsOfFiveYears(folder)),
    ...computed,
  ];
  if (process.argv.includes('--json')) console.log(JSON.stringify(report, null, 2));
  else console.table(Object.fromEntries(report.map(({ name, ...rest }) => [name, rest])));
  status = 0;
} finally {
  rmSync(folder, { recursive: true, force: true });
}
process.exit(status);
